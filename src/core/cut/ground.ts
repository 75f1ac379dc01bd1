import { hexOf, pack, packed, difference, type Raster, type Rect } from './raster'

/** The ground of an area: its commonest edge colour, and how much of the edge has it. */
export interface Ground {
  color: string
  /** 0 to 1; 1 is a wholly flat edge. */ share: number
}

/**
 * The exact colour around an area: the mode of its outermost pixel ring. A mean would give a colour that
 * stands nowhere in the design. Only where no colour is plainly the commonest (JPEG scatters one colour over
 * its neighbours) is it the median of those around the mode.
 * @param inset how far inside the edge the ring lies, px: away from the ringing of JPEG at a neighbour's edge
 */
export function groundOf(raster: Raster, rect: Rect, inset = 0): Ground {
  const px = packed(raster)
  const counts = new Map<number, number>()
  let total = 0
  const see = (x: number, y: number) => {
    const p = px[y * raster.width + x]!
    counts.set(p, (counts.get(p) ?? 0) + 1)
    total++
  }
  const left = rect.x + inset,
    top = rect.y + inset
  const right = Math.min(rect.x + rect.w, raster.width) - 1 - inset,
    bottom = Math.min(rect.y + rect.h, raster.height) - 1 - inset
  for (let x = left; x <= right; x++) {
    see(x, top)
    if (bottom > top) see(x, bottom)
  }
  for (let y = top + 1; y < bottom; y++) {
    see(left, y)
    if (right > left) see(right, y)
  }
  let mode = 0,
    most = -1
  for (const [p, n] of counts)
    if (n > most) {
      mode = p
      most = n
    }
  const near: [number, number][] = []
  let nearby = 0
  for (const [p, n] of counts)
    if (difference(p, mode) <= 5) {
      near.push([p, n])
      nearby += n
    }
  return { color: hexOf(most >= 0.4 * nearby ? mode : medianOf(near)), share: total ? nearby / total : 0 }
}

/** Channel by channel, the value that half of the pixels do not exceed. */
function medianOf(pixels: [p: number, n: number][]): number {
  const half = pixels.reduce((s, [, n]) => s + n, 0) / 2
  const channel = (shift: number) => {
    const sorted = pixels.map(([p, n]) => [(p >>> shift) & 255, n] as const).sort((a, b) => a[0] - b[0])
    let sum = 0
    for (const [v, n] of sorted) {
      sum += n
      if (sum >= half) return v
    }
    return 0
  }
  return pack(channel(0), channel(8), channel(16))
}
