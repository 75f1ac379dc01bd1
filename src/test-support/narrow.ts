import type { Scene, ScenePart } from './scenes'

/** A thing that an email shows, px of the window. */
export interface Shown {
  kind: 'words' | 'picture' | 'button'
  said: string
  left: number
  right: number
  top: number
  bottom: number
  align: string
}

/** Reads in the page what is shown there and how wide the page is. Runs in the browser. */
export function shownThings(): { things: Shown[]; width: number } {
  const things: Shown[] = []
  const seen = new Set<Element>()
  const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_ALL)
  for (let n = walk.nextNode(); n; n = walk.nextNode()) {
    if (n.nodeName === 'IMG') {
      const r = (n as Element).getBoundingClientRect()
      if (r.width)
        things.push({
          kind: 'picture',
          said: (n as HTMLImageElement).alt,
          left: r.left,
          right: r.right,
          top: r.top,
          bottom: r.bottom,
          align: '',
        })
    }
    if (n.nodeType !== Node.TEXT_NODE || !n.textContent!.trim()) continue
    let block = n.parentElement!
    while (/^(SPAN|STRONG|B|EM|I|A|U|SUP|SUB|FONT|BDI)$/.test(block.tagName)) block = block.parentElement!
    if (seen.has(block)) continue
    seen.add(block)
    const range = document.createRange()
    range.selectNodeContents(block)
    const lines = [...range.getClientRects()].filter((r) => r.width > 1 && r.height > 1)
    if (!lines.length || getComputedStyle(block).visibility === 'hidden') continue
    const link = n.parentElement!.closest('a')
    const ground = link && getComputedStyle(link.closest('td') ?? link).backgroundColor
    const button = !!link && /padding/.test(link.getAttribute('style') ?? '') && ground !== 'rgba(0, 0, 0, 0)'
    things.push({
      kind: button ? 'button' : 'words',
      said: block.textContent!.replace(/\s+/g, ' ').trim(),
      left: Math.min(...lines.map((l) => l.left)),
      right: Math.max(...lines.map((l) => l.right)),
      top: Math.min(...lines.map((l) => l.top)),
      bottom: Math.max(...lines.map((l) => l.bottom)),
      align: getComputedStyle(block).textAlign,
    })
  }
  return { things, width: document.documentElement.scrollWidth }
}

const plain = (s: string) => s.replace(/\s+/g, ' ').trim()

/** A small picture: one that keeps its size on narrow, px of the email. */
const isMark = (p: ScenePart) => p.kind === 'icons' || (p.kind === 'picture' && p.h <= 64 && p.w <= 160)

/** Whether a part stands in the middle of the email. */
const isCentred = (p: ScenePart, scene: Scene) => Math.abs(p.x + p.w / 2 - scene.width / 2) <= 2

/** Widths of the marks that a part shows, px. */
export const marksOf = (p: ScenePart, count: number): number[] =>
  p.kind === 'icons' ? Array.from({ length: count }, () => p.h) : [p.w]

/**
 * What is wrong with an email on narrow, one sentence each: something lost, a mark of another size, what was centred no longer so, more
 * than two left edges of what stands at the left, something over something else, a page wider than the window.
 */
export function narrowFaults(
  scene: Scene,
  { things, width }: { things: Shown[]; width: number },
  window: number,
): string[] {
  const faults: string[] = []
  if (width > window) faults.push(`scrolls sideways: ${width} px in ${window}`)
  const parts = scene.bands.flatMap((b) => b.parts)
  const all = plain(things.map((t) => t.said).join(' ')).replace(/\s/g, '')
  const saidBefore = new Map<string, number>()
  // What is said twice is found twice, in its order.
  const thingOf = (said: string) => {
    const nth = saidBefore.get(said) ?? 0
    saidBefore.set(said, nth + 1)
    const exact = things.filter((t) => t.said === said)
    const found = exact.length ? exact : things.filter((t) => t.said.includes(said))
    return found[Math.min(nth, found.length - 1)]
  }
  const words = parts.filter((p) => p.words || p.button)
  for (const p of words) {
    const said = plain(p.words?.lines.join(' ') ?? p.button!.label)
    if (!all.includes(said.replace(/\s/g, ''))) faults.push(`lost: ${said}`)
    const shown = thingOf(said)
    if (shown && isCentred(p, scene) && (p.button || p.words!.align === 'center')) {
      const off = (shown.left + shown.right) / 2 - window / 2
      if (Math.abs(off) > 2) faults.push(`no longer centred, by ${off.toFixed(0)} px: ${said}`)
    }
  }
  faults.push(...markFaults(scene, parts, things, window))
  const lefts = leftEdges(scene, parts, things)
  if (lefts.length > 2) faults.push(`${lefts.length} left edges: ${lefts.join(', ')}`)
  things.forEach((a, i) => {
    for (const b of things.slice(i + 1)) {
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      if (across > 2 && down > 4) faults.push(`one over the other: ${a.said || a.kind}, ${b.said || b.kind}`)
    }
  })
  return faults
}

function markFaults(scene: Scene, parts: ScenePart[], things: Shown[], window: number): string[] {
  const faults: string[] = []
  const marks = parts.filter(isMark)
  const shown = things.filter((t) => t.kind === 'picture')
  for (const p of marks) {
    const single = p.kind === 'icons' ? p.h : p.w
    const count = p.kind === 'icons' ? Math.round((p.w + 12) / (p.h + 12)) : 1
    const alike = shown.filter(
      (t) => t.right - t.left >= 0.9 * single - 1 && t.right - t.left <= 1.1 * single + 1,
    )
    if (alike.length < Math.min(count, 3)) faults.push(`marks of ${single} px: ${alike.length} of ${count}`)
    else if (isCentred(p, scene)) {
      const row = alike.filter((t) => Math.abs(t.top - alike[0]!.top) < 4)
      const [left, right] = [Math.min(...row.map((t) => t.left)), Math.max(...row.map((t) => t.right))]
      if (Math.abs((left + right) / 2 - window / 2) > 2) faults.push(`marks of ${single} px are off centre`)
    }
  }
  return faults
}

/** Left edges of what the design holds at its left and no table holds, px, those within 2 px taken as one. */
function leftEdges(scene: Scene, parts: ScenePart[], things: Shown[]): number[] {
  const edges: number[] = []
  for (const p of parts) {
    if (!p.words || p.words.align !== 'left') continue
    // What stands level with other words is a cell of a table or an entry of a menu.
    if (parts.some((o) => o !== p && o.words && o.y < p.y + p.h && o.y + o.h > p.y)) continue
    const said = plain(p.words.lines.join(' '))
    const shown = things.find((t) => t.said === said)
    if (shown && !edges.some((e) => Math.abs(e - shown.left) <= 2)) edges.push(Math.round(shown.left))
  }
  return edges
}
