import type { Rect } from './blocks'

/** Numbers that say a colour as the eye takes it. */
export const AXES = 3

/** Shares of the channels in lightness (ITU-R BT.601, 2.5.1). */
const SHARE = { r: 0.299, g: 0.587, b: 0.114 }

/** Lightness weighs so much more than hue: a grey one step lighter is the square of it away (the eye is finer for lightness; the factor is common practice, no source). */
export const LIGHTNESS = 3

/**
 * A colour by its lightness and two differences of hue (luma and B - Y, R - Y of ITU-R BT.601), so that the straight distance of two says how far they are
 * apart to the eye.
 * @param to gets AXES numbers
 * @param at place of the first of them
 */
export function seen(r: number, g: number, b: number, to: Float32Array | Float64Array, at: number): void {
  const y = SHARE.r * r + SHARE.g * g + SHARE.b * b
  to[at] = LIGHTNESS * y
  to[at + 1] = b - y
  to[at + 2] = r - y
}

/** The colour of a point as the eye takes it, 0xRRGGBB: the way back. */
export function colorAt(points: ArrayLike<number>, at: number): number {
  const y = points[at]! / LIGHTNESS
  const b = y + points[at + 1]!
  const r = y + points[at + 2]!
  const g = (y - SHARE.r * r - SHARE.b * b) / SHARE.g
  return (byte(r) << 16) | (byte(g) << 8) | byte(b)
}
const byte = (v: number): number => Math.min(255, Math.max(0, Math.round(v)))

/** The square of how far two points are apart. */
export const between = (a: ArrayLike<number>, i: number, b: ArrayLike<number>, k: number): number =>
  (a[i]! - b[k]!) ** 2 + (a[i + 1]! - b[k + 1]!) ** 2 + (a[i + 2]! - b[k + 2]!) ** 2

const one = new Float64Array(AXES)
const other = new Float64Array(AXES)

/** The square of how far two colours (0xRRGGBB) are apart. */
export function apart(a: number, b: number): number {
  seen(a >> 16, (a >> 8) & 255, a & 255, one, 0)
  seen(b >> 16, (b >> 8) & 255, b & 255, other, 0)
  return between(one, 0, other, 0)
}

/** Half the side of the square around a pixel by which it is busy, px. */
const REACH = 2

/** Variance of lightness in which half of an error is hidden: half of C2 in the structural similarity of Wang and others (2004), by which an error counts less the more is there. */
const HALF_HIDDEN = (0.03 * 255) ** 2 / 2

/** Where most is hidden, so much is still seen. */
const LEAST = 0.025

/**
 * How much of an error is seen at each pixel of a rectangle, 0 to 1: what is busy hides it. A pixel is as calm as the calmest square in which it stands, so that
 * the ground beside an edge counts as ground.
 */
export function weightsOf(
  data: Uint8Array | Uint8ClampedArray,
  { width, height }: { width: number; height: number },
  rect: Rect,
): Float32Array {
  const busy = variances(data, { width, height }, rect)
  const { w, h } = rect
  const weights = new Float32Array(w * h)
  for (let y = 0, n = 0; y < h; y++) {
    const up = Math.max(0, y - REACH) * w
    const down = Math.min(h - 1, y + REACH) * w
    for (let x = 0; x < w; x++, n++) {
      const left = Math.max(0, x - REACH)
      const right = Math.min(w - 1, x + REACH)
      const calmest = Math.min(
        busy[n]!,
        busy[up + left]!,
        busy[up + right]!,
        busy[down + left]!,
        busy[down + right]!,
      )
      weights[n] = Math.max(LEAST, HALF_HIDDEN / (HALF_HIDDEN + calmest))
    }
  }
  return weights
}

/** The variance of lightness in the square around each pixel of a rectangle, from sums over all that lies before it. */
function variances(
  data: Uint8Array | Uint8ClampedArray,
  { width, height }: { width: number; height: number },
  { x: x0, y: y0, w, h }: Rect,
): Float32Array {
  const line = width + 1
  const from = Math.max(0, y0 - REACH)
  const to = Math.min(height, y0 + h + REACH)
  const sums = new Float64Array(line * (to - from + 1))
  const squares = new Float64Array(sums.length)
  for (let y = from, o = line; y < to; y++, o += line) {
    let sum = 0
    let square = 0
    for (let x = 0, i = y * width * 4; x < width; x++, i += 4) {
      const l = SHARE.r * data[i]! + SHARE.g * data[i + 1]! + SHARE.b * data[i + 2]!
      sum += l
      square += l * l
      sums[o + x + 1] = sums[o + x + 1 - line]! + sum
      squares[o + x + 1] = squares[o + x + 1 - line]! + square
    }
  }
  const out = new Float32Array(w * h)
  for (let y = y0, n = 0; y < y0 + h; y++) {
    const top = (Math.max(from, y - REACH) - from) * line
    const bottom = (Math.min(to, y + REACH + 1) - from) * line
    for (let x = x0; x < x0 + w; x++, n++) {
      const left = Math.max(0, x - REACH)
      const right = Math.min(width, x + REACH + 1)
      const pixels = ((bottom - top) / line) * (right - left)
      const mean = over(sums, top, bottom, left, right) / pixels
      out[n] = Math.max(0, over(squares, top, bottom, left, right) / pixels - mean ** 2)
    }
  }
  return out
}

/** What lies within a rectangle, from sums over all that lies before each place. */
const over = (sums: Float64Array, top: number, bottom: number, left: number, right: number): number =>
  sums[bottom + right]! - sums[top + right]! - sums[bottom + left]! + sums[top + left]!
