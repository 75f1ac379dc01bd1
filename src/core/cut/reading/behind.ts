import { newId } from '../../email/defaults'
import { fontStacks, type SafeFont } from '../../email/fonts'
import { plainOf, textOf } from '../../email/richtext'
import type { Autocut } from '../autocut'
import { groundOf } from '../ground'
import { readInk } from '../ink'
import { looksOf } from '../looks'
import { tellFonts } from '../typeface'
import type { BoxLook, Cut, Lettering, Panel } from '../plan'
import { inkOf, isBold, lettersAlone } from './letters-on'
import { boxesOn, type BoxOn } from './boxes-on'
import { INSIDE, linesOfBlocks, share, type WordedBy } from './blocks'
import { sizeByInk, type ReadLine } from './lines'
import type { TextBlock } from '../reflow'
import { around, overlap, packHex, type Raster, type Rect } from '../raster'

/** A picture lies behind its band where it is at least so wide, of the design, and so high, px of the email. */
const WIDE = 0.6
const HIGH = 90
/** Letters from this size on, px of the email, are lettering: they stay part of the picture, which says them as its alt text. */
const LETTERING = 64
/** Lines in one column reach no further together than this, of the widest of them. */
const COLUMN = 1.6
/** A picture of so many colours is like a photograph. */
const COLORS = 9
/** Or it fills its band to this share, whose rim is of one colour no further than that. */
const FILLS = 0.95
const PLAIN = 0.75
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
    const wordy = inside.filter((c) => on.has(c.id) && c.w >= WIDE * band.w)
    // A slope from side to side is cut into strips along its words: it is one picture.
    const picture =
      wordy.find((c) => c.h >= HIGH * scale) ??
      (wordy.length && band.h >= HIGH * scale && slopes(raster, band) ? band : null)
    if (!picture) continue
    const own = lines.filter((l) => l.y >= band.y && l.y + l.h <= band.y + band.h)
    if (!isGround(own, band, picture, raster, scale)) continue
    const color = groundOf(raster, band).color
    const standing = boxesOn(raster, band, scale).map((b) =>
      withLabelSize(boxedCut(b, own, raster, id()), scale),
    )
    const free = own.filter((l) => !standing.some((c) => overlap(c, l)))
    const blocks = linesOfBlocks(free)
    const left = Math.min(...blocks.map((b) => b.ink.x))
    const words = blocks.map(({ block, lines: of, ink }): Cut => {
      const centred = (of.length === 1 || block.align === 'center') && isCentred(ink, band)
      return {
        id: id(),
        ...clipped(roomFor(ink, left, band, scale, centred), band),
        kind: 'words',
        alt: null,
        link: '',
        words: textOf(block.size >= TITLE * scale ? of.map((l) => l.text).join('\n') : block.text),
        ground: null,
        seen: { part: 'words', sure: 0.7 },
        lettering: {
          ...letteringOf(block, of, raster, scale),
          ...(centred ? { align: 'center' as const } : {}),
        },
      }
    })
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

/** Whether the colour goes on changing along the first and the last row of a band: no single one has this share of them. */
const slopes = (raster: Raster, { x, y, w, h }: Rect): boolean =>
  [y + 2, y + h - 3].every((row) => groundOf(raster, { x, y: row, w, h: 1 }).share < SLOPE)
const SLOPE = 0.2

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
  const fills = picture.w >= FILLS * band.w && picture.h >= FILLS * band.h && ground.share < PLAIN
  return fills || looksOf(raster, band, packHex(ground.color)).colors >= COLORS
}

/** Letters from this size on, px of the email, keep the line ends that they were drawn with. */
const TITLE = 22
/** Words may run wider than they were seen, of their width: fonts differ. */
const WIDER = 1.15
/** What begins this near to the left edge of all begins there, px of the email. */
const SAME_EDGE = 5

/** Words are centred where their middle is that of their band, within this share of it, and they leave so much of it free. */
const [OFF_MIDDLE, FREE] = [0.015, 0.2]
const isCentred = (ink: Rect, band: Rect): boolean =>
  ink.w <= (1 - FREE) * band.w && Math.abs(ink.x + ink.w / 2 - band.x - band.w / 2) <= OFF_MIDDLE * band.w

/** The room of words on a picture: from the common left edge, a little wider than their ink. */
function roomFor(ink: Rect, left: number, band: Rect, scale: number, centred: boolean): Rect {
  if (centred) {
    const w = Math.min(band.w, Math.ceil(ink.w * WIDER))
    return { ...ink, x: Math.round(band.x + (band.w - w) / 2), w }
  }
  const x = ink.x - left <= SAME_EDGE * scale ? left : ink.x
  const w = Math.min(band.x + band.w - x, Math.ceil((ink.x + ink.w - x) * WIDER))
  return { ...ink, x, w }
}

/** How the letters of a block are set. */
/** How words are set, by what was read of them and by their ink. */
export function letteringOf(
  block: TextBlock,
  lines: readonly ReadLine[],
  raster: Raster,
  scale: number,
): Lettering {
  const color = inkOf(raster, lines[0]!)
  const font = fontOf(block, lines, raster, color)
  return {
    ...(font ? { font } : {}),
    size: Math.min(200, Math.max(4, Math.round((2 * block.size) / scale) / 2)),
    ...(block.line ? { line: Math.min(400, Math.round(block.line / scale)) } : {}),
    ...(lines.length > 1 && block.align ? { align: block.align } : {}),
    ...(isBold(raster, lines, color) ? { bold: true } : {}),
    color,
  }
}

/** The font of words with serifs; nothing for others, which have the house's. */
function fontOf(
  { text }: TextBlock,
  lines: readonly ReadLine[],
  raster: Raster,
  color: string,
): SafeFont | undefined {
  const ink = lines.flatMap((l) => {
    const by = Math.round(0.25 * l.size)
    const rect = clipped(
      {
        x: Math.floor(l.x) - by,
        y: Math.floor(l.y) - by,
        w: Math.ceil(l.w) + 2 * by,
        h: Math.ceil(l.h) + 2 * by,
      },
      { x: 0, y: 0, w: raster.width, h: raster.height },
    )
    const alone = lettersAlone(raster, rect, color)
    return readInk(alone, { x: 0, y: 0, w: alone.width, h: alone.height }, '#ffffff').lines
  })
  return tellFonts([{ id: '', said: text, lines: ink, house: fontStacks.sans, web: false, level: [] }]).get(
    '',
  )
}

/** A box as a button, which says what was read in it. */
export function boxedCut(
  { rect, box, label }: BoxOn,
  lines: readonly ReadLine[],
  raster: Raster,
  id: string,
): Cut {
  const color = inkOf(raster, label)
  const line = { ...label, size: label.h, base: label.y + label.h, text: '' }
  return {
    ...buttonOf(labelOf(lines, rect, label), { rect, box }, id),
    ink: { ...label, room: rect },
    lettering: { size: 16, color, bold: isBold(raster, [line], color) },
  }
}

/** The label of a box as far as it was read; null where some of its letters were not. */
function labelOf(lines: readonly ReadLine[], box: Rect, label: Rect): string | null {
  const own = lines.filter((l) => share(l, box) >= INSIDE)
  if (!own.length || around(own).w < READ * label.w) return null
  return own
    .sort((a, b) => a.x - b.x)
    .map((l) => l.text)
    .join(' ')
}

/** A button on a picture with the size of its letters told by their ink and what they say. @param scale design px for each px of the email */
export function withLabelSize(button: Cut, scale: number): Cut {
  if (!button.ink || !button.lettering || !button.words) return button
  const size = Math.round((2 * sizeByInk(plainOf(button.words), button.ink.h)) / scale) / 2
  return { ...button, lettering: { ...button.lettering, size: Math.max(4, Math.min(200, size)) } }
}

/** A label whose words reach over this share of its ink was read whole. */
const READ = 0.85
/** What was seen by its box alone, and is no button unless its label can be read. */
export const BY_BOX = 0.4

const buttonOf = (label: string | null, { rect, box }: { rect: Rect; box: BoxLook }, id: string): Cut => ({
  id,
  ...rect,
  kind: 'button',
  alt: null,
  link: '',
  words: label === null ? null : textOf(label),
  ground: null,
  box,
  seen: { part: 'button', sure: label === null ? BY_BOX : 0.8 },
})

const clipped = (r: Rect, to: Rect): Rect => {
  const [x, y] = [Math.max(to.x, r.x), Math.max(to.y, r.y)]
  return { x, y, w: Math.min(r.x + r.w, to.x + to.w) - x, h: Math.min(r.y + r.h, to.y + to.h) - y }
}
