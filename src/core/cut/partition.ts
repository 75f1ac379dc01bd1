import { around, type Rect } from './raster'

/** How cuts lie: one above the other, side by side, a single one, or interlocked so that no straight line parts them. */
export type Layout<C extends Rect> =
  | { kind: 'rows'; box: Rect; parts: Layout<C>[] }
  | { kind: 'columns'; box: Rect; parts: Layout<C>[] }
  | { kind: 'leaf'; box: Rect; cut: C }
  | { kind: 'knot'; box: Rect; cuts: C[] }

/** Parts cuts by straight lines, first into rows, then into columns, and so on (a guillotine partition, also called XY-cut). */
export function partition<C extends Rect & { kind?: string }>(cuts: readonly C[]): Layout<C> {
  const box = around(cuts)
  if (cuts.length === 1) return { kind: 'leaf', box, cut: cuts[0]! }
  const rows = groups(cuts, (c) => [c.y, c.y + c.h])
  if (rows.length > 1) {
    const parts = captioned(rows.map((r) => partition(r)))
    return parts.length === 1 ? parts[0]! : { kind: 'rows', box, parts }
  }
  const columns = groups(cuts, (c) => [c.x, c.x + c.w])
  if (columns.length > 1) return { kind: 'columns', box, parts: columns.map(partition) }
  return { kind: 'knot', box, cuts: [...cuts] }
}

/** So many rows of words under each other, column for column, belong together (a heading, its words, a button); more of them are a table. */
const MOST_ROWS = 3

/**
 * Takes a row of pictures or words and the rows of words and buttons right under it, column for column, as columns: so that a phone, which stacks
 * columns, shows each picture or heading with its own words.
 */
function captioned<C extends Rect & { kind?: string }>(rows: Layout<C>[]): Layout<C>[] {
  const out: Layout<C>[] = []
  for (let i = 0; i < rows.length; ) {
    const row = rows[i]!
    let end = i + 1
    if (row.kind === 'columns') while (end < rows.length && follows(row, rows[end]!)) end++
    const run = rows.slice(i, end) as Extract<Layout<C>, { kind: 'columns' }>[]
    const words = run.filter((r) => leavesOf(r).every(live)).length
    if (run.length > 1 && words <= MOST_ROWS) {
      const parts = run[0]!.parts.map((_, k): Layout<C> => ({ kind: 'rows', box: around(run.map((r) => r.parts[k]!.box)), parts: run.flatMap((r) => { const p = r.parts[k]!; return p.kind === 'rows' ? p.parts : [p] }) }))
      out.push({ kind: 'columns', box: around(run.map((r) => r.box)), parts })
    } else out.push(...run)
    i = end
  }
  return out
}

const live = (c: { kind?: string }) => c.kind === 'words' || c.kind === 'button'
const follows = <C extends Rect & { kind?: string }>(above: Extract<Layout<C>, { kind: 'columns' }>, row: Layout<C>): boolean =>
  row.kind === 'columns' && row.parts.length === above.parts.length && above.parts.every((p, i) => sameColumn(p.box, row.parts[i]!.box)) && leavesOf(row).every(live)

const sameColumn = (a: Rect, b: Rect): boolean => Math.abs(a.x - b.x) <= 0.08 * Math.max(a.w, b.w) && Math.abs(a.x + a.w - b.x - b.w) <= 0.25 * Math.max(a.w, b.w)
const leavesOf = <C extends Rect>(n: Layout<C>): C[] => (n.kind === 'leaf' ? [n.cut] : n.kind === 'knot' ? n.cuts : n.parts.flatMap(leavesOf))

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
