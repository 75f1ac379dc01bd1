import { toRgb } from './hex'

/**
 * Relative luminance of an sRGB colour, 0 (black) to 1 (white). WCAG 2.2, definition of relative luminance.
 */
export const luminance = (hex: string): number => luminanceOf(...toRgb(hex))

/** The same of its parts, 0 to 255 each. */
export const luminanceOf = (r: number, g: number, b: number): number =>
  0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b)

const linear = (part: number): number => {
  const c = part / 255
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
}

/** Contrast ratio of two colours, 1 to 21. WCAG 2.2, definition of contrast ratio. */
export function contrast(a: string, b: string): number {
  const [hi, lo] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number]
  return (hi + 0.05) / (lo + 0.05)
}

/**
 * The ratio WCAG 2.2 AA asks of words (success criterion 1.4.3): 3 for large ones (24 px, or 18.66 px and
 * bold), else 4.5.
 * @param size px
 */
export function wantedContrast(size: number, bold: boolean): number {
  return size >= 24 || (bold && size >= 18.66) ? 3 : 4.5
}

/** An ink where it can be read on a ground (WCAG 2.2, 1.4.3), else black or white. */
export const inkOn = (ground: string, ink: string): string =>
  contrast(ink, ground) >= 4.5 ? ink : contrast('#000000', ground) >= 4.5 ? '#000000' : '#ffffff'
