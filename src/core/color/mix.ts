import { toHex, toRgb, type Hex } from './hex'

/** A colour between two, in sRGB. @param part of the second, 0 to 1 */
export function mix(a: string, b: string, part: number): Hex {
  const [from, to] = [toRgb(a), toRgb(b)]
  const at = (i: 0 | 1 | 2) => Math.round(from[i] + (to[i] - from[i]) * part)
  return toHex([at(0), at(1), at(2)])
}
