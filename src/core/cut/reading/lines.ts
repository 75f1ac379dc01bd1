import { overlap, type Rect } from '../raster'
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
  const above = /[\p{Lu}\p{N}bdfhkl]/u.test(text) ? TALL : /[tiıj]/u.test(text) ? SHORTER : SMALL
  const below = /[gjpqyçş,;]/u.test(text) ? BELOW : 0
  return height / (above + below)
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
    return [{ text, x, w, y: top, h: bottom - top, size: sizes[sizes.length >> 1]!, base }]
  })
}
