import { toHex, toRgb, type Hex } from './hex'

/** A colour in OKLCH: lightness 0 to 1, chroma 0 to about 0.37, hue in degrees (CSS Color 4, 9.4). */
export type Oklch = readonly [number, number, number]

const linear = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)
const curved = (v: number) => (v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055)

/** An sRGB colour in OKLCH (B. Ottosson, "A perceptual color space for image processing", 2020; the matrices of CSS Color 4, 17). */
export function toOklch(hex: string): Oklch {
  const [r, g, b] = toRgb(hex).map((v) => linear(v / 255)) as [number, number, number]
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b)
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b)
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
  const L = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s
  const A = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s
  const B = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s
  return [L, Math.hypot(A, B), ((Math.atan2(B, A) * 180) / Math.PI + 360) % 360]
}

/** The sRGB colour of one in OKLCH; null where sRGB does not hold it. */
export function fromOklch([L, C, h]: Oklch): Hex | null {
  const [A, B] = [C * Math.cos((h * Math.PI) / 180), C * Math.sin((h * Math.PI) / 180)]
  const l = (L + 0.3963377774 * A + 0.2158037573 * B) ** 3
  const m = (L - 0.1055613458 * A - 0.0638541728 * B) ** 3
  const s = (L - 0.0894841775 * A - 1.291485548 * B) ** 3
  const rgb = [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ].map(curved)
  // Half a step of 8 bits beyond the border is rounded onto it.
  if (rgb.some((v) => v < -0.5 / 255 || v > 1 + 0.5 / 255 || Number.isNaN(v))) return null
  const [r, g, b] = rgb.map((v) => Math.round(Math.max(0, Math.min(1, v)) * 255)) as [number, number, number]
  return toHex([r, g, b])
}
