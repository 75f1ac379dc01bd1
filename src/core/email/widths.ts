import pixelWidth from 'string-pixel-width'
import type { FontStack } from './fonts'

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

/**
 * Width of a line of words set in the first family of a stack, px; kerning is left out. From measured widths
 * of each letter (the package string-pixel-width); letters without one count as an x. @param size px
 */
export const wordsWidth = (
  words: string,
  font: Pick<FontStack, 'family' | 'across'>,
  size: number,
  style: { bold?: boolean; italic?: boolean } = {},
): number =>
  (font.across ?? 1) *
  pixelWidth(
    ALIKE.reduce((t, [like, as]) => t.replace(like, as), words),
    { font: font.family, size, bold: style.bold, italic: style.italic },
  )

/**
 * Room for a line of words, px: a little more than they are wide, since readers may set them in the next
 * family of the stack.
 * @param size px
 */
export const lineWidth = (
  words: string,
  font: Pick<FontStack, 'family' | 'across'>,
  size: number,
  bold: boolean,
): number => wordsWidth(words, font, size, { bold }) * 1.05
