import { around, type Rect } from './raster'

/** How cuts lie: one above the other, side by side, a single one, or interlocked so that no straight line parts them. */
export type Layout<C extends Rect> =
  | { kind: 'rows'; box: Rect; parts: Layout<C>[] }
  | { kind: 'columns'; box: Rect; parts: Layout<C>[] }
  | { kind: 'leaf'; box: Rect; cut: C }
  | { kind: 'knot'; box: Rect; cuts: C[] }

/** Parts cuts by straight lines, first into rows, then into columns, and so on (a guillotine partition, also called XY-cut). */
export function partition<C extends Rect>(cuts: readonly C[]): Layout<C> {
  const box = around(cuts)
  if (cuts.length === 1) return { kind: 'leaf', box, cut: cuts[0]! }
  const rows = groups(cuts, (c) => [c.y, c.y + c.h])
  if (rows.length > 1) return { kind: 'rows', box, parts: rows.map(partition) }
  const columns = groups(cuts, (c) => [c.x, c.x + c.w])
  if (columns.length > 1) return { kind: 'columns', box, parts: columns.map(partition) }
  return { kind: 'knot', box, cuts: [...cuts] }
}

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
