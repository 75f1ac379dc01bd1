import { toHex, toRgb, type Hex } from '../color/hex'
import { toLab } from '../color/difference'

/** How bright a colour is, 0 to 255 (W3C, "Techniques for accessibility evaluation and repair tools", 2000: 299, 587 and 114 of 1000). */
export function brightness(hex: string): number {
  const [r, g, b] = toRgb(hex)
  return (r * 299 + g * 587 + b * 114) / 1000
}

/** A colour of CIELAB in sRGB, as near as sRGB holds it. */
export function fromLab(l: number, a: number, b: number): Hex {
  const y = (l + 16) / 116
  const inverse = (t: number) => (t > 6 / 29 ? t ** 3 : 3 * (6 / 29) ** 2 * (t - 4 / 29))
  const [X, Y, Z] = [0.95047 * inverse(y + a / 500), inverse(y), 1.08883 * inverse(y - b / 200)]
  const rgb = [
    3.2404542 * X - 1.5371385 * Y - 0.4985314 * Z,
    -0.969266 * X + 1.8760108 * Y + 0.041556 * Z,
    0.0556434 * X - 0.2040259 * Y + 1.0572252 * Z,
  ].map((v) => {
    const c = v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055
    return Math.round(Math.max(0, Math.min(1, c)) * 255)
  }) as [number, number, number]
  return toHex(rgb)
}

/** Greys darker than this become the usual dark of pages. */
const NEARLY_BLACK = 32
const PAGE = 18

/**
 * A colour with its lightness turned over, hue and chroma kept: L* becomes 110 - L*, at most 100; what comes out as a dark grey becomes the usual dark of
 * pages. As Chromium's forced dark mode does it (its source, from memory; held against the browser itself by `e2e/night.spec.ts`).
 */
export function turnedOver(hex: string): Hex {
  const [l, a, b] = toLab(hex)
  const turned = fromLab(Math.min(100, 110 - l), a, b)
  const [r, g, bl] = toRgb(turned)
  const gray = Math.max(r, g, bl) - Math.min(r, g, bl) <= 1
  return gray && r < NEARLY_BLACK && r > PAGE ? toHex([PAGE, PAGE, PAGE]) : turned
}
