import { toHex, toRgb, type Hex } from './hex'

/** A colour in CIELAB: lightness 0 to 100, and two axes of hue. */
export type Lab = readonly [number, number, number]

/**
 * An sRGB colour in CIELAB, white point D65 (IEC 61966-2-1 for the curve and the matrix; CIE 15 for the
 * rest).
 */
export function toLab(hex: string): Lab {
  const [r, g, b] = toRgb(hex).map((v) => {
    const c = v / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  const f = (t: number) => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29)
  const x = f((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047)
  const y = f(0.2126729 * r + 0.7151522 * g + 0.072175 * b)
  const z = f((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / 1.08883)
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)]
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

const degrees = (rad: number) => (rad * 180) / Math.PI
const radians = (deg: number) => (deg * Math.PI) / 180

/**
 * How different two colours look, by CIEDE2000 with all factors 1: about 1 is the least that a trained eye
 * tells side by side. Formulas (2) to (22) of Sharma, Wu, Dalal: The CIEDE2000 Color-Difference Formula,
 * 2005.
 */
export function ciede2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const mean = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2
  const g = 0.5 * (1 - Math.sqrt(mean ** 7 / (mean ** 7 + 25 ** 7)))
  const [p1, p2] = [(1 + g) * a1, (1 + g) * a2]
  const [c1, c2] = [Math.hypot(p1, b1), Math.hypot(p2, b2)]
  const hue = (a: number, b: number) => (a === 0 && b === 0 ? 0 : (degrees(Math.atan2(b, a)) + 360) % 360)
  const [h1, h2] = [hue(p1, b1), hue(p2, b2)]
  const gray = c1 * c2 === 0
  const turn = gray ? 0 : h2 - h1 > 180 ? h2 - h1 - 360 : h2 - h1 < -180 ? h2 - h1 + 360 : h2 - h1
  const dL = l2 - l1,
    dC = c2 - c1,
    dH = 2 * Math.sqrt(c1 * c2) * Math.sin(radians(turn / 2))
  const l = (l1 + l2) / 2,
    c = (c1 + c2) / 2
  const h = gray
    ? h1 + h2
    : Math.abs(h1 - h2) <= 180
      ? (h1 + h2) / 2
      : h1 + h2 < 360
        ? (h1 + h2 + 360) / 2
        : (h1 + h2 - 360) / 2
  const t =
    1 -
    0.17 * Math.cos(radians(h - 30)) +
    0.24 * Math.cos(radians(2 * h)) +
    0.32 * Math.cos(radians(3 * h + 6)) -
    0.2 * Math.cos(radians(4 * h - 63))
  const sL = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2)
  const sC = 1 + 0.045 * c,
    sH = 1 + 0.015 * c * t
  const rT =
    -2 * Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7)) * Math.sin(radians(60 * Math.exp(-(((h - 275) / 25) ** 2))))
  return Math.sqrt((dL / sL) ** 2 + (dC / sC) ** 2 + (dH / sH) ** 2 + rT * (dC / sC) * (dH / sH))
}

/** How different two colours look, both as #rrggbb. */
export const colorDifference = (a: string, b: string): number => ciede2000(toLab(a), toLab(b))
