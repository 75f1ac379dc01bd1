import { hexOf, packed, difference, type Raster, type Rect } from './raster'

/** The ground of an area: its commonest edge colour, and how much of the edge has it. */
export interface Ground { color: string; /** 0 to 1; 1 is a wholly flat edge. */ share: number }

/** The exact colour around an area: the mode of its outermost pixel ring. A mean would give a colour that stands nowhere in the design. */
export function groundOf(raster: Raster, rect: Rect): Ground {
  const px = packed(raster)
  const counts = new Map<number, number>()
  let total = 0
  const see = (x: number, y: number) => {
    const p = px[y * raster.width + x]!
    counts.set(p, (counts.get(p) ?? 0) + 1)
    total++
  }
  const right = Math.min(rect.x + rect.w, raster.width) - 1, bottom = Math.min(rect.y + rect.h, raster.height) - 1
  for (let x = rect.x; x <= right; x++) { see(x, rect.y); if (bottom > rect.y) see(x, bottom) }
  for (let y = rect.y + 1; y < bottom; y++) { see(rect.x, y); if (right > rect.x) see(right, y) }
  let mode = 0, most = -1
  for (const [p, n] of counts) if (n > most) { mode = p; most = n }
  let near = 0
  for (const [p, n] of counts) if (difference(p, mode) <= 3) near += n
  return { color: hexOf(mode), share: total ? near / total : 0 }
}
