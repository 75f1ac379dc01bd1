import { newId, type NewId } from '../../email/defaults'
import { textOf, withLists } from '../../email/richtext'
import type { Autocut } from '../autocut'
import { behind, boxedCut } from './behind'
import { boxesOn, type BoxOn } from './boxes-on'
import { framedIn } from './framed'
import { groundOf } from '../ground'
import { looksOf } from '../looks'
import type { Cut } from '../plan'
import type { ReadLine } from './lines'
import { inkOf, isBold } from './letters-on'
import { withCharts } from './charts'
import { readableOf } from './place'
import { strikesIn, withStrikes } from './strikes'
import { INSIDE, inkAround, linesOfBlocks, share, type WordedBy } from './blocks'
import { blocksOf, readAcross } from '../reflow'
import { around, differs, overlap, packed, packHex, type Raster, type Rect } from '../raster'

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
/** A label of which so much of the ink was not read is read again by itself. */
const UNREAD = 0.15
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
    const low = cut.kind === 'words' && !cut.words && cut.h <= BOX * scale
    if (low || (cut.kind === 'picture' && cut.seen?.part === 'drawing')) {
      const boxes = boxesOn(raster, cut, scale)
      const parted = boxes.length ? partedFrom(raster, cut, own, { scale, id, boxes }) : null
      if (parted) return parted
    }
    if (!own.length) return [cut]
    if (cut.kind === 'picture') {
      const read = reread(cut, own, raster, scale, id)
      if (!read) on.add(cut.id)
      return read ?? [pictured(cut, own)]
    }
    if (cut.kind !== 'words' && cut.kind !== 'button') return [cut]
    const ground = cut.kind === 'button' ? (cut.box?.background ?? cut.ground) : cut.ground
    const rest = restOf(raster, cut, own, packHex(ground ?? '#ffffff'))
    if (cut.kind === 'button') {
      const inner = restOf(raster, readableOf(cut, scale), own, packHex(ground ?? '#ffffff'))
      return [inner.share <= UNREAD ? says(cut, own) : cut]
    }
    // What little is no words is a thing only where it is as large as an icon.
    const little = rest.share <= 2 * BESIDE
    const least = little ? ICON : SPECK
    // An icon may have been read as a letter or two, which then lie over it.
    const longer = own.filter((l) => l.text.replace(/[^\p{L}\p{N}]/gu, '').length > FEW)
    const parted =
      partedFrom(raster, cut, own, { scale, id, least }) ??
      (longer.length && longer.length < own.length
        ? partedFrom(raster, cut, longer, { scale, id, least: ICON })
        : null)
    if (parted) return parted
    if (little) return [says(cut, own)]
    if (rest.share <= UNEXPLAINED) return [cut]
    on.add(cut.id)
    return [pictured({ ...cut, kind: 'picture' }, own)]
  })
  const put = {
    ...found,
    cuts: withCharts(cuts, scale)
      .map((c) => withStruck(c, raster, scale))
      .sort((a, b) => a.y - b.y || a.x - b.x),
  }
  return behind(put, on, { lines, raster, scale, id })
}

/** Words of a single line that holds old prices, with these struck through; where the line was misread for it they are read again. */
function withStruck(cut: Cut, raster: Raster, scale: number): Cut {
  if (cut.kind !== 'words' || !cut.ground || cut.h > LINE * scale) return cut
  const seen = strikesIn(raster, cut, cut.ground)
  const struck = seen.map((w) => w.line !== null)
  if (!struck.includes(true) || struck.length > MOST_WORDS) return cut
  return { ...cut, struck, words: cut.words && withStrikes(cut.words, struck) }
}

/** A line of more words than this is no price. */
const MOST_WORDS = 6

/** Words no higher than this may be a button that was taken for them, px of the email. */
const BOX = 80

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

/** Colours are nearly one within this, channel difference, in that share of a rim: a slope of colour that is hardly seen. */
const [NEARLY, ALL] = [16, 0.95]

/** The ground that words of a place stand on, where it is of one colour or nearly; null where it is a picture's. */
function plainGround(raster: Raster, place: Rect): string | null {
  const ground = groundOf(raster, place)
  if (ground.share >= FLAT) return ground.color
  const px = packed(raster)
  const behind = packHex(ground.color)
  let [near, all] = [0, 0]
  const see = (x: number, y: number) => {
    all++
    if (!differs(px[y * raster.width + x]!, behind, NEARLY)) near++
  }
  for (let x = place.x; x < place.x + place.w; x++) {
    see(x, place.y)
    see(x, place.y + place.h - 1)
  }
  for (let y = place.y; y < place.y + place.h; y++) {
    see(place.x, y)
    see(place.x + place.w - 1, y)
  }
  return near >= ALL * all ? ground.color : null
}

/** A picture as what its words make of it; null where it stays one. */
function reread(
  cut: Cut,
  lines: readonly ReadLine[],
  raster: Raster,
  scale: number,
  id: NewId,
): Cut[] | null {
  const ground = plainGround(raster, grown(cut, Math.round(RIM * scale), raster))
  if (ground === null) return null
  const rest = restOf(raster, cut, lines, packHex(ground))
  if (rest.share <= BESIDE) return wordsOf(cut, lines, ground, id, raster)
  if (lines.length === 1) {
    const box = framedIn(raster, cut, lines[0]!, ground, scale)
    if (box)
      return [
        says({ ...cut, kind: 'button', ground: ground, box, seen: { part: 'button', sure: 0.8 } }, lines),
      ]
  }
  return partedFrom(raster, cut, lines, { scale, id })
}

/** Things that stand this near to each other are one, px of the email; what is smaller than that is no thing, and what is as large as that both ways may be an icon. */
const ONE = 5
const SPECK = 6
const ICON = 16

interface Parting {
  scale: number
  id: NewId
  /** Boxes that hold a label each. */
  boxes?: readonly BoxOn[]
  /** Smaller things are none, px of the email. */
  least?: number
}

/**
 * What is no words beside those that are, such as icons before lines: each thing a picture, each block of words its own, each box with a label a button. Null where they lie over each other. Small marks on a line
 * belong to it.
 */
function partedFrom(
  raster: Raster,
  cut: Cut,
  all: readonly ReadLine[],
  { scale, id, boxes = [], least = SPECK }: Parting,
): Cut[] | null {
  const ground = plainGround(raster, grown(cut, Math.round(RIM * scale), raster))
  if (ground === null) return null
  const lines = all.filter((l) => !boxes.some((b) => overlap(b.rect, l)))
  const explained = [...boxesOf(lines), ...boxes.map((b) => grown(b.rect, 2, raster))]
  const things = thingsBeside(raster, cut, explained, packHex(ground), Math.round(ONE * scale)).filter(
    (t) =>
      (least === ICON ? Math.min(t.w, t.h) : Math.max(t.w, t.h)) >= least * scale &&
      !lines.some((l) => isOnLine(t, l)),
  )
  const near = (t: Rect, l: ReadLine) => {
    const air = APART * l.size
    return overlap(l, { x: t.x - air, y: t.y - air, w: t.w + 2 * air, h: t.h + 2 * air })
  }
  if (!things.length && !boxes.length) return null
  if (things.some((t) => lines.some((l) => near(t, l)))) return null
  const buttons = boxes.map((box): Cut => {
    const button = boxedCut(box, all, raster, id())
    return { ...button, ground: ground, lettering: undefined, seen: { part: 'button', sure: 0.7 } }
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
    return [{ ...cut, words: null }]
  const pictures = things.map((t): Cut => {
    const [kind, part] = said.has(t) ? (['words', 'words'] as const) : (['picture', 'drawing'] as const)
    return {
      ...cut,
      ...t,
      id: id(),
      kind,
      words: null,
      alt: null,
      ground: ground,
      seen: { part, sure: 0.7 },
    }
  })
  const right = cut.x + cut.w
  const words = wordsOf(cut, lines, ground, id, raster).map((c) => {
    // What begins behind a thing has the room up to the next, or to the side.
    const level = things.filter((t) => t.y < c.y + c.h && t.y + t.h > c.y)
    if (!level.some((t) => t.x + t.w <= c.x)) return c
    const next = Math.min(
      right,
      ...level.filter((t) => t.x >= c.x + c.w).map((t) => t.x - Math.round(ONE * scale)),
    )
    return { ...c, w: Math.max(c.w, next - c.x) }
  })
  return [...pictures, ...words, ...buttons]
}

/** Whether a thing stands in the rows of a line. */
const isLevel = (t: Rect, l: ReadLine): boolean =>
  Math.min(t.y + t.h, l.y + l.h) - Math.max(t.y, l.y) >= 0.5 * Math.min(t.h, l.h)

/** A line is no higher than this, px of the email. */
const LINE = 26

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

/** The things in a place that are not explained: what is of ink and nearer to each other than some px. @param one design px */
function thingsBeside(
  raster: Raster,
  cut: Rect,
  explained: readonly Rect[],
  ground: number,
  one: number,
): Rect[] {
  const px = packed(raster)
  const across = Math.ceil(cut.w / one)
  const down = Math.ceil(cut.h / one)
  // Each square of a grid with the ink that lies in it.
  const squares: (Rect | undefined)[] = Array.from({ length: across * down })
  for (let y = cut.y; y < Math.min(raster.height, cut.y + cut.h); y++) {
    const here = explained.filter((b) => y >= b.y && y < b.y + b.h)
    for (let x = cut.x; x < Math.min(raster.width, cut.x + cut.w); x++) {
      if (!differs(px[y * raster.width + x]!, ground, INK)) continue
      if (here.some((b) => x >= b.x && x < b.x + b.w)) continue
      const k = Math.floor((y - cut.y) / one) * across + Math.floor((x - cut.x) / one)
      squares[k] = squares[k] ? around([squares[k], { x, y, w: 1, h: 1 }]) : { x, y, w: 1, h: 1 }
    }
  }
  const things: Rect[] = []
  for (const [k, first] of squares.entries()) {
    if (!first) continue
    const group = [first]
    const todo = [k]
    squares[k] = undefined
    for (let at = todo.pop(); at !== undefined; at = todo.pop())
      for (const [dx, dy] of NEIGHBOURS) {
        const [x, y] = [(at % across) + dx, Math.floor(at / across) + dy]
        const next = y * across + x
        if (x < 0 || x >= across || y < 0 || y >= down || !squares[next]) continue
        group.push(squares[next])
        squares[next] = undefined
        todo.push(next)
      }
    things.push(around(group))
  }
  return things
}

const NEIGHBOURS = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy] as const))

/** Where the ink of lines may lie. */
const boxesOf = (lines: readonly ReadLine[]): Rect[] =>
  lines.map((l) => {
    const by = AROUND * l.size
    return { x: l.x - by, y: l.y - by, w: l.w + 2 * by, h: l.h + 2 * by }
  })

/** The ink of a cut that no line explains: the rectangle around it, and its share of all ink. */
function restOf(
  raster: Raster,
  cut: Rect,
  lines: readonly ReadLine[],
  ground: number,
): Rect & { share: number } {
  const px = packed(raster)
  const boxes = boxesOf(lines)
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

/** Lines that are set alike, in runs: a bold one over usual ones is a block of its own, and so is one of another colour. */
function setAlike(raster: Raster, lines: readonly ReadLine[]): ReadLine[][] {
  const runs: { lines: ReadLine[]; bold: boolean; color: number }[] = []
  for (const line of lines) {
    const ink = inkOf(raster, line)
    const [bold, color] = [isBold(raster, [line], ink), packHex(ink)]
    const last = runs.at(-1)
    if (last && last.bold === bold && !differs(last.color, color, OTHER)) last.lines.push(line)
    else runs.push({ lines: [line], bold, color })
  }
  return runs.map((r) => r.lines)
}

/** Inks are two from this channel difference on. */
const OTHER = 60

/** Each block of words as a cut of its own. */
function wordsOf(cut: Cut, lines: readonly ReadLine[], ground: string, id: NewId, raster: Raster): Cut[] {
  const blocks = linesOfBlocks(lines, cut.w).flatMap((block) => {
    const runs = setAlike(raster, block.lines)
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
