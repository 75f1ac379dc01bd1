import { create, type Font } from 'fontkit'
import { MEASURED, type FontMeasures } from '@/core/email/fonts'

/**
 * How the letters of a font file measure (OpenType 1.9: `hmtx` for widths, `hhea` for ascent and descent, `OS/2` for the heights of x and
 * of capitals). Null where the file cannot be read, or says no height.
 */
export function measureFont(bytes: Buffer): FontMeasures | null {
  try {
    const made = create(bytes)
    return measuresOf('fonts' in made ? made.fonts[0]! : made)
  } catch {
    return null
  }
}

function measuresOf(font: Font): FontMeasures | null {
  const perMille = (units: number) =>
    Math.max(0, Math.min(4000, Math.round((1000 * units) / font.unitsPerEm)))
  const heightOf = (letter: string) => font.glyphForCodePoint(letter.codePointAt(0)!).bbox.maxY
  const x = font.xHeight || heightOf('x')
  const cap = font.capHeight || heightOf('H')
  if (!(x > 0) || !(cap > 0)) return null
  return {
    x: perMille(x),
    cap: perMille(cap),
    drop: perMille(font.ascent - Math.abs(font.descent)),
    widths: [...MEASURED].map((letter) => {
      const point = letter.codePointAt(0)!
      return font.hasGlyphForCodePoint(point) ? perMille(font.glyphForCodePoint(point).advanceWidth) : 0
    }),
  }
}
