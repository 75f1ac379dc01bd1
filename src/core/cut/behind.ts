import { newId } from '../email/defaults'
import { textOf } from '../email/richtext'
import type { Autocut } from './autocut'
import { groundOf } from './ground'
import { boxAround } from './box-around'
import { looksOf } from './looks'
import type { BoxLook, Cut, Lettering, Panel } from './plan'
import { inkOf, isBold } from './letters-on'
import { linesOfBlocks, type WordedBy } from './read-blocks'
import type { ReadLine } from './read-lines'
import type { TextBlock } from './reflow'
import { overlap, packHex, type Raster, type Rect } from './raster'

/** A picture lies behind its band where it is at least so wide, of the design, and so high, px of the email. */
const WIDE = 0.6
const HIGH = 90
/** Letters from this size on, px of the email, are lettering: they stay part of the picture, which says them as its alt text. */
const LETTERING = 64
/** Lines in one column reach no further together than this, of the widest of them. */
const COLUMN = 1.6
/** A picture of so many colours is like a photograph. */
const COLORS = 9
/** A picture says enough to be taken for a ground where so many words stand on it. */
const WORDS = 3

/**
 * Where words stand on a picture that fills its band, the picture lies behind: the band gets it as its ground, cleaned of what stands on it, and words and buttons stay what they are. @param on ids of the
 * cuts with words that cannot be parted from them
 */
export function behind(
  found: Autocut,
  on: ReadonlySet<string>,
  { lines, raster, scale, id = newId }: WordedBy,
): Autocut {
  const tops = [0, ...found.edges.map((e) => e.y)]
  let { cuts } = found
  const grounds: Panel[] = []
  for (const [i, y] of tops.entries()) {
    const band = { x: 0, y, w: raster.width, h: (tops[i + 1] ?? raster.height) - y }
    const inside = cuts.filter((c) => c.y + c.h / 2 >= band.y && c.y + c.h / 2 < band.y + band.h)
    const picture = inside.find((c) => on.has(c.id) && c.w >= WIDE * band.w && c.h >= HIGH * scale)
    if (!picture) continue
    const own = lines.filter((l) => l.y >= band.y && l.y + l.h <= band.y + band.h)
    if (!isGround(own, band, picture, raster, scale)) continue
    const color = groundOf(raster, band).color
    const standing = own.flatMap((l): Cut[] => {
      const box = boxAround(raster, l, scale)
      return box ? [buttonOf(l, box, id())] : []
    })
    const free = own.filter((l) => !standing.some((c) => overlap(c, l)))
    const blocks = linesOfBlocks(free)
    const left = Math.min(...blocks.map((b) => b.ink.x))
    const words = blocks.map(({ block, lines: of, ink }): Cut => ({
      id: id(),
      ...clipped(roomFor(ink, left, band, scale), band),
      kind: 'words',
      alt: null,
      link: '',
      words: textOf(block.size >= TITLE * scale ? of.map((l) => l.text).join('\n') : block.text),
      ground: null,
      seen: { part: 'words', sure: 0.7 },
      lettering: letteringOf(block, of, raster, scale),
    }))
    // What else was seen there is part of the picture now.
    cuts = [...cuts.filter((c) => !inside.includes(c)), ...standing, ...words]
    grounds.push({ ...band, color, radius: 0, picture: true })
  }
  const covered = (p: Rect) => grounds.some((g) => p.y >= g.y && p.y + p.h <= g.y + g.h)
  return {
    ...found,
    panels: [...grounds, ...found.panels.filter((p) => !covered(p))],
    cuts: cuts.sort((a, b) => a.y - b.y || a.x - b.x),
  }
}

/** Whether words stand on something like a photograph, in one column: what is drawn around its words, such as a ticket, is in place with them alone. */
function isGround(
  lines: readonly ReadLine[],
  band: Rect,
  picture: Rect,
  raster: Raster,
  scale: number,
): boolean {
  const on = lines.filter((l) => overlap(l, picture))
  if (on.some((l) => l.size >= LETTERING * scale)) return false
  if (
    on
      .map((l) => l.text)
      .join(' ')
      .split(/\s+/).length < WORDS
  )
    return false
  const left = Math.min(...on.map((l) => l.x)),
    right = Math.max(...on.map((l) => l.x + l.w))
  const widest = Math.max(...on.map((l) => l.w))
  if (right - left > COLUMN * widest) return false
  const ground = groundOf(raster, band)
  return looksOf(raster, band, packHex(ground.color)).colors >= COLORS
}

/** Letters from this size on, px of the email, keep the line ends that they were drawn with. */
const TITLE = 22
/** Words may run wider than they were seen, of their width: fonts differ. */
const WIDER = 1.15
/** What begins this near to the left edge of all begins there, px of the email. */
const SAME_EDGE = 5

/** The room of words on a picture: from the common left edge, a little wider than their ink. */
function roomFor(ink: Rect, left: number, band: Rect, scale: number): Rect {
  const x = ink.x - left <= SAME_EDGE * scale ? left : ink.x
  const w = Math.min(band.x + band.w - x, Math.ceil((ink.x + ink.w - x) * WIDER))
  return { ...ink, x, w }
}

/** How the letters of a block are set. */
function letteringOf(block: TextBlock, lines: readonly ReadLine[], raster: Raster, scale: number): Lettering {
  const color = inkOf(raster, lines[0]!)
  return {
    size: Math.min(200, Math.max(4, Math.round((2 * block.size) / scale) / 2)),
    ...(block.line ? { line: Math.min(400, Math.round(block.line / scale)) } : {}),
    ...(lines.length > 1 && block.align ? { align: block.align } : {}),
    ...(isBold(raster, lines, color) ? { bold: true } : {}),
    color,
  }
}

const buttonOf = (line: ReadLine, { rect, box }: { rect: Rect; box: BoxLook }, id: string): Cut => ({
  id,
  ...rect,
  kind: 'button',
  alt: null,
  link: '',
  words: textOf(line.text),
  ground: null,
  box,
  seen: { part: 'button', sure: 0.8 },
})

const clipped = (r: Rect, to: Rect): Rect => {
  const [x, y] = [Math.max(to.x, r.x), Math.max(to.y, r.y)]
  return { x, y, w: Math.min(r.x + r.w, to.x + to.w) - x, h: Math.min(r.y + r.h, to.y + to.h) - y }
}
