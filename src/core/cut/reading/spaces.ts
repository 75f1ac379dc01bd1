import { runsFromRight } from '../../text/reading-order'
import { fontStacks } from '../../email/fonts'
import { wordsWidth } from '../../email/widths'
import type { Raster, Rect } from '../raster'
import { inkOf, lettersAlone } from './letters-on'
import type { ReadLine } from './lines'

/** A space is wider than what usually lies between the letters of its words by more than this, of their size (a fourth to a third of it in Latin faces; common practice, no source). */
const WIDER = 0.15
/** And by so many px at least: of small letters each pixel counts. */
const LEAST = 2.8
/** So much of their height italics lean to the right (about 11 degrees; common practice, no source). */
const LEAN = 0.2
/** Words of fewer letters are one. */
const LETTERS = 3
/** Single letters that are words of their own, in Western languages. */
const LONE = /^[aàeéiouyAÀEÉIOUY]$/u
/** A space lies no further from where letters end by their usual widths, of their size. */
const OFF = 0.25
/** Beside a word there is no ink for so much of its size. */
const FREE = 0.1
/** A pixel of a letter is darker than this, 0 to 255. */
const DARK = 140

/** A line with the spaces that its words were read without: set wide, or in italics, two easily become one. */
export function withSpaces(raster: Raster, line: ReadLine): ReadLine {
  // Letters of a script that joins them tell no spaces by their gaps.
  if (runsFromRight(line.text)) return line
  let [text, at] = ['', 0]
  const words = line.words?.map((word) => {
    const begins = line.text.indexOf(word.text, at)
    if (begins < 0) return word
    const said = spaced(raster, word, line.size)
    text += line.text.slice(at, begins) + said
    at = begins + word.text.length
    return { ...word, text: said }
  })
  return { ...line, text: text + line.text.slice(at), ...(words ? { words } : {}) }
}

/** What a word says, with spaces where it has some. @param size of its letters, design px */
function spaced(raster: Raster, { text, ...box }: Rect & { text: string }, size: number): string {
  const letters = [...text]
  if (letters.length < LETTERS) return text
  const rect = whole(box, raster)
  if (rect.w < 1 || rect.h < 1) return text
  const ink = inkOf(raster, rect)
  const alone = lettersAlone(raster, rect, ink)
  if (cutsLetters(raster, rect, ink, Math.ceil(FREE * size))) return text
  // Capitals that lean lie over each other upright, too.
  const leans = /\p{Ll}{2}/u.test(text) ? [0, LEAN] : [0]
  const best = leans
    .map((lean) => wideGaps(alone, letters.length, lean, size))
    .sort((a, b) => b.length - a.length)[0]!
  const extra = best.reduce((sum, gap) => sum + gap.extra, 0)
  const ends = boundaries(letters, rect.w - extra, size)
  const parted = new Set<number>()
  let before = 0
  for (const gap of best) {
    const off = ends.map((end) => Math.abs(end - gap.at + before))
    const least = Math.min(...off)
    const at = off.indexOf(least) + 1
    // What of a neighbour lies in its rectangle is no letter of it.
    if (least <= OFF * size && /[\p{L}.,!?;:]/u.test(letters[at - 1]!) && /\p{L}/u.test(letters[at]!))
      parted.add(at)
    before += gap.extra
  }
  const cuts = [0, ...[...parted].sort((a, b) => a - b), letters.length]
  const words = cuts.slice(1).map((cut, i) => letters.slice(cuts[i], cut).join(''))
  return words.every((w) => w.length > 1 || LONE.test(w)) ? words.join(' ') : text
}

/** A rectangle in whole px, within the design. */
function whole({ x, y, w, h }: Rect, raster: Raster): Rect {
  const [left, top] = [Math.max(0, Math.floor(x)), Math.max(0, Math.floor(y))]
  return {
    x: left,
    y: top,
    w: Math.min(raster.width, Math.ceil(x + w)) - left,
    h: Math.min(raster.height, Math.ceil(y + h)) - top,
  }
}

/** Whether a side of a word's rectangle goes through letters: there is ink right beside it, too. */
function cutsLetters(raster: Raster, rect: Rect, ink: string, by: number): boolean {
  const wide = whole({ ...rect, x: rect.x - by, w: rect.w + 2 * by }, raster)
  const { data, width, height } = lettersAlone(raster, wide, ink)
  const [left, right] = [rect.x - wide.x, rect.x - wide.x + rect.w]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if ((x < left - 1 || x > right) && data[4 * (y * width + x)]! < DARK) return true
  return false
}

/** A gap that is wider than those between letters: where it would end if it were one of them, px from the left, and how much wider it is. */
interface WideGap {
  at: number
  extra: number
}

/** @param lean of the letters, of their height */
function wideGaps({ data, width, height }: Raster, letters: number, lean: number, size: number): WideGap[] {
  const inked = new Uint8Array(width + Math.ceil(lean * height))
  for (let y = 0; y < height; y++) {
    const by = Math.round(lean * y)
    for (let x = 0; x < width; x++) if (data[4 * (y * width + x)]! < DARK) inked[x + by] = 1
  }
  const gaps: { x: number; w: number }[] = []
  let last = -1
  inked.forEach((ink, x) => {
    if (!ink) return
    if (last >= 0 && x - last > 1) gaps.push({ x: last + 1 - (lean * height) / 2, w: x - last - 1 })
    last = x
  })
  // Letters that touch each other have none between them.
  const all = [...gaps.map((g) => g.w), ...Array<number>(Math.max(0, letters - 1 - gaps.length)).fill(0)]
  const usual = all.sort((a, b) => a - b)[all.length >> 1] ?? 0
  return gaps
    .filter((g) => g.w > usual + Math.max(WIDER * size, LEAST))
    .map((g) => ({ at: g.x + usual / 2, extra: g.w - usual }))
}

/** About where each letter but the last ends, px from the left: as a sans has them, spread over the width. */
function boundaries(letters: readonly string[], width: number, size: number): number[] {
  const upTo = (n: number) => wordsWidth(letters.slice(0, n).join(''), fontStacks.sans, size)
  const whole = upTo(letters.length)
  const more = Math.max(0, width - whole) / (letters.length - 1)
  const scale = Math.min(1, width / whole)
  return letters.slice(1).map((_, i) => upTo(i + 1) * scale + (i + 0.5) * more)
}
