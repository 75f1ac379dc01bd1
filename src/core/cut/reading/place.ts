import { textOf, withLists } from '../../email/richtext'
import type { Cut } from '../plan'
import type { Rect } from '../raster'
import { blocksOf, joinPieces, readAcross, withBullets, type TextBlock, type TextLine } from '../reflow'
import { withStrikes } from './strikes'
import type { Layout, Reader, SeenLine, View } from './reader'

/** Letters are read best from about this height of a small x, px. */
const CLEAR_X = 20

/** From this confidence on, of 100, what is read off a picture are words. */
const SURE = 70

/** From this on, of 1, words are not read a second time. */
const PLAIN = 0.85

/** What is read less surely than this, of 1, says hardly anything. */
const HARDLY = 0.7

/** And by so much larger, where that does not help. */
const LARGER = 1.5

/** What is no higher may be a single line, px of the email. */
const LONE = 30

/** Ground around what is read, px of what is drawn. */
const MARGIN = 12

/** Words read at a place, and how surely, 0 to 1. */
export interface Proposal {
  text: string
  sure: number
  /** Design px. */
  blocks: TextBlock[]
}

/**
 * By how much a place is drawn larger before it is read.
 * @param scale design px for each px of the email, whose body text is about 16 px
 */
const readingZoom = (scale: number): number => Math.max(1, Math.min(4, CLEAR_X / (8 * scale)))

/**
 * Where the words of a cut are: of a button inside its edge and its round ends.
 * @param scale design px for each px of the email
 */
export function readableOf(cut: Cut, scale: number): Rect {
  const { x, y, w, h } = cut
  if (cut.kind !== 'button') return { x, y, w, h }
  const by = Math.round(((cut.box?.borderWidth ?? 0) + 3) * scale),
    round = Math.round(0.3 * (cut.box?.radius ?? 0) * scale)
  return w > 4 * (by + round) && h > 4 * by
    ? { x: x + by + round, y: y + by, w: w - 2 * (by + round), h: h - 2 * by }
    : { x, y, w, h }
}

/** What is read off one cut. @param scale design px for each px of the email */
export async function readCut(reader: Reader, cut: Cut, scale: number): Promise<Proposal> {
  const at = readableOf(cut, scale)
  const usual = () => readPlace(reader, at, scale, cut.kind === 'picture')
  const bare = cut.struck?.includes(true)
    ? await readOnce(reader, { rect: at, zoom: readingZoom(scale), way: 'unstruck' }, false)
    : null
  const asSeen = bare && bare.sure >= PLAIN ? null : await usual()
  const { blocks, sure } = bare && (!asSeen || bare.sure >= asSeen.sure) ? bare : asSeen!
  const text = cut.kind === 'picture' ? blocks.map((b) => b.text).join('\n\n') : readAcross(blocks)
  return { text, sure, blocks }
}

/** What a cut says once words that were read are taken. */
export function taken(cut: Cut, text: string): Partial<Cut> {
  const line = text.replace(/\s+/g, ' ')
  if (cut.kind === 'picture') return { alt: line.slice(0, 2000) }
  return { words: cut.kind === 'button' ? textOf(line) : withStrikes(withLists(textOf(text)), cut.struck) }
}

type Reading = Pick<Proposal, 'blocks' | 'sure'>

/**
 * The words of a place of the design as blocks. Where they are not read surely they are read again at another size, which helps with figures, then through the channel that parts them
 * best, which helps with colour on colour. @param scale design px for each px of the email @param scattered whether words stand here and there on a picture
 */
async function readPlace(reader: Reader, at: Rect, scale: number, scattered: boolean): Promise<Reading> {
  const zoom = readingZoom(scale),
    first = await readOnce(reader, { rect: at, zoom }, scattered)
  if (scattered || first.sure >= PLAIN) return first
  const other = zoom < 2 ? 2 * zoom : 0.8 * zoom,
    second = await readOnce(reader, { rect: at, zoom: other }, scattered)
  const seen = second.sure > first.sure ? second : first
  if (seen.sure >= PLAIN) return seen
  // What hardly says anything as a page, such as a lone figure, may as one line.
  if (at.h <= LONE * scale && seen.sure < HARDLY)
    for (const by of [other, LARGER * other]) {
      const alone = await readOnce(reader, { rect: at, zoom: by }, scattered, 'line')
      if (alone.sure >= PLAIN) return alone
    }
  const parted = await readOnce(reader, { rect: at, zoom, way: 'parted' }, scattered)
  return parted.sure > seen.sure ? parted : seen
}

/** @param scattered then only what was read surely counts, since much of a picture looks a little like letters */
async function readOnce(
  reader: Reader,
  view: View,
  scattered: boolean,
  as: Layout = 'page',
): Promise<Reading> {
  const { rect: at, zoom } = view
  const linesOf = async (layout: Layout, kept: (l: SeenLine) => boolean) =>
    (await reader.read({ ...view, margin: MARGIN }, layout)).filter(kept)
  // Sparse text in no order; or automatic, and where that finds nothing (a lone figure), as a single line.
  const found = scattered
    ? await linesOf('sparse', (l) => l.confidence >= SURE && /\p{L}{2}|\d{2}/u.test(l.text))
    : await linesOf(as, (l) => l.confidence > 25)
  const lines = found.length || scattered ? found : await linesOf('line', (l) => l.confidence > 50)
  const [left, top] = [at.x - MARGIN / zoom, at.y - MARGIN / zoom]
  const pieces = lines.flatMap((l) => {
    const size = Math.max(
      6,
      l.rowAttributes?.rowHeight
        ? (l.rowAttributes.rowHeight / zoom) * 0.76
        : ((l.bbox.y1 - l.bbox.y0) / zoom) * 0.95,
    )
    return spaced(l.words, 1.6 * size * zoom).map((words): TextLine => {
      const x0 = Math.min(...words.map((w) => w.bbox.x0)),
        x1 = Math.max(...words.map((w) => w.bbox.x1))
      return {
        text: words.map((w) => w.text).join(' '),
        x: left + x0 / zoom,
        w: (x1 - x0) / zoom,
        base: top + (l.baseline.y0 + l.baseline.y1) / 2 / zoom,
        size,
      }
    })
  })
  // Lines of one block are told to differ a little in size.
  const usual = pieces.map((p) => p.size).sort((a, b) => a - b)[pieces.length >> 1] ?? 0
  const settled = pieces.map((p) => (Math.abs(p.size - usual) <= 0.25 * usual ? { ...p, size: usual } : p))
  return {
    blocks: blocksOf(withBullets(joinPieces(settled)), at.w),
    // What holds neither letter nor figure was not read, however surely.
    sure: lines.some((l) => /[\p{L}\p{N}]/u.test(l.text))
      ? lines.reduce((s, l) => s + l.confidence, 0) / lines.length / 100
      : 0,
  }
}

/** The words of a line, parted where a wide space stands between them. @param wide px of what was drawn */
function spaced<W extends { bbox: { x0: number; x1: number } }>(words: readonly W[], wide: number): W[][] {
  const out: W[][] = []
  for (const w of words) {
    const last = out.at(-1)
    if (last && w.bbox.x0 - last.at(-1)!.bbox.x1 <= wide) last.push(w)
    else out.push([w])
  }
  return out
}
