import type { Letters } from './letters-schema'
import type { Pen, Slot } from './pen'

/** Height of a line in sizes of its letters (common practice, no source). */
const LINE = 1.2
/** What is left free at the sides, as a part of the letters' size. */
const SIDE = 0.4

/** A line and where it stands. */
export interface Line {
  words: string
  x: number
  /** Middle of the line. */
  y: number
  width: number
}

/** The first letter that runs one way tells the way of a line (Unicode UAX 9, rule P2, by blocks). */
const wayOf = (words: string, fallback: 'ltr' | 'rtl'): 'ltr' | 'rtl' => {
  const strong = /[A-Za-z\u00c0-\u02af\u0370-\u058f]|[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/.exec(
    words,
  )?.[0]
  return strong ? (strong >= '\u0590' && strong !== '\u058f' ? 'rtl' : 'ltr') : fallback
}

/** Readies a pen for words. */
export function setLetters(pen: Pen, letters: Letters, slot: Slot, words: string): void {
  const weight = letters.bold ? 700 : 400
  pen.font = `${letters.italic ? 'italic ' : ''}${weight} ${letters.size}px ${slot.family(letters.font)}`
  pen.letterSpacing = `${letters.spacing ?? 0}px`
  pen.fillStyle = letters.color
  pen.textBaseline = 'middle'
  pen.textAlign = 'left'
  pen.direction = wayOf(words, slot.dir)
}

/** Breaks words into lines that fit the width, and places them around the middle of the slot. The pen has to have the letters set. */
export function linesOf(pen: Pen, letters: Letters, words: string, slot: Slot): Line[] {
  const side = letters.size * SIDE
  const room = Math.max(1, slot.width - 2 * side)
  const lines = words.split('\n').flatMap((line) => broken(pen, line, room))
  const height = letters.size * LINE
  const top = (slot.height - lines.length * height) / 2
  const rtl = wayOf(words, slot.dir) === 'rtl'
  return lines.map((line, i) => {
    const width = pen.measureText(line).width
    const right = letters.align === 'center' ? null : (letters.align === 'end') !== rtl
    const x = right === null ? (slot.width - width) / 2 : right ? slot.width - side - width : side
    return { words: line, x, y: top + (i + 0.5) * height, width }
  })
}

function broken(pen: Pen, line: string, room: number): string[] {
  const lines: string[] = []
  let now = ''
  for (const word of line.split(' ')) {
    const longer = now ? `${now} ${word}` : word
    if (now && pen.measureText(longer).width > room) {
      lines.push(now)
      now = word
    } else now = longer
  }
  return [...lines, now]
}

/** Draws words in the middle of the slot. */
export function drawWords(pen: Pen, letters: Letters, words: string, slot: Slot): void {
  setLetters(pen, letters, slot, words)
  for (const line of linesOf(pen, letters, words, slot)) pen.fillText(line.words, line.x, line.y)
}

/** What a person takes for one letter, accents and all (Unicode UAX 29). */
export const lettersOf = (words: string): string[] =>
  [...new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(words)].map((s) => s.segment)
