import type { Sides } from '../../email/styles'
import type { InkLine } from '../ink'

/** A space between words, em (about that of the usual sans and serif faces). */
const WORD_SPACE = 0.28
/** A next word that would have fitted by more than this was kept out by will, em. */
const BY_WILL = 0.5
/** Most that a line may be wider, em; and where there is no next line to mind. */
const MOST_SLACK = 1.2
const LONE_SLACK = 4
/** Of what is to spare, half is taken; where it is little, nearly all, up to a quarter em. */
const HALF = 0.5
const NEARLY = 0.85
const LITTLE = 0.25
/** Space on both sides of centred words that differs by no more than this is the same, px. */
const SAME_SPACE = 4

/**
 * By how much a line may be wider than the widest one before a word of the next line would go up into it, design px; Infinity where
 * there is none that would. @param size of the letters, design px
 */
export function roomOf(lines: readonly InkLine[], size: number): number {
  const widest = Math.max(0, ...lines.map((l) => l.w))
  // Where the next word would have fitted long since, the design breaks by will: it stays broken however wide
  // the line is.
  const room = lines
    .slice(1)
    .map((next, i) => lines[i]!.w + WORD_SPACE * size + next.word - widest)
    .filter((r) => r > -BY_WILL * size)
  return Math.max(0, Math.min(...room))
}

/**
 * By how much a line is made wider than the widest one, so that letters that run a little wider still break where the design breaks,
 * design px. @param room see `roomOf` @param size of the letters, design px
 */
export function slackOf(room: number, size: number): number {
  const least = Math.min(room, LONE_SLACK * size)
  // Where there is little to spare, most of it is taken: fonts are drawn a hair wider or narrower everywhere.
  return Math.max(
    0,
    Math.min(MOST_SLACK * size, Math.max(HALF * least, Math.min(NEARLY * least, LITTLE * size))),
  )
}

/** The widths at which words break where the design breaks, design px. @param width of the widest line @param size of the letters */
export const widthsFor = (width: number, room: number, size: number): { least: number; most: number } => ({
  least: width + Math.min(slackOf(room, size), LITTLE * size),
  most: width + NEARLY * room,
})

/** The space beside words that leaves them their measured width and some slack. */
export function sideSpace(
  align: 'left' | 'center' | 'right',
  left: number,
  right: number,
  slack: number,
): Pick<Sides, 'left' | 'right'> {
  if (align === 'center') {
    // A column may be wider on one side than the words are centred in.
    const [l, r] =
      Math.abs(left - right) <= SAME_SPACE ? [Math.min(left, right), Math.min(left, right)] : [left, right]
    return { left: Math.max(0, l - Math.ceil(slack / 2)), right: Math.max(0, r - Math.ceil(slack / 2)) }
  }
  return align === 'right'
    ? { left: Math.max(0, left - slack), right }
    : { left, right: Math.max(0, right - slack) }
}
