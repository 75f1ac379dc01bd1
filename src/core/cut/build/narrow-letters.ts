import type { FontStack } from '../../email/fonts'
import type { TextStyleOverride } from '../../email/styles'
import { wordsWidth } from '../../email/widths'

/** Width that a phone of 375 px leaves between the sides of an email, and one of 320 px, px. */
const PHONE = 335
const NARROWEST = 280
/** A heading of more lines than this on a phone steps down. */
const MOST_LINES = 3
/** Each step is so much of the one before; it stops at this size, px (a minor third; common practice, no source). */
const STEP = 0.833
const LEAST_HEADING = 22
/** Least size of words on a phone, px (common practice, no source). */
const LEAST = 14
/** Lines are not filled to the end: so much more room is taken. */
const RAGGED = 1.12

/**
 * Size and line height on narrow, where they must be others: small words grow, and a heading steps down while it would break into more than
 * three lines or a word of it would not fit.
 * @param size px @param line px
 * @param drawn as a narrow design has them, which counts
 */
export function narrowLetters(
  said: string,
  {
    stack,
    size,
    line,
    bold,
  }: { stack: Pick<FontStack, 'family' | 'across'>; size: number; line: number; bold: boolean },
  drawn?: { size: number; line: number },
): Pick<TextStyleOverride, 'narrowSize' | 'narrowLine'> {
  if (drawn)
    return drawn.size === size && drawn.line === line
      ? {}
      : { narrowSize: Math.min(120, drawn.size), narrowLine: Math.min(200, Math.max(drawn.size, drawn.line)) }
  const narrow = size < LEAST ? LEAST : stepped(said, stack, size, bold)
  return narrow === size
    ? {}
    : { narrowSize: narrow, narrowLine: Math.max(narrow, Math.round((line * narrow) / size)) }
}

function stepped(
  said: string,
  stack: Pick<FontStack, 'family' | 'across'>,
  size: number,
  bold: boolean,
): number {
  if (size <= LEAST_HEADING) return size
  // Widths grow with the size.
  const width = (words: string) => wordsWidth(words, stack, 100, { bold }) / 100
  const whole = width(said.replace(/\s+/g, ' '))
  const longest = Math.max(0, ...said.split(/\s+/).map(width))
  const fits = (s: number) =>
    Math.ceil((whole * s * RAGGED) / PHONE) <= MOST_LINES && longest * s <= NARROWEST
  let now = size
  while (now > LEAST_HEADING && !fits(now)) now = Math.max(LEAST_HEADING, Math.round(now * STEP))
  return now
}
