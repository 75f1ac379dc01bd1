import { inReadingOrder } from '../../text/reading-order'
import type { NewId } from '../../email/defaults'
import { textOf, withLists } from '../../email/richtext'
import { looksOf } from '../looks'
import type { Cut } from '../plan'
import { around, differs, overlap, packHex, type Raster, type Rect } from '../raster'
import { blocksOf, readAcross } from '../reflow'
import { boxedCut } from './behind'
import { inkAround, linesOfBlocks } from './blocks'
import type { BoxOn } from './boxes-on'
import { boxesOf, thingsLeft } from './ink-left'
import { inkOf, isBold } from './letters-on'
import type { ReadLine } from './lines'
import { grown, plainGround } from './plain-ground'
import { strikesIn } from './strikes'

/** Words stand at least so far from a picture beside them, of their letters' size. */
const APART = 0.2
/** Of letters this share of what stands off the ground is of one ink. */
export const ONE_INK = 0.7

/** Things that stand this near to each other are one, px of the email; what is smaller than that is no thing, and what is as large as that both ways may be an icon. */
const ONE = 5
export const SPECK = 6
export const ICON = 16

interface Parting {
  scale: number
  id: NewId
  /** Boxes that hold a label each. */
  boxes?: readonly BoxOn[]
  /** Smaller things are none, px of the email. */
  least?: number
  /** Whether words are parted even where nothing else stands beside them. */
  all?: boolean
}

/**
 * What is no words beside those that are, such as icons before lines: each thing a picture, each block of words its own, each box with a label a button. Null where they lie over each other. Small marks on a line
 * belong to it.
 */
export function partedFrom(
  raster: Raster,
  cut: Cut,
  all: readonly ReadLine[],
  { scale, id, boxes = [], least = SPECK, all: always = false }: Parting,
): Cut[] | null {
  const ground = plainGround(raster, cut, scale)
  if (ground === null) return null
  const lines = all.filter((l) => !boxes.some((b) => overlap(b.rect, l)))
  const explained = [...boxesOf(lines), ...boxes.map((b) => grown(b.rect, 2, raster))]
  const things = thingsLeft(raster, cut, explained, packHex(ground), Math.round(ONE * scale)).filter(
    (t) =>
      (least === ICON ? Math.min(t.w, t.h) : Math.max(t.w, t.h)) >= least * scale &&
      !lines.some((l) => isOnLine(t, l)),
  )
  const near = (t: Rect, l: ReadLine) => {
    const air = APART * l.size
    return overlap(l, { x: t.x - air, y: t.y - air, w: t.w + 2 * air, h: t.h + 2 * air })
  }
  if (!always && !things.length && !boxes.length) return null
  if (things.some((t) => lines.some((l) => near(t, l)))) return null
  const buttons = boxes.map((box): Cut => {
    const button = boxedCut(box, all, raster, id())
    return { ...button, ground, lettering: undefined, seen: { part: 'button', sure: 0.7 } }
  })
  const isWords = (t: Rect): boolean => {
    if (t.h > LINE * scale || t.w <= t.h) return false
    const { mono, pieces } = looksOf(raster, t, packHex(ground))
    // What is of one ink, in pieces along a line, is words that were not read: a price above all.
    return (mono >= ONE_INK && pieces > 1) || strikesIn(raster, t, ground).some((w) => w.line)
  }
  const said = new Set(things.filter(isWords))
  // What goes on a line that was read is read with it.
  if (
    cut.kind === 'words' &&
    !boxes.length &&
    things.every((t) => said.has(t) && lines.some((l) => isLevel(t, l)))
  )
    return thingsApart(raster, { ...cut, words: null }, scale, id)
  const pictures = things.map((t): Cut => {
    const [kind, part] = said.has(t)
      ? (['words', 'words'] as const)
      : t.h <= RULE.high * scale && t.w >= RULE.long * t.h
        ? (['rule', 'rule'] as const)
        : (['picture', 'drawing'] as const)
    return {
      ...cut,
      ...t,
      id: id(),
      kind,
      words: null,
      alt: null,
      ground,
      seen: { part, sure: 0.7 },
    }
  })
  const words = wordsOf(cut, lines, ground, { raster, scale, id })
  return [...pictures, ...withRoom(words, things, cut, Math.round(ONE * scale)), ...buttons]
}

/** Words that begin behind a thing have the room up to `air` px before the next, or to the side of their cut. */
function withRoom(words: readonly Cut[], things: readonly Rect[], cut: Rect, air: number): Cut[] {
  return words.map((c) => {
    const level = things.filter((t) => t.y < c.y + c.h && t.y + t.h > c.y)
    if (!level.some((t) => t.x + t.w <= c.x)) return c
    const next = level.filter((t) => t.x >= c.x + c.w).map((t) => t.x - air)
    return { ...c, w: Math.max(c.w, Math.min(cut.x + cut.w, ...next) - c.x) }
  })
}

/** Whether a thing stands in the rows of another. */
const isLevel = (t: Rect, l: Rect): boolean =>
  Math.min(t.y + t.h, l.y + l.h) - Math.max(t.y, l.y) >= 0.5 * Math.min(t.h, l.h)

/** A rule is no higher, px of the email, and so many times as long. */
const RULE = { high: 3, long: 20 } as const

/** A line is no higher than this, px of the email. */
export const LINE = 26

/** What holds a single line is no higher than this, px of the email. */
const ROW = 40

/** A mark is no wider than this, a line under words no higher than that, of the size of letters. */
const [MARK, UNDER] = [1.3, 0.2]

/** Whether a thing is a mark of a line, such as an arrow behind its words or the line under them. */
const isOnLine = (t: Rect, l: ReadLine): boolean =>
  (t.w <= MARK * l.size || t.h <= UNDER * l.size) &&
  t.h <= l.size &&
  t.y >= l.y - 0.3 * l.size &&
  t.y + t.h <= l.y + l.h + 0.4 * l.size &&
  t.x >= l.x - l.size &&
  t.x <= l.x + l.w + 1.5 * l.size

/** A cut with the words that were read in it, unless it has some. */
export function says(cut: Cut, lines: readonly ReadLine[]): Cut {
  if (cut.words) return cut
  const text = readAcross(blocksOf(lines, cut.w))
  return {
    ...cut,
    words: cut.kind === 'button' ? textOf(text.replace(/\s+/g, ' ')) : withLists(textOf(text)),
  }
}

/** Lines that are set alike, in runs: a bold one over usual ones is a block of its own, and so is one of another colour. */
function setAlike(raster: Raster, lines: readonly ReadLine[], scale: number): ReadLine[][] {
  const runs: { lines: ReadLine[]; bold: boolean; color: number }[] = []
  for (const line of lines) {
    const ink = inkOf(raster, line)
    const [bold, color] = [isBold(raster, [line], ink), packHex(ink)]
    const last = runs.at(-1)
    const alike = last && (last.bold === bold || line.size >= TITLE * scale)
    if (last && alike && !differs(last.color, color, OTHER)) last.lines.push(line)
    else runs.push({ lines: [line], bold, color })
  }
  return runs.map((r) => r.lines)
}

/** Larger letters are a title, all of one weight, px of the email. */
const TITLE = 22

/** Inks are two from this channel difference on. */
const OTHER = 60

/** Words of one line in two inks are two things where they stand at least so far apart, of their size: two names and the score between them. */
const INKS_APART = 0.6

/** What stands on one row as runs of words that are of one ink or near to each other; none where there are more rows. */
export function inksOfRow(raster: Raster, lines: readonly ReadLine[]): ReadLine[] {
  const [first] = lines
  if (!first || lines.some((l) => !isLevel(l, first))) return []
  const words = lines
    .flatMap((l) => (l.words ?? []).map((w) => ({ ...w, line: l })))
    .sort((a, b) => a.x - b.x)
  const runs: { words: typeof words; ink: number }[] = []
  for (const word of words) {
    const ink = packHex(inkOf(raster, word))
    const last = runs.at(-1)
    const before = last?.words.at(-1)
    const near = before && word.x - before.x - before.w < INKS_APART * word.line.size
    if (last && (near || !differs(last.ink, ink, OTHER))) last.words.push(word)
    else runs.push({ words: [word], ink })
  }
  return runs.map(({ words: own }) => ({
    ...own[0]!.line,
    ...around(own),
    text: inReadingOrder(own)
      .map((w) => w.text)
      .join(' '),
    words: own,
  }))
}

/** A line of words that was not read, parted where what stands apart in it is of another ink: each is read by itself then. */
export function thingsApart(raster: Raster, cut: Cut, scale: number, id: NewId): Cut[] {
  if (cut.kind !== 'words' || cut.words || !cut.ground || cut.h > ROW * scale) return [cut]
  const seen = thingsLeft(raster, cut, [], packHex(cut.ground), Math.round(ONE * scale))
  const high = Math.max(0, ...seen.map((t) => t.h))
  if (high > LINE * scale) return [cut]
  const air = Math.max(1, Math.round(INKS_APART * high))
  const things = thingsLeft(raster, cut, [], packHex(cut.ground), air).sort((a, b) => a.x - b.x)
  const inks = things.map((t) => packHex(inkOf(raster, t)))
  if (things.length < 2 || things.some((t) => !isLevel(t, things[0]!))) return [cut]
  const groups: Rect[] = []
  for (const [i, t] of things.entries()) {
    const last = groups.at(-1)
    if (last && !differs(inks[i - 1]!, inks[i]!, OTHER)) groups[groups.length - 1] = around([last, t])
    else groups.push(t)
  }
  return groups.length < 2 ? [cut] : groups.map((t, i) => ({ ...cut, ...t, id: i ? id() : cut.id }))
}

/** Each block of words as a cut of its own. */
export function wordsOf(
  cut: Cut,
  lines: readonly ReadLine[],
  ground: string,
  { raster, scale, id }: { raster: Raster; scale: number; id: NewId },
): Cut[] {
  const blocks = linesOfBlocks(lines, cut.w).flatMap((block) => {
    const runs = setAlike(raster, block.lines, scale)
    return runs.length > 1 ? runs.map((own) => ({ lines: own, ink: inkAround(own) })) : [block]
  })
  return blocks.map(({ lines: own, ink }, i): Cut => {
    const { x, y } = { x: Math.max(cut.x, ink.x), y: Math.max(cut.y, ink.y) }
    return says(
      {
        ...cut,
        id: i ? id() : cut.id,
        kind: 'words',
        alt: null,
        x,
        y,
        w: Math.min(ink.w, cut.x + cut.w - x),
        h: Math.min(ink.h, cut.y + cut.h - y),
        ground,
        seen: { part: 'words', sure: 0.75 },
      },
      own,
    )
  })
}
