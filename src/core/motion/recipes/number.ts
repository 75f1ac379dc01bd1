import type { CountedNumber } from '../made'
import { drawWords } from '../letters'
import { eased, fillGround, recipe } from './recipe'

/** The first picture is the number that counts, held; the counting begins after it (0.4 s). */
const FIRST = 400

/** A number as it is written in a language. */
export function written(value: number, { decimals, lang }: Pick<CountedNumber, 'decimals' | 'lang'>): string {
  const as = { minimumFractionDigits: decimals, maximumFractionDigits: decimals }
  try {
    return value.toLocaleString(lang || 'en', as)
  } catch {
    return value.toLocaleString('en', as)
  }
}

/** A number that counts up or down to another, and stays. It begins with where it ends, so that the first picture is true. */
export const number = recipe<CountedNumber>({
  label: 'Number that counts',
  length: ({ count, hold }) => FIRST + count + hold,
  pictures: () => [],
  draw(pen, made, t, slot) {
    fillGround(pen, made.ground, slot)
    const part = t < FIRST ? 1 : eased((t - FIRST) / made.count)
    const value = made.from + (made.to - made.from) * part
    drawWords(pen, made.letters, `${made.before}${written(value, made)}${made.after}`, slot)
  },
})
