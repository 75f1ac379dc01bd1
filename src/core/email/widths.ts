import pixelWidth from 'string-pixel-width'
import { faceFor, MEASURED, type FontStack } from './fonts'

/**
 * Letters that the table of widths lacks, as others that are as wide (of the families of `fontStacks`, within
 * a few hundredths of an em).
 */
const ALIKE: [RegExp, string][] = [
  [/[\u2018\u2019\u201a]/g, "'"],
  [/[\u201c\u201d\u201e]/g, '"'],
  [/[\u2010\u2011]/g, '-'],
  [/[\u20ac\u00a3\u00a5\u2013]/g, '0'],
  [/\u2026/g, '...'],
  [/[\u2014\u00a9\u00ae\u2122]/g, 'M'],
  [/[\u2022\u00b7]/g, 't'],
  [/[\u00a0\u2007\u2009\u202f]/g, ' '],
  [/[\u2002]/g, '  '],
  [/\u2003/g, '   '],
]

type Measured = Pick<FontStack, 'family' | 'across' | 'faces'>
interface Shape {
  bold?: boolean
  italic?: boolean
}

/**
 * Width of a line of words set in a web font that was measured, else in the first family of a stack, px; kerning is left out. From
 * measured widths of each letter (those of the font's file; the package string-pixel-width); letters without one count as an x.
 * @param size px
 */
export const wordsWidth = (words: string, font: Measured, size: number, style: Shape = {}): number =>
  font.faces ? ownWidth(words, font.faces, size, style) : familyWidth(words, font, size, style)

const familyWidth = (words: string, font: Measured, size: number, style: Shape): number =>
  (font.across ?? 1) *
  pixelWidth(
    ALIKE.reduce((t, [like, as]) => t.replace(like, as), words),
    { font: font.family, size, bold: style.bold, italic: style.italic },
  )

const placeOf = new Map([...MEASURED].map((letter, i) => [letter, i]))

function ownWidth(words: string, faces: NonNullable<FontStack['faces']>, size: number, style: Shape): number {
  const { widths } = faceFor(faces, style)!
  const x = widths[placeOf.get('x')!]!
  const spaces = words.replace(/[\u00a0\u2007\u2009\u202f]/g, ' ')
  const sum = [...spaces].reduce((all, letter) => all + (widths[placeOf.get(letter) ?? -1] || x), 0)
  return (sum / 1000) * size
}

/**
 * Room for a line of words, px: a little more than they are wide, since readers may set them in the next
 * family of the stack.
 * @param size px
 */
export const lineWidth = (words: string, font: Measured, size: number, bold: boolean): number =>
  wordsWidth(words, font, size, { bold }) * 1.05
