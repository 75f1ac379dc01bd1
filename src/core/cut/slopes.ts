import { differs, pack, packed, type Raster, type Rect } from './raster'

/**
 * How far a slope of colour may go from one row to the next, and how unlike its two margins may be: 0 to 255.
 */
const STEEPEST = 4,
  UNLIKE = 8
/** Pixels this near to the slope's colour at their place are its ground. */
const NEAR = 3

/**
 * A band whose ground is a slope of colour from top to bottom or from side to side, with that ground made one
 * colour (that of its middle), so that what stands on it can be told. Null where the ground is no such slope.
 * The raster given back is of the band alone.
 */
export function withoutSlope(raster: Raster, band: Rect): Raster | null {
  const px = packed(raster)
  const inset = 3
  for (const down of [true, false]) {
    const length = down ? band.h : band.w
    if (length < 4 * inset) continue
    const at = (i: number, far: boolean) =>
      down
        ? px[(band.y + i) * raster.width + (far ? band.x + band.w - 1 - inset : band.x + inset)]!
        : px[(far ? band.y + band.h - 1 - inset : band.y + inset) * raster.width + band.x + i]!
    const near = Int32Array.from({ length }, (_, i) => at(i, false))
    let alike = 0,
      gentle = 0
    for (let i = 0; i < length; i++) {
      if (!differs(near[i]!, at(i, true), UNLIKE)) alike++
      if (i > 0 && !differs(near[i]!, near[i - 1]!, STEEPEST)) gentle++
    }
    if (alike < 0.93 * length || gentle < 0.97 * (length - 1)) continue
    const middle = near[length >> 1]!
    const out = new Int32Array(band.w * band.h)
    for (let y = 0; y < band.h; y++)
      for (let x = 0, i = (band.y + y) * raster.width + band.x; x < band.w; x++, i++) {
        const p = px[i]!,
          own = near[down ? y : x]!
        // A shadow on the slope is brought along with it, so that it is one on the ground.
        out[y * band.w + x] = !differs(p, own, NEAR) ? middle : darker(p, own) ? shifted(p, own, middle) : p
      }
    return { width: band.w, height: band.h, data: new Uint8Array(out.buffer) }
  }
  return null
}

/** Whether a colour may be a shadow on another: no channel lighter, none much darker. */
function darker(p: number, ground: number): boolean {
  for (let shift = 0; shift <= 16; shift += 8) {
    const d = ((ground >>> shift) & 255) - ((p >>> shift) & 255)
    if (d < -2 || d > DEEPEST) return false
  }
  return true
}
/** How much darker a soft shadow is than its ground at most, 0 to 255. */
const DEEPEST = 64

const shifted = (p: number, from: number, to: number): number => {
  const channel = (shift: number) =>
    Math.max(0, Math.min(255, ((p >>> shift) & 255) - ((from >>> shift) & 255) + ((to >>> shift) & 255)))
  return pack(channel(0), channel(8), channel(16))
}

/**
 * Whether a pixel belongs to a soft shadow or a glow: near the ground's colour, and shading off slowly. A
 * pale box is as near to the ground, but flat.
 * @param reach px over which it shades off
 */
export function isShade(
  px: Int32Array,
  width: number,
  x: number,
  y: number,
  right: number,
  bottom: number,
  ground: number,
  reach: number,
): boolean {
  const p = px[y * width + x]!
  if (differs(p, ground, DEEPEST)) return false
  // On three sides at least it goes on nearly as it is, and near by or a little further it is another shade,
  // not the ground.
  let gentle = 0,
    shades = 0
  for (let side = 0; side < 4; side++) {
    const dx = side === 0 ? 1 : side === 1 ? -1 : 0,
      dy = side === 2 ? 1 : side === 3 ? -1 : 0
    const q = colorAt(px, width, x + dx * reach, y + dy * reach, right, bottom, ground)
    if (!differs(p, q, STEEPEST + 2)) {
      gentle++
      if (q !== p && q !== ground) shades++
    }
    if (gentle + 3 - side < 3) return false
    const far = colorAt(px, width, x + 3 * dx * reach, y + 3 * dy * reach, right, bottom, ground)
    if (far !== p && far !== ground && !differs(p, far, 14)) shades++
  }
  return shades > 0
}

const colorAt = (
  px: Int32Array,
  width: number,
  x: number,
  y: number,
  right: number,
  bottom: number,
  outside: number,
): number => (x < 0 || y < 0 || x >= right || y >= bottom ? outside : px[y * width + x]!)

/**
 * A rectangle without the soft shadow around it: each side moved in to where the colour jumps, by at most a
 * few px.
 * @param most px
 */
export function withoutShade(raster: Raster, r: Rect, most: number): Rect {
  const px = packed(raster)
  const inward = (x: number, y: number, dx: number, dy: number, limit: number) => {
    const at = (k: number) =>
      px[
        Math.max(0, Math.min(raster.height - 1, y + k * dy)) * raster.width +
          Math.max(0, Math.min(raster.width - 1, x + k * dx))
      ]!
    const jump = (k: number) => differs(at(k), at(k + 1), 3 * STEEPEST)
    // A blended pixel between is none of what begins, where that is flat.
    // From a little outside, for where there is no shadow the box begins at once.
    for (let k = -4; k + 4 < limit; k++)
      if (jump(k)) return jump(k + 1) && at(k + 2) === at(k + 3) ? k + 2 : k + 1
    return Infinity
  }
  // A shadow never jumps, so that the first jump is the box's; a picture in it may begin as gently as the
  // shadow ends.
  const first = (v: number[]) => {
    const n = Math.min(...v)
    return n === Infinity ? 0 : Math.max(0, n)
  }
  const probes = [0.35, 0.5, 0.65]
  const across = Math.min(most, r.w >> 1),
    down = Math.min(most, r.h >> 1)
  const ys = probes.map((p) => r.y + Math.floor(p * r.h)),
    xs = probes.map((p) => r.x + Math.floor(p * r.w))
  const left = first(ys.map((y) => inward(r.x, y, 1, 0, across))),
    right = first(ys.map((y) => inward(r.x + r.w - 1, y, -1, 0, across)))
  const top = first(xs.map((x) => inward(x, r.y, 0, 1, down))),
    bottom = first(xs.map((x) => inward(x, r.y + r.h - 1, 0, -1, down)))
  return { x: r.x + left, y: r.y + top, w: r.w - left - right, h: r.h - top - bottom }
}
