import { newId, type NewId } from '../email/defaults'
import { textOf, withLists } from '../email/richtext'
import type { Autocut } from './autocut'
import { behind } from './behind'
import { framedIn } from './framed'
import { groundOf } from './ground'
import { looksOf } from './looks'
import type { Cut } from './plan'
import type { ReadLine } from './read-lines'
import { INSIDE, linesOfBlocks, share, type WordedBy } from './read-blocks'
import { blocksOf, readAcross } from './reflow'
import { differs, overlap, packed, packHex, type Raster, type Rect } from './raster'

/** A rim of which this share is of one colour is a ground that words stand on. */
const FLAT = 0.75
/** How far around what was seen its ground is looked at, px of the email. */
const RIM = 2
/** Ink differs from its ground by more than this in a channel, 0 to 255. */
const INK = 32
/** So much of the ink may lie beside the words: accents, the line under a link. */
const BESIDE = 0.06
/** Words of which this share of the ink is none that was read are no words: a picture lies under them. */
const UNEXPLAINED = 0.4
/** Around a line there may be ink of its own for so much of its letters' size. */
const AROUND = 0.3
/** Words stand at least so far from a picture beside them, of their letters' size. */
const APART = 0.2
/** Lines that are read are no lower than this, px of the email: of less, patterns look like letters. */
const LEAST = 6

/**
 * What was found, put right by the words that were read: what was taken for a picture and is all words becomes words, a frame around one line a button, and a picture beside words is
 * parted from them. Where words stand on a picture, that lies behind its band and they stay words (`behind`); a small one stays a picture and has them as its alt text. What is read says at once what it reads.
 */
export function withWords(found: Autocut, by: WordedBy): Autocut {
  const { raster, scale, id = newId } = by
  const lines = by.lines.filter((l) => l.size >= LEAST * scale)
  const on = new Set<string>()
  const cuts = found.cuts.flatMap((cut): Cut[] => {
    const own = lines.filter((l) => share(l, cut) >= INSIDE && saysMuch(l, raster))
    if (!own.length) return [cut]
    if (cut.kind === 'picture') {
      const read = reread(cut, own, raster, scale, id)
      if (!read) on.add(cut.id)
      return read ?? [pictured(cut, own)]
    }
    if (cut.kind !== 'words' && cut.kind !== 'button') return [cut]
    const ground = cut.kind === 'button' ? (cut.box?.background ?? cut.ground) : cut.ground
    const rest = restOf(raster, cut, own, packHex(ground ?? '#ffffff'))
    if (cut.kind === 'words' && rest.share > UNEXPLAINED) {
      on.add(cut.id)
      return [pictured({ ...cut, kind: 'picture' }, own)]
    }
    return [rest.share <= 2 * BESIDE || cut.kind === 'button' ? says(cut, own) : cut]
  })
  const put = { ...found, cuts: cuts.sort((a, b) => a.y - b.y || a.x - b.x) }
  return behind(put, on, { lines, raster, scale, id })
}

/** Letters and figures of which fewer are no word: a face or a leaf is easily read as one. */
const FEW = 3
/** Of so few this share of what stands off the ground is of one ink. */
const ONE_INK = 0.7

/** Whether a line is more than something that looks a little like a letter. */
function saysMuch(line: ReadLine, raster: Raster): boolean {
  if (line.text.replace(/[^\p{L}\p{N}]/gu, '').length >= FEW) return true
  const rect = { x: Math.floor(line.x), y: Math.floor(line.y), w: Math.ceil(line.w), h: Math.ceil(line.h) }
  const ground = groundOf(raster, grown(rect, 2, raster))
  if (ground.share < FLAT) return false
  return looksOf(raster, rect, packHex(ground.color)).mono >= ONE_INK
}

/** A cut with the words that were read in it, unless it has some. */
function says(cut: Cut, lines: readonly ReadLine[]): Cut {
  if (cut.words) return cut
  const text = readAcross(blocksOf(lines, cut.w))
  return {
    ...cut,
    words: cut.kind === 'button' ? textOf(text.replace(/\s+/g, ' ')) : withLists(textOf(text)),
  }
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

/** A rectangle with some px more on each side, within the design. */
function grown(r: Rect, by: number, { width, height }: Raster): Rect {
  const [x, y] = [Math.max(0, r.x - by), Math.max(0, r.y - by)]
  return { x, y, w: Math.min(width, r.x + r.w + by) - x, h: Math.min(height, r.y + r.h + by) - y }
}

/** A picture as what its words make of it; null where it stays one. */
function reread(
  cut: Cut,
  lines: readonly ReadLine[],
  raster: Raster,
  scale: number,
  id: NewId,
): Cut[] | null {
  const ground = groundOf(raster, grown(cut, Math.round(RIM * scale), raster))
  if (ground.share < FLAT) return null
  const rest = restOf(raster, cut, lines, packHex(ground.color))
  if (rest.share <= BESIDE) return wordsOf(cut, lines, ground.color, id)
  if (lines.length === 1) {
    const box = framedIn(raster, cut, lines[0]!, ground.color, scale)
    if (box)
      return [
        says(
          { ...cut, kind: 'button', ground: ground.color, box, seen: { part: 'button', sure: 0.8 } },
          lines,
        ),
      ]
  }
  // What is no words lies beside them.
  const near = lines.some((l) => {
    const air = APART * l.size
    return overlap(l, { x: rest.x - air, y: rest.y - air, w: rest.w + 2 * air, h: rest.h + 2 * air })
  })
  if (near) return null
  const picture: Cut = { ...cut, id: id(), x: rest.x, y: rest.y, w: rest.w, h: rest.h }
  return [picture, ...wordsOf(cut, lines, ground.color, id)]
}

/** The ink of a cut that no line explains: the rectangle around it, and its share of all ink. */
function restOf(
  raster: Raster,
  cut: Rect,
  lines: readonly ReadLine[],
  ground: number,
): Rect & { share: number } {
  const px = packed(raster)
  const boxes = lines.map((l) => {
    const by = AROUND * l.size
    return { x: l.x - by, y: l.y - by, w: l.w + 2 * by, h: l.h + 2 * by }
  })
  let [left, right, top, bottom] = [Infinity, -1, Infinity, -1]
  let [all, rest] = [0, 0]
  for (let y = cut.y; y < Math.min(raster.height, cut.y + cut.h); y++) {
    const here = boxes.filter((b) => y >= b.y && y < b.y + b.h)
    for (let x = cut.x; x < Math.min(raster.width, cut.x + cut.w); x++) {
      if (!differs(px[y * raster.width + x]!, ground, INK)) continue
      all++
      if (here.some((b) => x >= b.x && x < b.x + b.w)) continue
      rest++
      if (x < left) left = x
      if (x > right) right = x
      if (y < top) top = y
      bottom = y
    }
  }
  return { x: left, y: top, w: right - left + 1, h: bottom - top + 1, share: all ? rest / all : 0 }
}

/** Each block of words as a cut of its own. */
function wordsOf(cut: Cut, lines: readonly ReadLine[], ground: string, id: NewId): Cut[] {
  return linesOfBlocks(lines, cut.w).map(({ lines: own, ink }, i): Cut => {
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
