import type { Headline } from '../made'
import { drawWords, lettersOf, linesOf, setLetters } from '../letters'
import type { Pen, Slot } from '../pen'
import { eased, faintly, fillGround, recipe } from './recipe'

const round = ({ change, hold, turn }: Headline) => (change === 'cut' ? hold : hold + turn)

/** A line of words that changes to the next. The change is drawn after the words were read, so that the first picture says the first line whole. */
export const headline = recipe<Headline>({
  label: 'Changing headline',
  length: (made) => made.says.length * round(made),
  pictures: () => [],
  draw(pen, made, t, slot) {
    fillGround(pen, made.ground, slot)
    const each = round(made)
    const n = Math.floor(t / each) % made.says.length
    const now = made.says[n]!
    const next = made.says[(n + 1) % made.says.length]!
    const on = (t % each) - made.hold
    if (made.change === 'cut' || on <= 0) return drawWords(pen, made.letters, now, slot)
    changes[made.change](pen, made, now, next, on / made.turn, slot)
  },
})

type Change = (pen: Pen, made: Headline, now: string, next: string, part: number, slot: Slot) => void

const changes: Record<Exclude<Headline['change'], 'cut'>, Change> = {
  fade(pen, { letters }, now, next, part, slot) {
    faintly(pen, 1 - eased(part), () => drawWords(pen, letters, now, slot))
    faintly(pen, eased(part), () => drawWords(pen, letters, next, slot))
  },
  slide(pen, { letters }, now, next, part, slot) {
    const up = eased(part) * slot.height
    for (const [words, y] of [
      [now, -up],
      [next, slot.height - up],
    ] as const) {
      pen.save()
      pen.translate(0, y)
      drawWords(pen, letters, words, slot)
      pen.restore()
    }
  },
  type(pen, { letters }, _now, next, part, slot) {
    const all = lettersOf(next)
    written(pen, letters, next, Math.ceil(part * all.length), slot)
  },
  letters(pen, { letters }, now, next, part, slot) {
    faintly(pen, 1 - part * 3, () => drawWords(pen, letters, now, slot))
    const all = lettersOf(next).length
    // Each letter takes a third of the change to come, one after the other.
    written(pen, letters, next, all, slot, (i) => eased((part - (i / Math.max(1, all)) * 0.66) / 0.33))
  },
}

/** Draws the first letters of words where they stand in the whole. @param strength of each letter, 0 to 1 */
function written(
  pen: Pen,
  letters: Headline['letters'],
  words: string,
  count: number,
  slot: Slot,
  strength?: (letter: number) => number,
): void {
  setLetters(pen, letters, slot, words)
  const rtl = pen.direction === 'rtl'
  let before = 0
  for (const line of linesOf(pen, letters, words, slot)) {
    const all = lettersOf(line.words)
    const shown = Math.max(0, Math.min(all.length, count - before))
    if (!strength) {
      const part = all.slice(0, shown).join('')
      pen.fillText(part, rtl ? line.x + line.width - pen.measureText(part).width : line.x, line.y)
    } else
      all.forEach((letter, i) => {
        // Where it ends less how wide it is: kerning with the letter before is kept.
        const end = pen.measureText(all.slice(0, i + 1).join('')).width
        const width = pen.measureText(letter).width
        const x = rtl ? line.x + line.width - end : line.x + end - width
        faintly(pen, strength(before + i), () => pen.fillText(letter, x, line.y))
      })
    before += all.length
  }
}
