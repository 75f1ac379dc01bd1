import { toRgb } from '../color/hex'
import type { Corners } from './box-sides'
import { hexOf, packed, type Raster, type Rect } from './raster'

/**
 * The radius of a corner from the area it leaves out: a circle in the corner of a square of side r leaves r
 * squared times (1 - pi / 4). Pixels of the rim count by how much of them is ground, so that the result is
 * finer than a pixel. Median of the four corners.
 */
export function radiusOf(
  raster: Raster,
  rect: Rect,
  ground: number,
  edge: number,
  least: number,
  corners: Corners,
): number {
  const px = packed(raster)
  const side = Math.floor(Math.min(rect.w, rect.h) / 2)
  const [er, eg, eb] = toRgb(hexOf(edge)),
    [gr, gg, gb] = toRgb(hexOf(ground))
  const length = (er - gr) ** 2 + (eg - gg) ** 2 + (eb - gb) ** 2
  if (!length) return 0
  const share = (p: number) =>
    Math.max(
      0,
      Math.min(
        1,
        (((p & 255) - gr) * (er - gr) +
          (((p >>> 8) & 255) - gg) * (eg - gg) +
          (((p >>> 16) & 255) - gb) * (eb - gb)) /
          length,
      ),
    )
  const missing = (cx: number, cy: number, dx: 1 | -1, dy: 1 | -1) => {
    const rows = Array.from({ length: side }, (_, j) => {
      let row = 0
      for (let i = 0; i < side; i++) {
        const out = 1 - share(px[(cy + j * dy) * raster.width + cx + i * dx]!)
        if (out < least) break
        row += out
      }
      return row
    })
    // Where the side is straight nothing is missing: what is, is a rectangle a little too wide. A row without
    // any of the box lies outside it.
    const wide = Math.min(4, rows[side - 1] ?? 0, rows[side - 2] ?? 0)
    let sum = 0
    for (const [j, row] of rows.entries()) {
      if (j < 4 && row >= 0.8 * side) continue
      if (row <= wide) break
      sum += row - wide
    }
    return sum
  }
  const r = rect.x + rect.w - 1,
    b = rect.y + rect.h - 1
  const lower = [missing(rect.x, b, 1, -1), missing(r, b, -1, -1)]
  const found = [
    ...lower,
    ...(corners === 'all' ? [missing(rect.x, rect.y, 1, 1), missing(r, rect.y, -1, 1)] : lower),
  ]
    .map((m) => Math.sqrt(m / (1 - Math.PI / 4)))
    .sort((a, c) => a - c)
  const radius = (found[1]! + found[2]!) / 2
  return radius < 0.8 ? 0 : Math.min(side, Math.round(radius * 2) / 2)
}
