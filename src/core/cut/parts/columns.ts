import { boxOf } from '../box'
import { iconRow, TALLEST_LINE } from '../judge'
import { fillOf, gapsOf, pixelsOf, stretches, tight, type Cells, type Mask, type Stretch } from '../mask'
import type { Context, Finding } from './finding'
import { THICKEST_BAR } from './boxes'

/** An empty column of this width parts columns, cells. */
const GUTTER = 14
/** Pictures, solid from edge to edge, and boxes may stand this close, cells. */
const CLOSE = 5
/** A mark and the words beside it may stand this close, cells. */
const CLOSE_MARK = 6
/** Most columns of a table. */
const MOST_COLUMNS = 5
/** Two lines of which this share is beside each other are level. */
const LEVEL = 0.6
/** Middles or tops that differ by no more than this are level; by more than the other they are not, cells. */
const SAME = 6
const OTHER = 8
/** Gaps of this share of the widest part the rows of a grid; the others are usual. */
const WIDEST = 0.8
/** They are about as wide as the gaps between columns, and plainly wider than the usual ones. */
const LIKE_COLUMNS = 0.85
const PLAINLY = 1.3
/** A rectangle of which this share differs from the ground is solid: a picture; a mark of its own. */
const SOLID = 0.9
const SOLID_MARK = 0.72
const SOLID_BAR = 0.95
/** Least size of a box beside others, and of a mark beside words, cells. */
const LEAST_BOX = { w: 44, h: 18 }
const LEAST_MARK = 20

/** An upright hairline: no wider, at least so high, and with so much air at either side, cells. */
const UPRIGHT = { width: 2, height: 24, air: 8 }
/** It reaches along this share of what it parts. */
const REACH = 0.55

/**
 * What upright hairlines part, as the columns of statistics have them: they stand free, and reach along most of what is beside them. The lines themselves are taken out of the
 * mask. Null where there are none.
 */
export function uprightRules(m: Mask, r: Cells): Cells[] | null {
  const least = Math.max(UPRIGHT.height, REACH * r.h)
  const high = (x: number): number => {
    let [most, run] = [0, 0]
    for (let y = r.y; y < r.y + r.h; y++) {
      run = m.ink[y * m.cols + x] ? run + 1 : 0
      if (run > most) most = run
    }
    return most
  }
  const rules: Stretch[] = []
  for (let x = r.x; x < r.x + r.w; x++) {
    if (high(x) < least) continue
    const last = rules.at(-1)
    if (last && last.to === x) last.to = x + 1
    else rules.push({ from: x, to: x + 1 })
  }
  const empty = (from: number, to: number, top: number, bottom: number): boolean => {
    for (let x = Math.max(r.x, from); x < Math.min(r.x + r.w, to); x++)
      for (let y = top; y < bottom; y++) if (m.ink[y * m.cols + x]) return false
    return true
  }
  const free = rules.filter(
    ({ from, to }) =>
      to - from <= UPRIGHT.width &&
      from > r.x + UPRIGHT.air &&
      to < r.x + r.w - UPRIGHT.air &&
      empty(from - UPRIGHT.air, from, r.y, r.y + r.h) &&
      empty(to, to + UPRIGHT.air, r.y, r.y + r.h),
  )
  if (!free.length) return null
  for (const { from, to } of free)
    for (let x = from; x < to; x++) for (let y = r.y; y < r.y + r.h; y++) m.ink[y * m.cols + x] = 0
  const starts = [r.x, ...free.map((s) => s.to)]
  const ends = [...free.map((s) => s.from), r.x + r.w]
  const parts = starts.map((x, i) => ({ ...r, x, w: ends[i]! - x }))
  return parts.every((p) => tight(m, p)) ? parts : null
}

/**
 * The rows of a table: where each line of a later column stands level with one of the first, and the first
 * has more (a heading above, as a rule), the rows are read across. Null elsewhere.
 */
export function tableRows(m: Mask, r: Cells, columns: readonly Stretch[]): Stretch[] | null {
  if (columns.length < 2 || columns.length > MOST_COLUMNS) return null
  const linesOf = columns.map((col) =>
    stretches(m, { ...r, x: col.from, w: col.to - col.from }, 'rows', 1).filter((l) => l.to - l.from > 2),
  )
  const first = linesOf[0]!
  const level = (a: Stretch, b: Stretch) =>
    Math.min(a.to, b.to) - Math.max(a.from, b.from) >= LEVEL * Math.max(a.to - a.from, b.to - b.from)
  const later = linesOf.slice(1)
  if (
    later.some(
      (l) =>
        !l.length ||
        l.length >= first.length ||
        l.some((b) => b.to - b.from > TALLEST_LINE / 2 || !first.some((a) => level(a, b))),
    )
  )
    return null
  // What the later columns stand level with begins a row of its own; what comes before it in the first
  // column is another.
  const begins = first.filter((a) => later.every((l) => l.some((b) => level(a, b))))
  if (!begins.length || begins[0] === first[0]) return null
  const cuts = [
    r.y,
    ...begins.map((b) =>
      Math.min(b.from, ...later.flatMap((l) => l.filter((x) => level(b, x)).map((x) => x.from))),
    ),
    r.y + r.h,
  ]
  return cuts
    .slice(1)
    .map((to, i) => ({ from: cuts[i]!, to }))
    .filter((s) => s.to > s.from)
}

/**
 * A title above columns that happens to end where the first of them does: what stands beside is level with
 * what is below it, not with both.
 */
export function headed(
  m: Mask,
  r: Cells,
  columns: readonly Stretch[],
  lines: readonly Stretch[],
): { head: Cells; below: Cells } | null {
  if (columns.length < 2 || lines.length < 2 || lines[0]!.to - lines[0]!.from > TALLEST_LINE / 2) return null
  const boxes = columns.map((s) => tight(m, { ...r, x: s.from, w: s.to - s.from })!)
  const [first, ...others] = boxes as [Cells, ...Cells[]]
  const head = tight(m, { ...r, h: lines[0]!.to - r.y })!,
    below = tight(m, { ...r, y: lines[1]!.from, h: r.y + r.h - lines[1]!.from })!
  const rest = tight(m, { ...first, y: below.y, h: Math.max(0, first.y + first.h - below.y) })
  if (!rest || head.x + head.w > first.x + first.w || others.some((o) => o.y < below.y)) return null
  const middle = (b: Cells) => b.y + b.h / 2
  const level = (o: Cells) => Math.abs(o.y - rest.y) <= SAME || Math.abs(middle(o) - middle(rest)) <= SAME
  return others.every((o) => level(o) && Math.abs(middle(o) - middle(first)) > OTHER) ? { head, below } : null
}

/**
 * The rows of a grid: rows of equal things, further apart than what belongs together, each with columns of its own. Null where the columns go through.
 */
export function gridRows(
  m: Mask,
  r: Cells,
  columns: readonly Stretch[],
  lines: readonly Stretch[],
): Cells[] | null {
  const between = gapsOf(lines)
  const widest = Math.max(0, ...between)
  const wide = (gap: number) => gap >= WIDEST * widest
  const usual = median(between.filter((gap) => !wide(gap))) || widest
  if (widest < LIKE_COLUMNS * Math.min(...gapsOf(columns)) || lines.length < 3) return null
  if (widest < PLAINLY * usual || between.filter(wide).length >= lines.length - 1) return null
  const out: Cells[] = []
  let from = lines[0]!.from
  for (const [i, line] of lines.entries()) {
    const next = lines[i + 1]
    if (next && !wide(next.from - line.to)) continue
    const row = { ...r, y: from, h: line.to - from }
    if (stretches(m, row, 'columns', GUTTER).length < 2) return null
    const part = tight(m, row)
    if (part) out.push(part)
    if (next) from = next.from
  }
  return out
}

const median = (v: number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1] ?? 0

/**
 * Stretches of columns parted over the whole height. One line of words is not parted by the spaces between
 * its words.
 */
export function columnsOf(f: Finding, m: Mask, r: Cells, lines: readonly Stretch[], c: Context): Stretch[] {
  const single = lines.filter((l) => l.to - l.from > 2).length === 1 && r.h <= TALLEST_LINE
  // Spaces between the words of large letters are wider, and may lie one above the other.
  const tallest = Math.max(...lines.map((l) => l.to - l.from))
  const gap = single
    ? Math.max(36, 2.2 * r.h)
    : tallest <= TALLEST_LINE
      ? Math.max(GUTTER, 0.6 * tallest)
      : GUTTER
  // Pictures, solid from edge to edge, stand closer together than words may.
  const close = tallest > TALLEST_LINE ? stretches(m, r, 'columns', CLOSE) : []
  if (
    close.length > 1 &&
    close.every((s) => fillOf(m, tight(m, { ...r, x: s.from, w: s.to - s.from })!) > SOLID)
  )
    return close
  const beside = besideOf(f, m, r)
  if (beside) return beside
  // Boxes, as buttons are, may stand as close.
  const boxed = single ? stretches(m, r, 'columns', CLOSE) : []
  if (
    boxed.length > 1 &&
    boxed.length <= 4 &&
    boxed.every((s) => isBox(f, m, tight(m, { ...r, x: s.from, w: s.to - s.from })!, c))
  )
    return boxed
  const found = stretches(m, r, 'columns', gap)
  if (found.length < 2) return found
  // A row of icons stays together.
  if (single && iconRow(m, r)) return [{ from: r.x, to: r.x + r.w }]
  // What stands side by side shares some height.
  const heights = found.map((f) => tight(m, { ...r, x: f.from, w: f.to - f.from })!)
  const apart = heights.some(
    (h, i) =>
      i > 0 &&
      Math.min(h.y + h.h, heights[i - 1]!.y + heights[i - 1]!.h) - Math.max(h.y, heights[i - 1]!.y) <
        0.3 * Math.min(h.h, heights[i - 1]!.h),
  )
  return apart && !single ? [{ from: r.x, to: r.x + r.w }] : found
}

function isBox(f: Finding, m: Mask, r: Cells, c: Context): boolean {
  return (
    r.w >= LEAST_BOX.w &&
    r.h >= LEAST_BOX.h &&
    boxOf(f.raster, f.exact(pixelsOf(m, r, f.raster), c.ground), c.ground, f.noise) !== null
  )
}

/**
 * An upright strip, or a picture or mark that fills its place, and the words beside it: they may stand
 * closer than columns do.
 */
function besideOf(f: Finding, m: Mask, r: Cells): Stretch[] | null {
  const found = stretches(m, r, 'columns', CLOSE_MARK)
  if (r.h < LEAST_MARK || found.length < 2 || iconRow(m, r)) return null
  const right = r.x + r.w
  const [edge, next] = [found[0]!, found[1]!],
    last = found.at(-1)!,
    before = found.at(-2)!
  const boxOfColumns = (s: Stretch) => tight(m, { ...r, x: s.from, w: s.to - s.from })!
  const solid = (b: Cells) =>
    b.w >= LEAST_MARK &&
    b.h >= LEAST_MARK &&
    b.w <= 2.5 * b.h &&
    b.h <= 2.5 * b.w &&
    fillOf(m, b) >= SOLID_MARK
  const first = boxOfColumns(edge),
    rest = tight(m, { ...r, x: next.from, w: right - next.from })!
  if (first.w <= THICKEST_BAR && first.h >= 24 && fillOf(m, first) >= SOLID_BAR && rest.h < 0.95 * r.h)
    return [edge, { from: next.from, to: right }]
  if (solid(first) && !solid(boxOfColumns(next))) return [edge, { from: next.from, to: right }]
  return solid(boxOfColumns(last)) && !solid(boxOfColumns(before))
    ? [{ from: r.x, to: before.to }, last]
    : null
}
