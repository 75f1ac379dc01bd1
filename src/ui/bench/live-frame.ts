import morphdom from 'morphdom'
import type { Parts } from '@/core/compile'
import { framed, type Loads } from '../parts/framed'

/** Comments that stand before each band of what a frame shows, and behind the last. */
const mark = (id: string): string => `m:${encodeURIComponent(id)}`
const END = 'm:'

/** What a frame begins with: the email with a mark before each band. @param loads what it may load */
export const firstOf = ({ before, bands, after }: Parts, loads: Loads): string =>
  framed(
    `${before}${bands.map((b) => `<!--${mark(b.id)}-->${b.html}`).join('')}${bands.length ? `<!--${END}-->` : ''}${after}`,
    loads,
  )

/**
 * Keeps each band of a frame to itself (CSS Containment Module Level 2, section 3), so that a change in one has the browser paint
 * and place that one alone. Bands are blocks as wide as the window, so it changes nothing of how they look.
 */
export function keepBandsApart(doc: Document): void {
  const Sheet = doc.defaultView?.CSSStyleSheet
  if (!Sheet || doc.adoptedStyleSheets.length) return
  const sheet = new Sheet()
  sheet.replaceSync('[role=article] > [data-m] { contain: content }')
  doc.adoptedStyleSheets = [sheet]
}

/** A band as it stands in a frame: its mark, and what follows it. */
interface Stretch {
  mark: Comment
  nodes: ChildNode[]
}

/** Where each frame's bands end, as long as it stands there. */
const ends = new WeakMap<Document, Comment>()

/** The mark of each band of a frame, by what it says, as long as it stands there. */
const marksOf = new WeakMap<Document, Map<string, Comment>>()

/** The comment behind the last band. */
function endOf(doc: Document): Comment | null {
  const known = ends.get(doc)
  return known?.isConnected ? known : findEnd(doc)
}

function findEnd(doc: Document): Comment | null {
  const walker = doc.createTreeWalker(doc.documentElement, NodeFilter.SHOW_COMMENT)
  for (let n = walker.nextNode(); n; n = walker.nextNode())
    if (n.nodeValue === END) {
      ends.set(doc, n as Comment)
      return n as Comment
    }
  return null
}

/** Each band's stretch, by its mark. */
function stretchesOf(end: Comment): Map<string, Stretch> {
  const out = new Map<string, Stretch>()
  let open: Stretch | null = null
  for (const node of end.parentNode!.childNodes) {
    if (node === end) break
    if (node.nodeType === Node.COMMENT_NODE && node.nodeValue!.startsWith('m:')) {
      open = { mark: node as Comment, nodes: [] }
      out.set(node.nodeValue!, open)
    } else open?.nodes.push(node)
  }
  return out
}

/** The nodes of a markup, which load nothing before they stand in the document. */
function nodesOf(doc: Document, html: string): ChildNode[] {
  const template = doc.createElement('template')
  template.innerHTML = html
  return [...template.content.childNodes]
}

/** Puts a band's new markup in place; what is the same stays, so that nothing flickers. */
function renew(doc: Document, stretch: Stretch, html: string, before: ChildNode): void {
  const fresh = nodesOf(doc, html)
  const alike =
    fresh.length === stretch.nodes.length && fresh.every((n, i) => n.nodeName === stretch.nodes[i]!.nodeName)
  if (!alike) {
    stretch.nodes.forEach((n) => n.remove())
    fresh.forEach((n) => before.before(n))
    stretch.nodes = fresh
    return
  }
  fresh.forEach((n, i) => {
    const old = stretch.nodes[i]!
    if (n.nodeType === Node.ELEMENT_NODE) morphdom(old, n)
    else if (old.nodeValue !== n.nodeValue) old.nodeValue = n.nodeValue
  })
}

/** Changes all that stands around the bands. @param slot what holds them: its children stay */
function morphShell(doc: Document, shell: string, slot: ParentNode | null): void {
  morphdom(doc.documentElement, new DOMParser().parseFromString(shell, 'text/html').documentElement, {
    // The preheader comes and goes before the element that holds the bands.
    getNodeKey: (node) =>
      (node as Element).getAttribute?.('role') === 'article' ? 'article' : (node as Element).id,
    onBeforeElChildrenUpdated: (from) => from !== slot,
  })
}

/** What changed in a frame: the bands whose insides did, or everything. */
export type Changed = ReadonlySet<string> | 'all'

/**
 * Brings a frame from one state of an email to the next: only bands that changed are parsed and patched.
 * @returns what has to be measured again
 */
export function patch(doc: Document, was: Parts, now: Parts, loads: Loads): Changed {
  const end = endOf(doc)
  if (!end || !now.bands.length) {
    morphShell(doc, firstOf(now, loads), null)
    return 'all'
  }
  const around = was.before !== now.before || was.after !== now.after
  if (around) morphShell(doc, framed(`${now.before}<!--${END}-->${now.after}`, loads), end.parentNode)
  const changed = patchBands(doc, end, was, now)
  return around ? 'all' : changed
}

/** Whether an email's bands are those of before, in their order. */
const sameBands = (was: Parts, now: Parts): boolean =>
  was.bands.length === now.bands.length && now.bands.every((b, i) => b.id === was.bands[i]!.id)

/** What stands behind a mark, up to the next. */
function stretchFrom(comment: Comment): Stretch & { next: ChildNode } {
  const nodes: ChildNode[] = []
  let next = comment.nextSibling!
  while (!(next.nodeType === Node.COMMENT_NODE && next.nodeValue!.startsWith(END))) {
    nodes.push(next)
    next = next.nextSibling!
  }
  return { mark: comment, nodes, next }
}

/** The mark of a band. */
function markIn(doc: Document, end: Comment, id: string): Comment | undefined {
  let marks = marksOf.get(doc)
  if (!marks?.get(mark(id))?.isConnected) {
    marks = new Map([...stretchesOf(end)].map(([key, s]) => [key, s.mark]))
    marksOf.set(doc, marks)
  }
  return marks.get(mark(id))
}

/** Changes the insides of bands that stand where they stood. Null where one is not found. */
function patchInside(doc: Document, end: Comment, was: Parts, now: Parts): Set<string> | null {
  const changed = new Set<string>()
  for (const [i, { id, html }] of now.bands.entries()) {
    if (html === was.bands[i]!.html) continue
    const comment = markIn(doc, end, id)
    if (!comment) return null
    const { next, ...stretch } = stretchFrom(comment)
    renew(doc, stretch, html, next)
    changed.add(id)
  }
  return changed
}

function patchBands(doc: Document, end: Comment, was: Parts, now: Parts): Set<string> {
  // Nearly every change is one inside a band.
  const inside = sameBands(was, now) && patchInside(doc, end, was, now)
  if (inside) return inside
  const stretches = stretchesOf(end)
  const before = new Map(was.bands.map((b) => [b.id, b.html]))
  const changed = new Set<string>()
  const kept = new Set(now.bands.map((b) => mark(b.id)))
  for (const [key, { mark: comment, nodes }] of stretches)
    if (!kept.has(key)) {
      comment.remove()
      nodes.forEach((n) => n.remove())
    }
  // From the last to the first, so that each band's place is before what is already right.
  let next: ChildNode = end
  for (const { id, html } of now.bands.toReversed()) {
    let stretch = stretches.get(mark(id))
    if (!stretch) {
      stretch = { mark: doc.createComment(mark(id)), nodes: nodesOf(doc, html) }
      next.before(stretch.mark, ...stretch.nodes)
      changed.add(id)
    } else {
      const last = stretch.nodes.at(-1) ?? stretch.mark
      if (last.nextSibling !== next) next.before(stretch.mark, ...stretch.nodes)
      if (before.get(id) !== html) {
        renew(doc, stretch, html, next)
        changed.add(id)
      }
    }
    next = stretch.mark
  }
  return changed
}
