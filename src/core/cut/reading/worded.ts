import { plainOf } from '../../email/richtext'
import { newId, type NewId } from '../../email/defaults'
import type { Autocut } from '../autocut'
import { groundOf } from '../ground'
import { looksOf } from '../looks'
import type { Cut } from '../plan'
import { packHex, type Raster } from '../raster'
import { blocksOf } from '../reflow'
import { behind, letteringOf } from './behind'
import { INSIDE, linesOfBlocks, share, type WordedBy } from './blocks'
import { boxesOn } from './boxes-on'
import { withCards } from './card'
import { withCharts } from './charts'
import { shareLeft } from './ink-left'
import type { ReadLine } from './lines'
import { ICON, LINE, ONE_INK, partedFrom, inksOfRow, says, thingsApart, SPECK, wordsOf } from './parting'
import { readableOf } from './place'
import { FLAT, grown, plainGround } from './plain-ground'
import { withSigns } from './signs'
import { withSpaces } from './spaces'
import { strikesIn, withStrikes } from './strikes'

/** So much of the ink may lie beside the words: accents, the line under a link. */
const BESIDE = 0.06
/** Words of which this share of the ink is none that was read are no words: a picture lies under them. */
const UNEXPLAINED = 0.4
/** A label of which so much of the ink was not read is read again by itself. */
const UNREAD = 0.15
/** Lines that are read are no lower than this, px of the email: of less, patterns look like letters. */
const LEAST = 6

/**
 * What was found, put right by the words that were read: what was taken for a picture and is all words becomes words, a frame around one line a button, and a picture beside words is
 * parted from them. Where words stand on a picture, that lies behind its band and they stay words (`behind`); a small one stays a picture and has them as its alt text. What is read says at once what it reads.
 */
export function withWords(found: Autocut, by: WordedBy): Autocut {
  const { raster, scale, id = newId } = by
  const lines = by.lines.filter((l) => l.size >= LEAST * scale).map((l) => withSpaces(raster, l))
  const on = new Set<string>()
  const cuts = found.cuts.flatMap((cut): Cut[] => {
    const own = lines.filter((l) => share(l, cut) >= INSIDE && saysMuch(l, raster))
    const low = cut.kind === 'words' && !cut.words && cut.h <= BOX * scale
    if (low || (cut.kind === 'picture' && cut.seen?.part === 'drawing')) {
      const boxes = boxesOn(raster, cut, scale)
      const parted = boxes.length ? partedFrom(raster, cut, own, { scale, id, boxes }) : null
      if (parted) return parted
    }
    if (!own.length) return thingsApart(raster, cut, scale, id)
    if (cut.kind === 'picture') {
      const read = reread(cut, own, raster, scale, id)
      if (!read) on.add(cut.id)
      return read ?? [pictured(cut, own)]
    }
    if (cut.kind !== 'words' && cut.kind !== 'button') return [cut]
    const ground = cut.kind === 'button' ? (cut.box?.background ?? cut.ground) : cut.ground
    const behindIt = packHex(ground ?? '#ffffff')
    if (cut.kind === 'button')
      return [shareLeft(raster, readableOf(cut, scale), own, behindIt) <= UNREAD ? says(cut, own) : cut]
    const left = shareLeft(raster, cut, own, behindIt)
    // What little is no words is a thing only where it is as large as an icon.
    const little = left <= 2 * BESIDE
    const least = little ? ICON : SPECK
    // An icon may have been read as a letter or two, which then lie over it.
    const longer = own.filter((l) => l.text.replace(/[^\p{L}\p{N}]/gu, '').length > FEW)
    const parted =
      partedFrom(raster, cut, own, { scale, id, least }) ??
      (longer.length && longer.length < own.length
        ? partedFrom(raster, cut, longer, { scale, id, least: ICON })
        : null)
    if (parted) return parted
    const runs = left <= UNEXPLAINED && ground ? inksOfRow(raster, own) : []
    if (runs.length > 1)
      return runs.flatMap((run, i) =>
        wordsOf(i ? { ...cut, id: id() } : cut, [run], ground!, { raster, scale, id }),
      )
    if (little) return [says(cut, own)]
    if (left <= UNEXPLAINED) return [cut]
    on.add(cut.id)
    return [pictured({ ...cut, kind: 'picture' }, own)]
  })
  const put = {
    ...found,
    cuts: withSigns(withCharts(cuts, scale), raster, scale)
      .map((c) => withStruck(c, raster, scale))
      .map((c) => withJoined(c, lines, raster, scale))
      .sort((a, b) => a.y - b.y || a.x - b.x),
  }
  const read = { ...by, lines, id }
  return behind(withCards(put, on, read), on, read)
}

/** Words of a script that joins its letters, with the size that they were read in: none of its letters is an x to measure. */
function withJoined(cut: Cut, lines: readonly ReadLine[], raster: Raster, scale: number): Cut {
  if (cut.kind !== 'words' || !cut.words || cut.lettering || !JOINED.test(plainOf(cut.words))) return cut
  const own = lines.filter((l) => share(l, cut) >= INSIDE)
  const [first] = linesOfBlocks(own)
  if (!first) return cut
  const { size, line, align, color } = letteringOf(first.block, first.lines, raster, scale)
  const set = { size, ...(line ? { line } : {}), ...(align ? { align } : {}), ...(color ? { color } : {}) }
  return { ...cut, lettering: set }
}
const JOINED = /\p{Script=Arabic}/u

/** Words of a single line that holds old prices, with these struck through; where the line was misread for it they are read again. */
function withStruck(cut: Cut, raster: Raster, scale: number): Cut {
  if (cut.kind !== 'words' || !cut.ground || cut.h > LINE * scale) return cut
  const seen = strikesIn(raster, cut, cut.ground)
  const struck = seen.map((w) => w.line !== null)
  if (!struck.includes(true) || struck.length > MOST_WORDS) return cut
  const words = cut.words && withStrikes(cut.words, struck)
  return words === cut.words && words ? cut : { ...cut, struck, words }
}

/** A line of more words than this is no price. */
const MOST_WORDS = 6

/** Words no higher than this may be a button that was taken for them, px of the email. */
const BOX = 80

/** Letters and figures of which fewer are no word: a face or a leaf is easily read as one. */
const FEW = 3
/** Whether a line is more than something that looks a little like a letter. */
function saysMuch(line: ReadLine, raster: Raster): boolean {
  if (line.text.replace(/[^\p{L}\p{N}]/gu, '').length >= FEW) return true
  const rect = { x: Math.floor(line.x), y: Math.floor(line.y), w: Math.ceil(line.w), h: Math.ceil(line.h) }
  const ground = groundOf(raster, grown(rect, 2, raster))
  if (ground.share < FLAT) return false
  return looksOf(raster, rect, packHex(ground.color)).mono >= ONE_INK
}

/** A picture that says something says it as its alt text. */
const pictured = (cut: Cut, lines: readonly ReadLine[]): Cut =>
  cut.alt === null && cut.seen?.part !== 'icons'
    ? {
        ...cut,
        alt: blocksOf(lines)
          .map((b) => b.text.replace(/\s+/g, ' '))
          .join(' ')
          .slice(0, 2000),
      }
    : cut

/** A picture as what its words make of it; null where it stays one. */
function reread(
  cut: Cut,
  lines: readonly ReadLine[],
  raster: Raster,
  scale: number,
  id: NewId,
): Cut[] | null {
  const ground = plainGround(raster, cut, scale)
  if (ground === null) return null
  if (shareLeft(raster, cut, lines, packHex(ground)) <= BESIDE)
    return wordsOf(cut, lines, ground, { raster, scale, id })
  return partedFrom(raster, cut, lines, { scale, id })
}
