import { differs, type Rect } from './raster'
import { isShade } from './slopes'

/**
 * Where an area differs from its ground, one cell for each px of the email: the picture that parts are found
 * in. Far fewer cells than pixels, and a letter's stem is never narrower than one.
 */
export interface Mask {
  /** Of the area, design px. */
  origin: { x: number; y: number }
  /** Design px along a side of a cell. */
  cell: number
  cols: number
  rows: number
  /** 1 where any pixel of the cell differs from the ground. */
  ink: Uint8Array
}

/** A rectangle of cells; right and bottom are not part of it. */
export interface Cells {
  x: number
  y: number
  w: number
  h: number
}

/**
 * Up to this channel difference a colour is the ground, whatever it looks like: on a noisy design, and on a
 * clean one.
 */
const SAME = { noisy: 8, clean: 3 }

/**
 * @param px the design's pixels, packed
 * @param tolerance channel difference that is still the ground, 0 to 255; of a noisy design more than that of
 * a clean one. What differs less counts only where it is flat, as a pale box is; ringing is not, nor is a
 * shadow.
 */
export function maskOf(
  px: Int32Array,
  width: number,
  area: Rect,
  ground: number,
  tolerance: number,
  cell: number,
): Mask {
  const cols = Math.ceil(area.w / cell),
    rows = Math.ceil(area.h / cell)
  const ink = new Uint8Array(cols * rows)
  const right = area.x + area.w
  // Of larger cells every other pixel is read, like the white fields of a chess board: even a line of one
  // pixel meets some.
  const stride = cell > 1 ? 2 : 1
  const same = tolerance > 10 ? SAME.noisy : SAME.clean
  const shade = Math.max(3, Math.round(3 * cell))
  const cellOf = new Uint16Array(area.w)
  for (let x = 0; x < area.w; x++) cellOf[x] = Math.floor(x / cell)
  for (let y = area.y; y < area.y + area.h; y++) {
    const line = Math.floor((y - area.y) / cell) * cols
    const row = y * width
    for (let x = area.x + (stride > 1 ? (y - area.y) & 1 : 0); x < right; x += stride) {
      const p = px[row + x]!
      if (p === ground) continue
      const at = line + cellOf[x - area.x]!
      if (ink[at]) continue
      if (
        (differs(p, ground, tolerance) ||
          (differs(p, ground, SAME.clean) &&
            isFlat(px, width, x, y, area) &&
            (differs(p, ground, same) || isWide(px, width, x, y, area)))) &&
        !isShade(px, width, x, y, right, area.y + area.h, ground, shade)
      )
        ink[at] = 1
    }
  }
  return { origin: { x: area.x, y: area.y }, cell, cols, rows, ink }
}

/** Whether a pixel goes on as it is, to the right or the left and below or above. */
function isFlat(
  px: Int32Array,
  width: number,
  x: number,
  y: number,
  { x: left, y: top, w, h }: Rect,
): boolean {
  const i = y * width + x,
    p = px[i]
  return (
    ((x + 2 < left + w && px[i + 1] === p && px[i + 2] === p) ||
      (x - 2 >= left && px[i - 1] === p && px[i - 2] === p)) &&
    ((y + 1 < top + h && px[i + width] === p) || (y > top && px[i - width] === p))
  )
}

/** More than two blocks of JPEG, px: what it shifts as a whole is smaller. */
const WIDE = 20

/** Whether a pixel goes on as it is for more than JPEG shifts by itself, to one side and up or down. */
function isWide(
  px: Int32Array,
  width: number,
  x: number,
  y: number,
  { x: left, y: top, w, h }: Rect,
): boolean {
  const i = y * width + x,
    p = px[i]
  const goes = (step: number, room: number) => {
    if (room <= WIDE) return false
    for (let k = 1; k <= WIDE; k++) if (px[i + k * step] !== p) return false
    return true
  }
  return (goes(1, left + w - x) || goes(-1, x - left)) && (goes(width, top + h - y) || goes(-width, y - top))
}

/**
 * A rectangle drawn in to the outermost pixels that are not the ground, by at most a few on each side.
 * @param most px
 */
export function exactly(
  px: Int32Array,
  width: number,
  r: Rect,
  ground: number,
  tolerance: number,
  most: number,
): Rect {
  const inked = (x: number, y: number) => differs(px[y * width + x]!, ground, tolerance)
  let { x, y } = r,
    right = r.x + r.w,
    bottom = r.y + r.h
  const row = (at: number) => {
    for (let i = x; i < right; i++) if (inked(i, at)) return true
    return false
  }
  const column = (at: number) => {
    for (let j = y; j < bottom; j++) if (inked(at, j)) return true
    return false
  }
  for (let k = 0; k < most && bottom - y > 1 && !row(y); k++) y++
  for (let k = 0; k < most && bottom - y > 1 && !row(bottom - 1); k++) bottom--
  for (let k = 0; k < most && right - x > 1 && !column(x); k++) x++
  for (let k = 0; k < most && right - x > 1 && !column(right - 1); k++) right--
  return { x, y, w: right - x, h: bottom - y }
}

/** The cells around whatever stands in a rectangle of cells, or null where nothing does. */
export function tight(m: Mask, r: Cells): Cells | null {
  const right = r.x + r.w
  let top = -1,
    bottom = -1,
    from = right,
    to = r.x - 1
  for (let y = r.y; y < r.y + r.h; y++) {
    const row = y * m.cols
    // Only what lies outside the span found so far can widen it.
    let any = false
    for (let x = r.x; x < from; x++)
      if (m.ink[row + x]) {
        from = x
        any = true
        break
      }
    for (let x = right - 1; x > to; x--)
      if (m.ink[row + x]) {
        to = x
        any = true
        break
      }
    if (!any)
      for (let x = from; x <= to; x++)
        if (m.ink[row + x]) {
          any = true
          break
        }
    if (!any) continue
    if (top < 0) top = y
    bottom = y
  }
  return top < 0 ? null : { x: from, y: top, w: to - from + 1, h: bottom - top + 1 }
}

/** A stretch of rows or columns; `to` is not part of it. */
export interface Stretch {
  from: number
  to: number
}

/** The stretches of rows (or columns) that hold something, parted by empty ones of at least `gap` cells. */
export function stretches(m: Mask, r: Cells, along: 'rows' | 'columns', gap: number): Stretch[] {
  const filled = profile(m, r, along)
  const out: Stretch[] = []
  const start = along === 'rows' ? r.y : r.x
  for (let i = 0; i < filled.length; i++) {
    if (!filled[i]) continue
    const last = out.at(-1)
    if (last && start + i - last.to < Math.max(1, gap)) last.to = start + i + 1
    else out.push({ from: start + i, to: start + i + 1 })
  }
  return out
}

/** The spaces between stretches. */
export const gapsOf = (s: readonly Stretch[]): number[] => s.slice(1).map((x, i) => x.from - s[i]!.to)

// One rectangle is asked for its rows and columns several times over.
const profiles = new WeakMap<Mask, Map<string, Uint8Array>>()

/** Which rows (or columns) of a rectangle of cells hold anything. */
function profile(m: Mask, r: Cells, along: 'rows' | 'columns'): Uint8Array {
  const known = profiles.get(m) ?? new Map<string, Uint8Array>()
  if (!known.size) profiles.set(m, known)
  const key = `${along}${r.x},${r.y},${r.w},${r.h}`
  const before = known.get(key)
  if (before) return before
  const n = along === 'rows' ? r.h : r.w
  const filled = new Uint8Array(n)
  const right = r.x + r.w
  let open = n
  for (let y = r.y; y < r.y + r.h && open; y++) {
    const row = y * m.cols
    if (along === 'rows') {
      for (let x = r.x; x < right; x++)
        if (m.ink[row + x]) {
          filled[y - r.y] = 1
          break
        }
    } else
      for (let x = r.x, i = 0; x < right; x++, i++)
        if (m.ink[row + x] && !filled[i]) {
          filled[i] = 1
          open--
        }
  }
  known.set(key, filled)
  return filled
}

/** Share of cells that hold something. */
export function fillOf(m: Mask, r: Cells): number {
  let n = 0
  for (let y = r.y; y < r.y + r.h; y++)
    for (let x = r.x, i = y * m.cols + r.x; x < r.x + r.w; x++, i++) n += m.ink[i]!
  return n / (r.w * r.h)
}

/** A rectangle of cells in design px, within the design. */
export function pixelsOf(m: Mask, r: Cells, size: { width: number; height: number }): Rect {
  const x = m.origin.x + r.x * m.cell,
    y = m.origin.y + r.y * m.cell
  return { x, y, w: Math.min(size.width - x, r.w * m.cell), h: Math.min(size.height - y, r.h * m.cell) }
}

/**
 * Empties the cells outside the round corners of a box, where what lies around it shows.
 * @param radius design px
 */
export function roundOff(m: Mask, radius: number): void {
  const r = Math.ceil(radius / m.cell)
  for (let y = 0; y < Math.min(r, m.rows); y++)
    for (let x = 0; x < Math.min(r, m.cols); x++) {
      if (Math.hypot(r - x - 0.5, r - y - 0.5) < r - 1) continue
      for (const i of [
        y * m.cols + x,
        y * m.cols + m.cols - 1 - x,
        (m.rows - 1 - y) * m.cols + x,
        (m.rows - 1 - y) * m.cols + m.cols - 1 - x,
      ])
        m.ink[i] = 0
    }
}

/**
 * Empties what touches the upper or lower border and is no taller than a few rows: there a neighbour's colour
 * rings through.
 * @param most rows
 */
export function withoutRims(m: Mask, most: number, at: { above: boolean; below: boolean }): void {
  const empty = (y: number) => {
    for (let x = 0, i = y * m.cols; x < m.cols; x++, i++) if (m.ink[i]) return false
    return true
  }
  for (const [from, step] of [
    [0, 1],
    [m.rows - 1, -1],
  ] as const) {
    if (!(step > 0 ? at.above : at.below)) continue
    let n = 0
    while (n <= most && n < m.rows && !empty(from + n * step)) n++
    if (n > 0 && n <= most)
      for (let k = 0; k < n; k++) m.ink.fill(0, (from + k * step) * m.cols, (from + k * step + 1) * m.cols)
  }
}
