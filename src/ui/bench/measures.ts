import type { Changed } from './live-frame'
import type { Stretch } from './ties'

/** Rectangles of everything marked in a lens, by id, in px of what it shows. */
export type Marks = Map<string, Stretch>

interface Measured {
  el: HTMLElement
  box: Stretch
  /** All marks in the band, itself first. */
  marks: Marks
}

/** The ids of what an element marks, outermost first. */
export const marksOf = (el: HTMLElement): string[] => el.dataset.m?.split(' ') ?? []

const boxOf = (el: Element): Stretch => {
  const { top, left, width, height } = el.getBoundingClientRect()
  return { top, left, width, height }
}

const sameSize = (a: Stretch, b: Stretch) => a.width === b.width && a.height === b.height && a.left === b.left

const sameMarks = (a: Marks, b: Marks) =>
  a.size === b.size &&
  [...a].every(([id, box]) => {
    const other = b.get(id)
    return !!other && sameSize(box, other) && box.top === other.top
  })

/** Where everything marked lies in a frame. Bands that did not change are moved, not measured again. */
export class Measures {
  private known = new Map<string, Measured>()
  private all: Marks = new Map()

  /**
   * @returns what it returned before, where nothing lies elsewhere
   * @param bands ids of the bands in their order
   * @param changed what may lie elsewhere within itself
   */
  take(doc: Document, bands: readonly string[], changed: Changed): Marks {
    if (changed !== 'all' && this.stands(doc, bands, changed)) return this.all
    const next = new Map<string, Measured>()
    const marks: Marks = new Map()
    for (const id of bands) {
      const before = changed === 'all' || changed.has(id) ? undefined : this.known.get(id)
      const measured = (before?.el.isConnected && moved(before)) || measure(doc, id)
      if (!measured) continue
      next.set(id, measured)
      for (const [key, box] of measured.marks) marks.set(key, box)
    }
    this.known = next
    if (!sameMarks(marks, this.all)) this.all = marks
    return this.all
  }

  /** Whether the same bands stand there, and those that changed are as large as before: then no other moved. */
  private stands(doc: Document, bands: readonly string[], changed: ReadonlySet<string>): boolean {
    if (bands.length !== this.known.size || !changed.size) return false
    const ids = [...this.known.keys()]
    if (!bands.every((id, i) => id === ids[i])) return false
    return [...changed].every((id) => {
      const now = measure(doc, id)
      return !!now && sameMarks(now.marks, this.known.get(id)!.marks)
    })
  }
}

/** A band at its present place; null where it has another size and so is another inside. */
function moved(before: Measured): Measured | null {
  const box = boxOf(before.el)
  if (!sameSize(box, before.box)) return null
  const by = box.top - before.box.top
  if (!by) return before
  const marks: Marks = new Map([...before.marks].map(([id, m]) => [id, { ...m, top: m.top + by }]))
  return { el: before.el, box, marks }
}

/** How far down an email reaches in its frame, px: to the end of its article, or of the last thing in HTML that has none. */
export function bottomOf(doc: Document): number {
  const article = doc.querySelector('[role=article]')
  const things = article ? [article] : [...doc.body.children]
  return Math.ceil(Math.max(0, ...things.map((e) => e.getBoundingClientRect().bottom)))
}

/** Where what a mark holds lies, without the space around it: the picture of a picture tile; null where it is not there. */
export function contentOf(doc: Document | null | undefined, id: string): Stretch | null {
  const el = doc?.querySelector(`[data-m~="${CSS.escape(id)}"]`)
  if (!doc || !el) return null
  const range = doc.createRange()
  range.selectNodeContents(el)
  const { top, left, width, height } = range.getBoundingClientRect()
  return width && height ? { top, left, width, height } : null
}

function measure(doc: Document, id: string): Measured | null {
  const el = doc.querySelector<HTMLElement>(`[data-m~="${CSS.escape(id)}"]`)
  if (!el) return null
  const box = boxOf(el)
  const marks: Marks = new Map()
  if (box.width && box.height) marks.set(id, box)
  for (const inner of el.querySelectorAll<HTMLElement>('[data-m]')) {
    const at = boxOf(inner)
    if (at.width && at.height) for (const mark of marksOf(inner)) marks.set(mark, at)
  }
  return { el, box, marks }
}

/** Everything marked, in an email that has no bands. */
export function measureAll(doc: Document): Marks {
  const marks: Marks = new Map()
  for (const el of doc.querySelectorAll<HTMLElement>('[data-m]')) {
    const box = boxOf(el)
    if (box.width && box.height) for (const mark of marksOf(el)) marks.set(mark, box)
  }
  return marks
}
