import { toRgb } from '../color/hex'

/**
 * Pixels of a picture: RGBA, 4 bytes a pixel, rows from the top, without padding. Opaque: designs are
 * flattened when they come in.
 */
export interface Raster {
  width: number
  height: number
  data: Uint8Array | Uint8ClampedArray
}

/** A rectangle in design pixels; right and bottom are `x + w` and `y + h`, not part of it. */
export interface Rect {
  x: number
  y: number
  w: number
  h: number
}

/**
 * The pixels as one signed 32-bit number each, for quick comparison: signed, since engines count with those
 * fastest.
 */
export const packed = (r: Raster): Int32Array =>
  new Int32Array(r.data.buffer, r.data.byteOffset, r.width * r.height)

/** Greatest difference of any channel of two packed pixels, 0 to 255. */
export function difference(a: number, b: number): number {
  if (a === b) return 0
  const r = Math.abs((a & 255) - (b & 255))
  const g = Math.abs(((a >>> 8) & 255) - ((b >>> 8) & 255))
  const bl = Math.abs(((a >>> 16) & 255) - ((b >>> 16) & 255))
  return r > g ? (r > bl ? r : bl) : g > bl ? g : bl
}

/** Whether any channel of two packed pixels differs by more than `most`: told sooner than by how much. */
export function differs(a: number, b: number, most: number): boolean {
  if (a === b) return false
  const r = (a & 255) - (b & 255)
  if (r > most || -r > most) return true
  const g = ((a >>> 8) & 255) - ((b >>> 8) & 255)
  if (g > most || -g > most) return true
  const bl = ((a >>> 16) & 255) - ((b >>> 16) & 255)
  return bl > most || -bl > most
}

/** Channels, 0 to 255, as a packed, opaque pixel. */
export const pack = (r: number, g: number, b: number): number => (255 << 24) | (b << 16) | (g << 8) | r

/** A colour `#rrggbb` as a packed, opaque pixel. */
export const packHex = (hex: string): number => pack(...toRgb(hex))

/** A packed pixel (little-endian RGBA) as `#rrggbb`. */
export const hexOf = (p: number): string =>
  `#${[p & 255, (p >>> 8) & 255, (p >>> 16) & 255].map((v) => v.toString(16).padStart(2, '0')).join('')}`

/** The rectangle that two rectangles share, or null. */
export function overlap(a: Rect, b: Rect): Rect | null {
  const x = Math.max(a.x, b.x),
    y = Math.max(a.y, b.y)
  const w = Math.min(a.x + a.w, b.x + b.w) - x,
    h = Math.min(a.y + a.h, b.y + b.h) - y
  return w > 0 && h > 0 ? { x, y, w, h } : null
}

/** The smallest rectangle around several. */
export function around(rects: readonly Rect[]): Rect {
  const x = Math.min(...rects.map((r) => r.x)),
    y = Math.min(...rects.map((r) => r.y))
  return {
    x,
    y,
    w: Math.max(...rects.map((r) => r.x + r.w)) - x,
    h: Math.max(...rects.map((r) => r.y + r.h)) - y,
  }
}
