import type { Autocut } from '../autocut'
import { isUnread, type Cut } from '../plan'
import { BY_BOX, withLabelSize } from './behind'
import type { ReadLine } from './lines'
import { readCut, taken } from './place'
import type { Reader } from './reader'
import { readWhole } from './whole'

/** How much of the work is reading the whole, and has been done once the parts are found; the rest is reading again what is unread. */
const [READING, FOUND] = [0.75, 0.8]

/** What is read alone is taken from this confidence on, 0 to 1. */
const SURE = 0.7

/** What reads and cuts a design. */
export interface Finding {
  reader: Reader
  size: { width: number; height: number }
  /** Design px for each px of the email. */
  scale: number
  /** Codes of languages that can be read, from which the words choose; empty: the reader's own is kept. */
  here: readonly string[]
  /** Cuts the design by its pixels and the words that were read. @param tell with the part that is done, 0 to 1 */
  find: (lines: readonly ReadLine[], tell: (done: number) => void) => Promise<Autocut>
  /** @param done 0 to 1 */
  tell?: (done: number) => void
}

/** What was found, the language its words are in, and whether they are of a script that cannot be read. */
export type Found = Autocut & { language: string; lost: boolean }

/** Reads the whole design first, then finds its parts by its words and its pixels: words that stand on pictures are found, too, and each cut says at once what it says. */
export async function readAndFind({ reader, size, scale, here, find, tell }: Finding): Promise<Found> {
  const { lines, language, lost } = await readWhole(reader, size, scale, here, (done) =>
    tell?.(READING * done),
  )
  const found = await find(lines, (done) => tell?.(READING + (FOUND - READING) * done))
  const cuts = await readRest(reader, found.cuts, scale, (done) => tell?.(FOUND + (1 - FOUND) * done))
  return { ...found, cuts, language, lost }
}

/** Whether words are as many as were seen, and those struck through figures: a line through letters is easily read as one of them. */
const arePrices = (text: string, struck: readonly boolean[]): boolean => {
  const said = text.trim().split(/\s+/)
  return said.length === struck.length && said.every((word, i) => !struck[i] || /\d/.test(word))
}

/** Words and labels that the reading of the whole missed, small ones above all, read again one by one. */
async function readRest(
  reader: Reader,
  cuts: readonly Cut[],
  scale: number,
  tell: (done: number) => void,
): Promise<Cut[]> {
  const rest = cuts.filter((c) => isUnread(c) || c.struck)
  const read = new Map<string, Cut>()
  for (const [i, cut] of rest.entries()) {
    const { text, sure } = await readCut(reader, cut, scale)
    if (text && sure >= SURE && !(cut.words && cut.struck && !arePrices(text, cut.struck)))
      read.set(cut.id, withLabelSize({ ...cut, ...taken(cut, text) }, scale))
    tell((i + 1) / rest.length)
  }
  return cuts.map((c) => read.get(c.id) ?? c).filter((c) => !(isUnread(c) && c.seen?.sure === BY_BOX))
}
