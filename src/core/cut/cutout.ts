import { colorDifference } from '../color/difference'
import { toRgb } from '../color/hex'
import { difference, hexOf, pack, packed, packHex, type Raster, type Rect } from './raster'

/**
 * A mark without its ground. Each pixel is taken for a blend `a * ink + (1 - a) * ground`; the ink of a rim
 * is that of the nearest solid pixel, so that no ground is left in it (un-premultiplied: Porter and Duff,
 * 1984) and no halo shows on another colour. Laid back on its ground it gives the same pixels.
 * @param ground the flat colour to take out, `#rrggbb`
 */
export function cutout(raster: Raster, rect: Rect, ground: string): Raster {
  const px = packed(raster)
  const g = toRgb(ground),
    packedGround = packHex(ground)
  const { w, h } = rect
  const out = new Uint8Array(w * h * 4)
  const at = (x: number, y: number) => px[(rect.y + y) * raster.width + rect.x + x]!
  /** Within reach of the ground: where blends may lie. */
  const bare = new Uint8Array(w * h)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) if (difference(at(x, y), packedGround) <= 1) bare[y * w + x] = 1
  const nearGround = (x: number, y: number, reach: number) => {
    for (let j = Math.max(0, y - reach); j <= Math.min(h - 1, y + reach); j++)
      for (let i = Math.max(0, x - reach); i <= Math.min(w - 1, x + reach); i++)
        if (bare[j * w + i]) return true
    return false
  }
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = (y * w + x) * 4
      if (bare[y * w + x]) continue
      const p = at(x, y)
      const c = [p & 255, (p >>> 8) & 255, (p >>> 16) & 255]
      let alpha = 1,
        ink: readonly number[] = c
      if (nearGround(x, y, 2)) {
        // The solid ink beside it: of the pixels around, the one farthest from the ground on the same side.
        let best = p,
          farthest = difference(p, packedGround)
        for (let j = Math.max(0, y - 2); j <= Math.min(h - 1, y + 2); j++)
          for (let k = Math.max(0, x - 2); k <= Math.min(w - 1, x + 2); k++) {
            const q = at(k, j),
              d = difference(q, packedGround)
            if (d > farthest) {
              farthest = d
              best = q
            }
          }
        const solid = [best & 255, (best >>> 8) & 255, (best >>> 16) & 255]
        const axis = solid.map((v, n) => v - g[n]!),
          length = axis.reduce((s, v) => s + v * v, 0)
        const along = length ? c.reduce((s, v, n) => s + (v - g[n]!) * axis[n]!, 0) / length : 1
        alpha = Math.max(0, Math.min(1, along))
        // The least alpha with which an ink within 0 to 255 gives this pixel back.
        const least = Math.max(
          ...c.map((v, n) =>
            v > g[n]! ? (v - g[n]!) / (255 - g[n]! || 1) : v < g[n]! ? (g[n]! - v) / (g[n]! || 1) : 0,
          ),
        )
        const a = Math.max(Math.ceil(Math.max(alpha, least) * 255), 1) / 255
        alpha = Math.min(1, a)
        ink = c.map((v, n) => Math.max(0, Math.min(255, (v - (1 - alpha) * g[n]!) / alpha)))
      }
      out[i] = Math.round(ink[0]!)
      out[i + 1] = Math.round(ink[1]!)
      out[i + 2] = Math.round(ink[2]!)
      out[i + 3] = Math.round(alpha * 255)
    }
  return { width: w, height: h, data: out }
}

/** A picture with alpha laid on a colour, opaque. */
export function laidOn(mark: Raster, ground: string): Raster {
  const g = toRgb(ground)
  const data = new Uint8Array(mark.data.length)
  for (let i = 0; i < data.length; i += 4) {
    const a = mark.data[i + 3]! / 255
    for (let k = 0; k < 3; k++) data[i + k] = Math.round(mark.data[i + k]! * a + g[k]! * (1 - a))
    data[i + 3] = 255
  }
  return { ...mark, data }
}

/**
 * How much of a mark would vanish on a ground: the share of its opaque pixels whose colour the eye hardly
 * tells from it (CIEDE2000 under 12), 0 to 1.
 */
export function vanishing(mark: Raster, ground: string): number {
  const counts = new Map<number, number>()
  let total = 0
  for (let i = 0; i < mark.data.length; i += 4) {
    if (mark.data[i + 3]! < 128) continue
    total++
    const bin = ((mark.data[i]! >> 3) << 10) | ((mark.data[i + 1]! >> 3) << 5) | (mark.data[i + 2]! >> 3)
    counts.set(bin, (counts.get(bin) ?? 0) + 1)
  }
  let gone = 0
  for (const [bin, n] of counts) {
    const [r, g, b] = [(bin >> 10) << 3, ((bin >> 5) & 31) << 3, (bin & 31) << 3]
    if (colorDifference(hexOf(pack(r, g, b)), ground) < 12) gone += n
  }
  return total ? gone / total : 0
}

/** A thin line of one colour around a mark, half a pixel soft, drawn under it. @param width px */
export function outlined(mark: Raster, color: string, width: number): Raster {
  const pad = Math.ceil(width) + 1
  const [W, H] = [mark.width + 2 * pad, mark.height + 2 * pad]
  const rgb = toRgb(color)
  const alpha = (x: number, y: number) =>
    x < 0 || y < 0 || x >= mark.width || y >= mark.height ? 0 : mark.data[(y * mark.width + x) * 4 + 3]! / 255
  const data = new Uint8Array(W * H * 4)
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      let around = 0
      for (let j = -pad; j <= pad; j++)
        for (let i = -pad; i <= pad; i++) {
          const reach = Math.max(0, Math.min(1, width + 0.5 - Math.hypot(i, j)))
          if (reach > 0) around = Math.max(around, reach * alpha(x + i - pad, y + j - pad))
        }
      const own = alpha(x - pad, y - pad)
      const a = own + around * (1 - own)
      const o = (y * W + x) * 4,
        m = ((y - pad) * mark.width + x - pad) * 4
      for (let k = 0; k < 3; k++)
        data[o + k] = a
          ? Math.round(((own ? mark.data[m + k]! : 0) * own + rgb[k]! * around * (1 - own)) / a)
          : 0
      data[o + 3] = Math.round(a * 255)
    }
  return { width: W, height: H, data }
}
