import { dashedFrames } from '../frames'
import { groundOf } from '../ground'
import { joins, judge, TALLEST_LINE, type Judged } from '../judge'
import {
  maskOf,
  pixelsOf,
  roundOff,
  stretches,
  tight,
  withoutRims,
  type Cells,
  type Mask,
  type Stretch,
} from '../mask'
import { around, difference, packHex, type Rect } from '../raster'
import { opened, THICKEST_BAR } from './boxes'
import { columnsOf, gridRows, headed, tableRows, uprightRules } from './columns'
import type { Context, Finding, Inner } from './finding'

/** JPEG whose noise is above this leaves rims of so many px beside other grounds, channel difference and design px. */
const NOISY = 8
const RIM = 8
/** What a strip beside words measures: least height, and how near the words stand, px of the email. */
const LEAST_BAR = 24
const BESIDE = 60
/** How far words may reach beyond the strip, px of the email. */
const BEYOND = 4
/** A strip whose rim has this share of one colour is of that colour. */
const ONE_COLOR = 0.9
/** A speck: so many cells, and a colour so near to the ground (channel difference). */
const SPECK = 24
const FAINT = 48

/** Everything that stands on one ground inside a rectangle. */
export function area(f: Finding, { rect, ground, frame, depth, radius }: Inner): void {
  const g = packHex(ground)
  const mask = maskOf(f.px, f.raster.width, rect, g, f.noise, f.cell)
  roundOff(mask, radius)
  if (f.noise > NOISY)
    withoutRims(mask, Math.ceil(RIM / f.cell), depth ? { above: true, below: true } : f.seams)
  const dashed = dashedFrames(mask)
  const all = tight(mask, { x: 0, y: 0, w: mask.cols, h: mask.rows })
  const from = f.parts.length
  if (all) rows(f, mask, all, { ground, depth, frame, dashed })
  besideBars(f, from, ground, frame)
}

/**
 * An upright strip beside words is the side of a panel around them, without a ground of its own: as
 * quotations have it.
 */
function besideBars(f: Finding, from: number, ground: string, frame: Rect): void {
  const s = f.scale
  for (const bar of f.parts.slice(from)) {
    if (
      bar.kind !== 'drawing' ||
      bar.w > THICKEST_BAR * s ||
      bar.h < LEAST_BAR * s ||
      bar.h < 3 * bar.w ||
      f.panels.some((p) => p.box.bar && p.x === bar.x && p.y === bar.y)
    )
      continue
    const color = groundOf(f.raster, bar, 0)
    if (color.share < ONE_COLOR) continue
    const beside = f.parts.filter(
      (p) =>
        p !== bar &&
        p.y >= bar.y - BEYOND * s &&
        p.y + p.h <= bar.y + bar.h + BEYOND * s &&
        p.x >= bar.x + bar.w,
    )
    if (
      !beside.length ||
      Math.min(...beside.map((p) => p.x)) > bar.x + BESIDE * s ||
      f.parts.some(
        (p) => p !== bar && !beside.includes(p) && p.y < bar.y + bar.h && p.y + p.h > bar.y && p.x >= bar.x,
      )
    )
      continue
    // It reaches as far from the right as the strip stands from the left.
    const rect = around([
      bar,
      ...beside,
      { ...bar, w: Math.max(bar.w, frame.x + frame.w - (bar.x - frame.x) - bar.x) },
    ])
    f.parts.splice(f.parts.indexOf(bar), 1)
    f.panels.push({
      ...rect,
      box: { color: ground, radius: 0, bar: { side: 'left', width: bar.w, color: packHex(color.color) } },
    })
  }
}

/** Columns first where an empty column parts the whole height, unless the rows are parted more plainly. */
function rows(f: Finding, m: Mask, r: Cells, c: Context): void {
  if (openedInto(f, m, r, c)) return
  const parted = uprightRules(m, r)
  if (parted) {
    for (const part of parted) column(f, m, part, c)
    return
  }
  const lines = stretches(m, r, 'rows', 1)
  const columns = columnsOf(f, m, r, lines, c)
  const heads = tableRows(m, r, columns)
  if (heads) {
    for (const { from, to } of heads) {
      const part = tight(m, { ...r, y: from, h: to - from })
      if (part) rows(f, m, part, c)
    }
    return
  }
  const title = headed(m, r, columns, lines)
  if (title) {
    rows(f, m, title.head, c)
    rows(f, m, title.below, c)
    return
  }
  if (columns.length < 2) return stack(f, m, r, lines, c)
  const grid = gridRows(m, r, columns, lines)
  if (grid) for (const part of grid) rows(f, m, part, c)
  else for (const col of columns) column(f, m, { ...r, x: col.from, w: col.to - col.from }, c)
}

/** What is in a box is taken apart in its turn. @returns false where it is no box */
function openedInto(f: Finding, m: Mask, r: Cells, c: Context): boolean {
  const inner = opened(f, m, r, c)
  inner?.forEach((i) => area(f, i))
  return inner !== null
}
function column(f: Finding, m: Mask, r: Cells, c: Context): void {
  const inner = tight(m, r)
  if (inner) rows(f, m, inner, { ...c, frame: pixelsOf(m, inner, f.raster) })
}

/** Things one under the other: letters of one size are taken together, the rest stands alone. */
function stack(f: Finding, m: Mask, r: Cells, lines: readonly Stretch[], c: Context): void {
  if (lines.length > 1) {
    const single = lines.map((line): Judged => {
      const cells = tight(m, { ...r, y: line.from, h: line.to - line.from })!
      return { cells, ...judge(m, cells, f.raster, c.ground, f.noise), last: cells.h }
    })
    // Twice, since a line whose dots stood apart is told for what it is only with them.
    const groups = joined(f, m, joined(f, m, single, c), c)
    if (groups.length > 1) {
      for (const g of groups) rest(f, m, g.cells, c, g)
      return
    }
    return rest(f, m, groups[0]!.cells, c, groups[0]!)
  }
  const judged = judge(m, r, f.raster, c.ground, f.noise)
  rest(f, m, r, c, judged)
}

/**
 * What belongs together, taken together: specks above and below letters (dots, accents) and the pieces of a
 * drawing go to what is nearest.
 */
function joined(f: Finding, m: Mask, parts: readonly Judged[], c: Context): Judged[] {
  const out: Judged[] = []
  for (const part of parts) {
    const last = out.at(-1)
    if (!last || !joins(last, part, part.cells.y - (last.cells.y + last.cells.h), f.cell)) {
      out.push({ ...part })
      continue
    }
    const words = last.kind === 'words'
    last.cells = union(last.cells, part.cells)
    last.last = part.last
    last.sure = Math.min(last.sure, part.sure)
    // Of a line and the dots above it the whole line tells what it is.
    if (!words) Object.assign(last, judge(m, last.cells, f.raster, c.ground, f.noise), { sure: last.sure })
  }
  return out
}

/** A stretch of its own: opened where it is a box, parted where it has columns, else a part. */
function rest(
  f: Finding,
  m: Mask,
  r: Cells,
  c: Context,
  judged: Pick<Judged, 'kind' | 'sure' | 'looks'>,
): void {
  if (openedInto(f, m, r, c)) return
  if (judged.kind !== 'words' || r.h <= TALLEST_LINE) {
    const lines = stretches(m, r, 'rows', 1)
    const columns = judged.kind === 'icons' ? [] : columnsOf(f, m, r, lines, c)
    if (columns.length > 1) {
      for (const col of columns) column(f, m, { ...r, x: col.from, w: col.to - col.from }, c)
      return
    }
  }
  // Specks are noise or a neighbour's rim.
  if (
    judged.kind === 'drawing' &&
    r.w * r.h <= SPECK &&
    difference(judged.looks.color, packHex(c.ground)) < FAINT
  )
    return
  if ((r.h <= 1 && judged.kind !== 'rule') || (r.w < 3 && r.h < 3)) return
  f.parts.push({
    ...f.exact(pixelsOf(m, r, f.raster), c.ground),
    kind: judged.kind,
    sure: judged.sure,
    frame: c.frame,
    ground: c.ground,
  })
}

const union = (a: Cells, b: Cells): Cells => {
  const x = Math.min(a.x, b.x),
    y = Math.min(a.y, b.y)
  return { x, y, w: Math.max(a.x + a.w, b.x + b.w) - x, h: Math.max(a.y + a.h, b.y + b.h) - y }
}
