import type { BoxLook } from '../plan'
import { difference, hexOf, packed, type Raster, type Rect } from '../raster'

/** What a button on a picture measures, px of the email. */
export const SIZE = { w: [56, 420], h: [22, 80] } as const
/** Neighbours are of one thing within this, channel difference: a button's own slope of colour is finer. */
export const STEP = 6
/** An edge is no thicker, px of the email; it stands off what is beside it by more than that, channel difference. */
export const THICK = 4
export const OFF = 20

export const pixel = (raster: Raster, x: number, y: number): number => packed(raster)[y * raster.width + x]!

/** A level line: thin, of one colour, another one above and below. */
interface Stroke {
  x0: number
  x1: number
  y: number
  thick: number
  color: number
  /** Where its last row begins and ends. */
  last: { x0: number; x1: number }
}

/** The outermost rows of a box begin and end within this, and their corners are alike within that, px of the email. */
const LEVEL = 3
const CORNER = 2
/** An edge is blended where it turns. */
const TURNED = 70

/** The boxes that are drawn as an edge alone: two level lines, one below the other, with sides where they end. */
export function edgesIn(raster: Raster, rect: Rect, scale: number): { t: Rect; box: BoxLook }[] {
  const lines = strokes(raster, rect, scale)
  const out: { t: Rect; box: BoxLook }[] = []
  for (const upper of lines)
    for (const lower of lines) {
      const h = lower.y + lower.thick - upper.y
      if (h < SIZE.h[0] * scale || h > SIZE.h[1] * scale || difference(upper.color, lower.color) > OFF)
        continue
      const off = [upper.x0 - lower.last.x0, upper.x1 - lower.last.x1]
      if (off.some((v) => Math.abs(v) > LEVEL * scale)) continue
      const [left, right] = [sideOf(raster, upper, h, -1), sideOf(raster, upper, h, 1)]
      if (left === null || right === null) continue
      const corners = [upper.x0 - left, right - upper.x1]
      if (Math.abs(corners[0]! - corners[1]!) > CORNER * scale) continue
      const radius =
        Math.max(...corners) >= 0.4 * h ? h / 2 : Math.min(...corners) > scale ? Math.min(...corners) : 0
      const inside = pixel(raster, (upper.x0 + upper.x1) >> 1, upper.y + upper.thick + Math.round(2 * scale))
      out.push({
        t: { x: left, y: upper.y, w: right - left + 1, h },
        box: {
          background: hexOf(inside),
          radius: Math.min(200, Math.round(radius / scale)),
          borderWidth: Math.max(1, Math.round(upper.thick / scale)),
          borderColor: hexOf(upper.color),
        },
      })
    }
  return out
}

/** Where the side of a box stands, found from the end of its upper line at half its height; null where there is none. */
function sideOf(raster: Raster, { x0, x1, y, color }: Stroke, h: number, way: 1 | -1): number | null {
  const row = y + (h >> 1)
  const from = way < 0 ? x0 : x1
  // From without: letters are of the same colour.
  for (let k = Math.ceil(h / 2) + 2; k >= -3; k--) {
    const x = from + way * k
    if (x >= 0 && x < raster.width && difference(pixel(raster, x, row), color) <= TURNED) return x
  }
  return null
}

/** The level lines of a part of a design. */
function strokes(raster: Raster, { x: left, y: top, w, h }: Rect, scale: number): Stroke[] {
  const px = packed(raster)
  const least = Math.round(0.3 * SIZE.w[0] * scale)
  const out: Stroke[] = []
  for (let y = top; y < top + h; y++) {
    let from = left
    for (let x = left + 1; x <= left + w; x++) {
      const at = y * raster.width + x
      if (x < left + w && difference(px[at]!, px[at - 1]!) <= STEP) continue
      if (x - from >= least) {
        const line = strokeAt(raster, from, x - 1, y, scale)
        if (line) out.push(line)
      }
      from = x
    }
  }
  return out
}

/** The line whose first row a run of one colour is; null where it is none. */
function strokeAt(raster: Raster, x0: number, x1: number, y: number, scale: number): Stroke | null {
  const middle = (x0 + x1) >> 1
  const color = pixel(raster, middle, y)
  // Away from its ends, where sides begin.
  const probes = [0.2, 0.35, 0.5, 0.65, 0.8].map((part) => Math.round(x0 + part * (x1 - x0)))
  const off = (row: number) =>
    row < 0 || row >= raster.height || probes.every((x) => difference(pixel(raster, x, row), color) > OFF)
  if (!off(y - 1) && !off(y - 2)) return null
  if (y > 0 && difference(pixel(raster, middle, y - 1), color) <= OFF) return null
  let thick = 1
  while (
    thick <= THICK * scale &&
    y + thick < raster.height &&
    difference(pixel(raster, middle, y + thick), color) <= OFF
  )
    thick++
  if (thick > THICK * scale || !off(y + thick + 1)) return null
  // Where corners are round its rows differ in length.
  const last = y + thick - 1
  let [l, r] = [middle, middle]
  while (l > 0 && difference(pixel(raster, l - 1, last), color) <= OFF) l--
  while (r < raster.width - 1 && difference(pixel(raster, r + 1, last), color) <= OFF) r++
  return { x0, x1, y, thick, color, last: { x0: l, x1: r } }
}
