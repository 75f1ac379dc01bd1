import { overlap, type Rect } from '../raster'
import { runsFromRight } from '../../text/reading-order'
import { joinPieces, type TextLine } from '../reflow'

/** A word as a reading of the whole design gives it. Design px. */
export interface ReadWord extends Rect {
  text: string
  /** 0 to 100 */
  sure: number
  /** Row it stands on. */
  base: number
}

/** A line of words with its place: where ink was seen, design px. */
export interface ReadLine extends Rect {
  text: string
  /** Of its letters. */
  size: number
  base: number
  /** Its words as they were read, in their order. */
  words?: readonly (Rect & { text: string })[]
}

/** Words are taken from this confidence on, 0 to 100; of a whole design much looks a little like letters. */
const SURE = 60
/** Two words of this share in common are one that was read twice. */
const SAME = 0.4
/** What holds neither letter nor figure is noise; but for the sign that joins names. */
const SAYS = /[\p{L}\p{N}&]/u
/** A word of one or two letters is believed where it is this sure. */
const SHORT_SURE = 80

/** Words further apart than this, of their size, are of two things: an icon that was read as letters, entries of a menu. */
const APART = 1.1

/** How far letters reach above and below the row they stand on, in sizes: capitals and figures, small letters, a t, and what hangs (usual proportions of Latin faces; common practice, no source). */
const [TALL, SMALL, SHORTER, BELOW] = [0.72, 0.52, 0.64, 0.21]

/** The size of the letters of a word by the height of its ink: what it says tells how far that reaches. @param height of any unit, which is that of the answer */
export function sizeByInk(text: string, height: number): number {
  if (runsFromRight(text)) return height / (reaching(text, ABOVE_RIGHT) + reaching(text, BELOW_RIGHT))
  const above = /[\p{Lu}\p{N}bdfhkl]/u.test(text) ? TALL : /[tiıj]/u.test(text) ? SHORTER : SMALL
  const below = /[gjpqyçş,;]/u.test(text) ? BELOW : 0
  return height / (above + below)
}

/** The same of letters that run from the right: those that rise or hang, and how far, the others; in IBM Plex Sans Arabic and Hebrew, as drawn. */
const ABOVE_RIGHT = { of: /[\u0622-\u0627\u0637\u0638\u0643\u0644\u05DC]/u, far: 0.72, else: 0.56 }
const BELOW_RIGHT = {
  of: /[\u062C-\u062E\u0631\u0632\u0633-\u0636\u0639\u063A\u0642\u0645\u0646\u0648-\u064A\u05DA\u05DF\u05E3\u05E5\u05E7]/u,
  far: 0.26,
  else: 0.04,
}
const reaching = (text: string, { of, far, else: rest }: typeof ABOVE_RIGHT): number =>
  of.test(text) ? far : rest

/** A dash is read at least so surely as this. */
const DASH_SURE = 40
const DASH = /^[-\u2010-\u2015\u2212]$/u

/** Dashes that stand between two words of a row, such as the figures of a score or of hours: alone a dash is noise. */
function dashesBetween(pieces: readonly TextLine[], words: readonly ReadWord[]): TextLine[] {
  const out: TextLine[] = []
  for (const { text, sure, x, y, w, h } of words) {
    if (sure < DASH_SURE || !DASH.test(text) || out.some((d) => overlap({ ...d, y, h }, { x, y, w, h })))
      continue
    const middle = y + h / 2
    const beside = (gap: (p: TextLine) => number) =>
      pieces.find(
        (p) =>
          middle < p.base &&
          middle > p.base - TALL * p.size &&
          gap(p) >= 0 &&
          gap(p) <= APART * p.size &&
          w < 1.2 * p.size,
      )
    const before = beside((p) => x - p.x - p.w)
    const after = beside((p) => p.x - x - w)
    if (before && after) out.push({ text, x, w, base: before.base, size: before.size })
  }
  return out
}

/**
 * The lines of a design from several readings of it (by lightness, inverted, by a channel): of each place the surest word. @param readings words of each
 */
export function linesOf(readings: readonly (readonly ReadWord[])[]): ReadLine[] {
  const words = readings
    .flat()
    .filter((w) => w.sure >= SURE && SAYS.test(w.text) && w.w > 2 && w.h > 3)
    .filter((w) => w.text.replace(/[^\p{L}\p{N}]/gu, '').length > 2 || w.sure >= SHORT_SURE)
    .sort((a, b) => b.sure - a.sure)
  const kept: ReadWord[] = []
  for (const word of words) {
    const twice = kept.some((k) => {
      const common = overlap(k, word)
      return common && common.w * common.h > SAME * Math.min(k.w * k.h, word.w * word.h)
    })
    if (!twice) kept.push(word)
  }
  const pieces = kept.map(({ text, x, w, h, base }): TextLine => ({
    text,
    x,
    w,
    base,
    size: sizeByInk(text, h),
  }))
  pieces.push(...dashesBetween(pieces, readings.flat()))
  return joinPieces(pieces, APART).flatMap((line): ReadLine[] => {
    const own = kept.filter(
      (w) =>
        Math.abs(w.base - line.base) <= 0.35 * line.size &&
        w.x >= line.x - 1 &&
        w.x + w.w <= line.x + line.w + 1,
    )
    if (!own.length) return []
    const top = Math.min(...own.map((w) => w.y))
    const bottom = Math.max(...own.map((w) => w.y + w.h))
    const sizes = own.map((w) => sizeByInk(w.text, w.h)).sort((a, b) => a - b)
    const { text, x, w, base } = line
    const words = own.sort((a, b) => a.x - b.x).map(({ text, x, y, w, h }) => ({ text, x, y, w, h }))
    return [{ text, x, w, y: top, h: bottom - top, size: sizes[sizes.length >> 1]!, base, words }]
  })
}
