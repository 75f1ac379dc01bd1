import { fromLab, toLab } from '../color/difference'
import { toHex, toRgb, type Hex } from '../color/hex'

/** How bright a colour is, 0 to 255 (W3C, "Techniques for accessibility evaluation and repair tools", 2000: 299, 587 and 114 of 1000). */
export function brightness(hex: string): number {
  const [r, g, b] = toRgb(hex)
  return (r * 299 + g * 587 + b * 114) / 1000
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
