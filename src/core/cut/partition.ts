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

/**
 * Takes a row of pictures and the rows of words right under them, column for column, as columns of picture and words: so that a phone, which stacks
 * columns, shows each picture with its own words.
 */
function captioned<C extends Rect & { kind?: string }>(rows: Layout<C>[]): Layout<C>[] {
  const out: Layout<C>[] = []
  for (const row of rows) {
    const above = out.at(-1)
    if (above?.kind === 'columns' && row.kind === 'columns' && above.parts.length === row.parts.length && above.parts.every((p, i) => sameColumn(p.box, row.parts[i]!.box)) && leavesOf(above).some((c) => c.kind === 'picture') && leavesOf(row).every((c) => c.kind === 'words')) {
      const parts = above.parts.map((p, i): Layout<C> => ({ kind: 'rows', box: around([p.box, row.parts[i]!.box]), parts: [...(p.kind === 'rows' ? p.parts : [p]), row.parts[i]!] }))
      out[out.length - 1] = { kind: 'columns', box: around([above.box, row.box]), parts }
    } else out.push(row)
  }
  return out
}

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
