import { around, overlap, type Rect } from './raster'

/**
 * How cuts lie: one above the other, side by side, a single one, on a panel, or interlocked so that no
 * straight line parts them.
 */
export type Layout<C extends Rect, P extends Rect = Rect> =
  | { kind: 'rows'; box: Rect; parts: Layout<C, P>[] }
  | { kind: 'columns'; box: Rect; parts: Layout<C, P>[] }
  | { kind: 'leaf'; box: Rect; cut: C }
  | { kind: 'panel'; box: Rect; panel: P; inner: Layout<C, P> }
  | { kind: 'knot'; box: Rect; cuts: C[] }

/** What a cut is built as, and what it was seen as: words that were not read stand as pictures. */
interface Kinded {
  kind?: string
  seen?: { part: string } | undefined
}

/**
 * Parts cuts by straight lines, first into rows, then into columns, and so on (a guillotine partition, also
 * called XY-cut). The cuts on a panel stay together.
 * @param panels boxes under the cuts; one that cuts reach out of is left aside
 */
export function partition<C extends Rect & Kinded, P extends Rect = Rect>(
  cuts: readonly C[],
  panels: readonly P[] = [],
): Layout<C, P> {
  return parted(gathered<C, P>(cuts, panels))
}

/** A cut, or a panel with its cuts. */
interface Item<C extends Rect, P extends Rect> {
  box: Rect
  made: () => Layout<C, P>
}

function gathered<C extends Rect & Kinded, P extends Rect>(
  cuts: readonly C[],
  panels: readonly P[],
): Item<C, P>[] {
  const holds = (p: Rect, c: Rect) =>
    c.x >= p.x - 1 && c.y >= p.y - 1 && c.x + c.w <= p.x + p.w + 1 && c.y + c.h <= p.y + p.h + 1
  const apart = (p: Rect, c: Rect) => {
    const o = overlap(p, c)
    return !o || Math.min(o.w, o.h) <= 2
  }
  const out: Item<C, P>[] = []
  let rest = [...cuts]
  // The largest first: what lies in one of them is parted again inside it.
  for (const panel of [...panels].sort((a, b) => b.w * b.h - a.w * a.h)) {
    const own = rest.filter((c) => holds(panel, c))
    // A picture of the whole panel shows its ground and edges already.
    const pictured =
      own.length === 1 && own[0]!.kind === 'picture' && own[0]!.w * own[0]!.h >= 0.96 * panel.w * panel.h
    if (!own.length || pictured || rest.some((c) => !own.includes(c) && !apart(panel, c))) continue
    rest = rest.filter((c) => !own.includes(c))
    const box = { x: panel.x, y: panel.y, w: panel.w, h: panel.h }
    out.push({
      box,
      made: () => ({
        kind: 'panel',
        box,
        panel,
        inner: partition(
          own,
          panels.filter((p) => p !== panel && holds(panel, p)),
        ),
      }),
    })
  }
  return [
    ...out,
    ...rest.map((cut): Item<C, P> => ({ box: cut, made: () => ({ kind: 'leaf', box: cut, cut }) })),
  ]
}

function parted<C extends Rect & Kinded, P extends Rect>(items: readonly Item<C, P>[]): Layout<C, P> {
  if (items.length === 1) return items[0]!.made()
  const box = around(items.map((i) => i.box))
  const rows = groups(items, ({ box: b }) => [b.y, b.y + b.h])
  if (rows.length > 1) {
    const parts = captioned(rows.map((r) => parted(r)))
    return parts.length === 1 ? parts[0]! : { kind: 'rows', box, parts }
  }
  const columns = groups(items, ({ box: b }) => [b.x, b.x + b.w])
  if (columns.length > 1) return { kind: 'columns', box, parts: columns.map(parted) }
  return { kind: 'knot', box, cuts: items.flatMap((i) => leavesOf(i.made())) }
}

/**
 * So many rows of words under each other, column for column, belong together (a heading, its words, a
 * button); more of them are a table.
 */
const MOST_ROWS = 3
/** Under pictures stand more: a name, what it is, a price, a button. */
const MOST_UNDER_PICTURES = 5

type Columns<C extends Rect, P extends Rect> = Extract<Layout<C, P>, { kind: 'columns' }>

/** A row as parts of the columns above it, where more than one thing stands under some of them, such as two prices; null where it has no such parts. */
function underColumns<C extends Rect & Kinded, P extends Rect>(
  above: Columns<C, P>,
  row: Layout<C, P>,
): Columns<C, P> | null {
  if (row.kind !== 'columns') return null
  if (row.parts.length <= above.parts.length) return row
  const parts = above.parts.map(({ box }): Layout<C, P>[] =>
    row.parts.filter(
      ({ box: p }) => p.x >= box.x - BEYOND * box.w && p.x + p.w <= box.x + (1 + BEYOND) * box.w,
    ),
  )
  if (parts.some((own) => !own.length) || parts.flat().length !== row.parts.length) return null
  return {
    ...row,
    parts: parts.map((own) =>
      own.length === 1 ? own[0]! : { kind: 'columns', box: around(own.map((p) => p.box)), parts: own },
    ),
  }
}

/**
 * Takes a row of pictures or words and the rows of words and buttons right under it, column for column, as
 * columns: so that a phone, which stacks columns, shows each picture or heading with its own words.
 */
function captioned<C extends Rect & Kinded, P extends Rect>(rows: Layout<C, P>[]): Layout<C, P>[] {
  const out: Layout<C, P>[] = []
  for (let i = 0; i < rows.length;) {
    const row = rows[i]!
    let end = i + 1
    const run = [row] as Columns<C, P>[]
    if (row.kind === 'columns')
      for (; end < rows.length; end++) {
        const next = underColumns(row, rows[end]!)
        if (!next || !follows(row, next, run.length > 1)) break
        run.push(next)
      }
    const words = run.filter((r) => leavesOf(r).every(live)).length
    const pictured = row.kind === 'columns' && row.parts.every(isPictured)
    if (run.length > 1 && words <= (pictured ? MOST_UNDER_PICTURES : MOST_ROWS)) {
      const parts = run[0]!.parts.map((_, k): Layout<C, P> => ({
        kind: 'rows',
        box: around(run.map((r) => r.parts[k]!.box)),
        parts: run.flatMap((r) => {
          const p = r.parts[k]!
          return p.kind === 'rows' ? p.parts : [p]
        }),
      }))
      out.push({ kind: 'columns', box: around(run.map((r) => r.box)), parts })
    } else out.push(...rows.slice(i, end))
    i = end
  }
  return out
}

const live = (c: Kinded) =>
  c.kind === 'words' || c.kind === 'button' || c.seen?.part === 'words' || c.seen?.part === 'button'
/** @param more whether other rows follow already: what begins with its heading belongs under it then */
const follows = <C extends Rect & Kinded, P extends Rect>(
  above: Columns<C, P>,
  row: Columns<C, P>,
  more: boolean,
): boolean => {
  if (row.parts.length !== above.parts.length || !leavesOf(row).every(live)) return false
  const figures = row.parts.length > 2 && above.box.h >= LARGER * row.box.h
  const headings = more || row.box.h >= LARGER * above.box.h
  return above.parts.every((p, i) => {
    const under = row.parts[i]!.box
    if (sameColumn(p.box, under) || (headings && begins(p.box, under))) return true
    return (figures || isPictured(p)) && isUnder(p.box, under)
  })
}

/** Figures of a row stand so many times as high as what they count, and so do words under their headings. */
const LARGER = 1.3

const isPictured = <C extends Rect & Kinded, P extends Rect>(n: Layout<C, P>): boolean =>
  leavesOf(n)[0]!.kind === 'picture'

/**
 * Words under a picture reach no further beyond its sides, of its width; or are no further off its middle, of their own; or begin no
 * further from where it begins, of the wider's.
 */
const BEYOND = 0.08
const OFF_MIDDLE = 0.1
const OFF_EDGE = 0.04

const begins = (above: Rect, words: Rect): boolean =>
  Math.abs(words.x - above.x) <= OFF_EDGE * Math.max(above.w, words.w)

/** Whether words are no wider than what they stand under, stand in its middle, or begin with it. */
const isUnder = (above: Rect, words: Rect): boolean =>
  begins(above, words) ||
  (words.x >= above.x - BEYOND * above.w && words.x + words.w <= above.x + (1 + BEYOND) * above.w) ||
  Math.abs(words.x + words.w / 2 - above.x - above.w / 2) <= OFF_MIDDLE * words.w

const sameColumn = (a: Rect, b: Rect): boolean =>
  Math.abs(a.x - b.x) <= 0.08 * Math.max(a.w, b.w) &&
  Math.abs(a.x + a.w - b.x - b.w) <= 0.25 * Math.max(a.w, b.w)

/** The cuts of a layout, in its order. */
export const leavesOf = <C extends Rect, P extends Rect>(n: Layout<C, P>): C[] =>
  n.kind === 'leaf'
    ? [n.cut]
    : n.kind === 'knot'
      ? n.cuts
      : n.kind === 'panel'
        ? leavesOf(n.inner)
        : n.parts.flatMap(leavesOf<C, P>)

/** Groups whose intervals touch no other group's. */
function groups<C>(cuts: readonly C[], interval: (c: C) => [number, number]): C[][] {
  const sorted = [...cuts].sort((a, b) => interval(a)[0] - interval(b)[0])
  const out: C[][] = []
  let end = -Infinity
  for (const c of sorted) {
    const [from, to] = interval(c)
    if (from >= end) out.push([c])
    else out.at(-1)!.push(c)
    end = Math.max(end, to)
  }
  return out
}
