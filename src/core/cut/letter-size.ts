import type { FontStack, SafeFont } from '../email/fonts'
import { boldness, capitalHeight, middle, type Ink, type InkBlock } from './ink'

/** What the ink of a cut and its words show. */
export interface Seen {
  said: string
  ink: Ink
  /** The font told from the pixels, where it is another than they inherit. */
  told: SafeFont | undefined
  /** Whether the inherited font is a web font. */
  web: boolean
  /** What they are set in either way. */
  font: FontStack
  blocks: InkBlock[]
  /** The block with most lines. */
  main: InkBlock | undefined
  letters: LetterCase
  /** Size by height, px. */
  high: number
  /** Between letters, px. */
  apart: number
}

/** Which letters there are: their heights differ by it. */
type LetterCase = 'capitals' | 'low' | 'mixed'

/** Of fewer letters than this a single one that was misread, or a space, says too much about their width. */
export const FEW = 6

/**
 * The size of letters, px, by their height and by the width of the words they make; 0: not known. Height is
 * told to a pixel or so, width far better, but only of the font that they are set in. `off`: by how much all
 * words of the design are wider than that, as a logarithm; `web`: whether they will be set in their own font
 * all the same; `trust` in the width, 0 to 1.
 */
export function settled(
  height: number,
  width: number,
  { off, web, trust }: { off: number; web: boolean; trust: number },
): number {
  if (!width || Math.abs(Math.log(width / height) - off) > 0.2) return height
  // In another font words are to break where the design breaks, and to look as tall: half of each.
  return (1 - trust) * height + (trust * width) / Math.exp(web ? off : off / 2)
}

/**
 * Whether letters are bold: by their strokes, and where these are near the border by how wide the words are.
 * @param height their size by height, px
 * @param widthOf their size by width if bold, if not
 */
export function bolder({ lines }: InkBlock, height: number, widthOf: (bold: boolean) => number): boolean {
  const by = boldness(lines),
    strokes = by > 0
  const [off, offOther] = [strokes, !strokes].map((b) => Math.abs(widthOf(b) / height - 1))
  return Math.abs(by) > 0.03 || offOther! > 0.03 || off! - offOther! < 0.04 ? strokes : !strokes
}

/**
 * A single line whose words are known: without letters that reach below, it stands on its last rows, whatever
 * its rows of ink say.
 */
export function withWords(ink: Ink, said: string): Ink {
  const [line, more] = ink.lines
  if (!line || more || !said || /[\ngjpqyQ,;()[\]{}|@$§_/\\]/.test(said) || line.base >= line.y + line.h - 2)
    return ink
  const base = line.y + line.h
  return { ...ink, lines: [{ ...line, base, tall: base - line.y }] }
}

/**
 * Of capitals and figures the words tell that there is no small letter among them to be measured; of others
 * that there is nothing but small letters.
 */
export const lettersOf = (said: string): LetterCase =>
  !said
    ? 'mixed'
    : !/\p{Ll}/u.test(said)
      ? 'capitals'
      : !/[^\p{Ll}\s.,;:'’"“”-]|[bdfhklt]/u.test(said)
        ? 'low'
        : 'mixed'

/** The size of letters by their height, design px. @param main the block with most lines */
export function heightOf(
  { lines }: Ink,
  font: FontStack,
  letters: LetterCase,
  main: InkBlock | undefined,
): number {
  if (lines.length && letters === 'capitals') return Math.max(...lines.map(capitalHeight)) / font.cap
  if (lines.length && letters === 'low') return middle(lines.map((l) => l.small)) / font.x
  return main?.size ?? 0
}

/**
 * Whether capitals are set wide: letters stand apart by about a tenth of their size; capitals that are set wide
 * show more, and are wider than they could else be.
 * @param height their size by height, px @param width their size by width, px; 0: not known
 */
export const isWide = ({ said, ink, letters, apart }: Seen, height: number, width: number): boolean =>
  letters === 'capitals' &&
  /\p{Lu}.*\p{Lu}.*\p{Lu}/u.test(said) &&
  ink.lines.length <= 2 &&
  apart >= 0.13 * height &&
  (width ? width > 1.06 * height : apart >= 0.25 * height)

/**
 * Letter spacing to half a px; none: undefined.
 * @param spanned width of the words at a size of 1 px @param inked their width as drawn, px
 */
export function spacingOf(
  { said, ink, apart }: Seen,
  { size, width, inked, spanned }: { size: number; width: number; inked: number; spanned: number },
): number | undefined {
  const by = width
    ? (inked - size * spanned) / Math.max(1, said.length - ink.lines.length)
    : apart - 0.09 * size
  return Math.round(2 * by) / 2 || undefined
}

/** A whole number between two. */
export const within = (n: number, least: number, most: number): number =>
  Math.max(least, Math.min(most, Math.round(n)))
