import { difference, type Raster, packed, type Rect } from './raster'
import { type Cells, type Mask, type Stretch } from './mask'

/** A coloured strip along one side of a box, as quotations and notes have it. Width in design px. */
export interface Bar {
  side: Side
  width: number
  color: number
}
export type Side = 'left' | 'right' | 'top' | 'bottom'

/**
 * The strip of one colour along a side of a rectangle, or null.
 * @param most its width at most, px
 * @param noise channel difference that is still one colour
 */
export function barOf(raster: Raster, r: Rect, most: number, noise: number): Bar | null {
  const px = packed(raster)
  const limit = noise > 10 ? noise : 4
  for (const side of ['left', 'right', 'top', 'bottom'] as const) {
    const upright = side === 'left' || side === 'right'
    const length = upright ? r.h : r.w,
      across = upright ? r.w : r.h
    if (across < 4 * most || length < 24) continue
    const at = (along: number, deep: number) => {
      const d = side === 'left' || side === 'top' ? deep : across - 1 - deep
      return px[upright ? (r.y + along) * raster.width + r.x + d : (r.y + d) * raster.width + r.x + along]!
    }
    const color = at(length >> 1, 1),
      inner = at(length >> 1, most + 2)
    if (difference(color, inner) <= 2 * limit + 8) continue
    /** Share of the side that has the colour at a depth; the corners may be round. */
    const share = (deep: number) => {
      let n = 0,
        all = 0
      for (let i = Math.floor(0.06 * length); i < 0.94 * length; i += 2, all++)
        if (difference(at(i, deep), color) <= limit) n++
      return n / all
    }
    if (share(1) < 0.95) continue
    // A line all around is a border, not a strip.
    if (difference(at(length >> 1, across - 2), color) <= limit + 8) continue
    let width = 2
    while (width <= most && share(width) >= 0.95) width++
    // JPEG blends the rim of a box over a few px.
    if (width >= (noise > 10 ? 6 : 2) && width <= most && share(width + 1) < 0.1)
      return { side, width, color }
  }
  return null
}

/** A rectangle without a strip along one of its sides. */
export function besides(r: Rect, { side, width }: Bar): Rect {
  const upright = side === 'left' || side === 'right'
  return {
    x: r.x + (side === 'left' ? width : 0),
    y: r.y + (side === 'top' ? width : 0),
    w: r.w - (upright ? width : 0),
    h: r.h - (upright ? 0 : width),
  }
}

/**
 * A frame of dashes or dots: its outer rectangle, the thickness of its line, and the radius of its corners,
 * all in cells.
 */
export interface Dashed extends Cells {
  line: number
  radius: number
  dotted: boolean
}

/**
 * Frames drawn in dashes, which would fall into as many marks. Their lines are filled up in the mask, so that
 * each frame is one piece.
 */
export function dashedFrames(m: Mask): Dashed[] {
  const rows: (Stretch & { y: number; line: number; mean: number })[] = []
  for (let y = 0; y < m.rows; y++) {
    const found = dashesOf(m.ink, y * m.cols, 1, m.cols)
    if (!found) continue
    const last = rows.at(-1)
    if (
      last &&
      last.y + last.line === y &&
      Math.abs(last.from - found.from) <= 2 &&
      Math.abs(last.to - found.to) <= 2
    )
      last.line++
    else rows.push({ ...found, y, line: 1 })
  }
  const out: Dashed[] = []
  for (const top of rows) {
    const bottom = rows.find(
      (b) =>
        b.y > top.y + 16 && b.line <= 8 && Math.abs(b.from - top.from) <= 3 && Math.abs(b.to - top.to) <= 3,
    )
    if (!bottom || top.line > 8 || out.some((o) => top.y < o.y + o.h && top.from < o.x + o.w && top.to > o.x))
      continue
    const h = bottom.y + bottom.line - top.y
    // Round corners reach further out than the straight lines of dashes do.
    const upright = (from: number, step: 1 | -1) => {
      for (let k = -3; k <= Math.min(40, h >> 1); k++) {
        const x = from + k * step
        if (x >= 0 && x < m.cols && dashesOf(m.ink, top.y * m.cols + x, m.cols, h)) return k
      }
      return null
    }
    const left = upright(top.from, -1),
      right = upright(top.to - 1, 1)
    if (left === null || right === null) continue
    let [x0, x1] = [top.from - left, top.to + right]
    for (let k = 1; k < top.line + 1; k++) {
      if (x0 > 0 && dashesOf(m.ink, top.y * m.cols + x0 - 1, m.cols, h)) x0--
      if (x1 < m.cols && dashesOf(m.ink, top.y * m.cols + x1, m.cols, h)) x1++
    }
    const frame: Dashed = {
      x: x0,
      y: top.y,
      w: x1 - x0,
      h,
      line: top.line,
      radius: Math.max(0, left),
      dotted: top.mean <= 1.6 * top.line,
    }
    fill(m, frame)
    out.push(frame)
  }
  return out
}

/**
 * A line of dashes: the stretch it covers and the mean length of a dash. Null where the runs of ink are not
 * even. Asked for every row of a design, it gives up as soon as it can.
 * @param from index of the first cell @param step between cells @param length how many cells
 */
function dashesOf(
  ink: Uint8Array,
  from: number,
  step: number,
  length: number,
): (Stretch & { mean: number }) | null {
  const runs: Stretch[] = []
  let start = -1,
    end = -1
  for (let i = 0, at = from; i <= length; i++, at += step) {
    if (i < length && ink[at]) {
      if (start >= 0) continue
      if (end >= 0 && i - end > WIDEST) return null
      start = i
    } else if (start >= 0) {
      // The first and the last may meet a corner.
      if (runs.length > 1 && runs.at(-1)!.to - runs.at(-1)!.from > LONGEST) return null
      if (i - start > 4 * LONGEST) return null
      runs.push({ from: start, to: i })
      end = i
      start = -1
    }
  }
  if (runs.length < 5) return null
  let least = Infinity,
    most = 0,
    sum = 0,
    narrow = Infinity,
    wide = 0
  for (let i = 1; i < runs.length; i++) {
    const gap = runs[i]!.from - runs[i - 1]!.to
    narrow = Math.min(narrow, gap)
    wide = Math.max(wide, gap)
    if (i === runs.length - 1) continue
    const l = runs[i]!.to - runs[i]!.from
    least = Math.min(least, l)
    most = Math.max(most, l)
    sum += l
  }
  const mean = sum / (runs.length - 2)
  return most - least <= 2 && wide - narrow <= 3 && mean <= LONGEST
    ? { from: runs[0]!.from, to: runs.at(-1)!.to, mean }
    : null
}

/** Of a dash and of the space between two, at most, cells. */
const LONGEST = 16,
  WIDEST = 14

function fill(m: Mask, f: Dashed): void {
  for (let k = 0; k < f.line; k++) {
    for (let x = f.x; x < f.x + f.w; x++) {
      m.ink[(f.y + k) * m.cols + x] = 1
      m.ink[(f.y + f.h - 1 - k) * m.cols + x] = 1
    }
    for (let y = f.y; y < f.y + f.h; y++) {
      m.ink[y * m.cols + f.x + k] = 1
      m.ink[y * m.cols + f.x + f.w - 1 - k] = 1
    }
  }
}
