import type { Band, Cell, Item } from '../../email/schema'
import type { Sides } from '../../email/styles'
import type { Tile, TileOf } from '../../email/tile'
import { ownSpace, plainOf, withSpace, type Block } from '../../email/richtext'
import { measureBand, type CellMeasure } from '../../email/measures'
import { MOST_SPACE, withNarrowSpace } from './block-spaces'

/** How wide the content of words may be so that their lines break where the design's do, px. */
export interface WordsRoom {
  least: number
  /** Infinity where they are one line. */
  most: number
}

/** What joining words must know. */
export interface Joining {
  /** Width of the email, px. */
  width: number
  /** By the id of their tile; of what is joined, its own is added. */
  rooms: Map<string, WordsRoom>
  /** Cuts whose words have a tile of their own, which a person may have written in or styled. */
  apart: ReadonlySet<string>
  /** Cuts that became one tile when the email was last built: they stay so. */
  before: readonly (readonly string[])[]
}

type Words = TileOf<'words'>

/** Left edges, and spaces, that differ by no more than this are the same, px. */
const SAME = 2
/** A bold line over smaller words is their heading, and no longer than this, characters. */
const TITLE_LENGTH = 80

/**
 * Words that follow each other in a cell as one tile, a heading with its paragraphs and lists, where one tile can say how they are
 * set and how far they stand apart. Nothing moves.
 */
export const joined = (bands: readonly Band[], how: Joining): Band[] =>
  bands.map((band) => {
    const widths = measureBand(band, how.width)
    return { ...band, cells: band.cells.map((cell) => joinedCell(cell, widths, how)) }
  })

function joinedCell(cell: Cell, widths: ReadonlyMap<string, CellMeasure>, how: Joining): Cell {
  const { content } = widths.get(cell.id)!
  const items: Item[] = []
  for (const item of cell.items) {
    if (item.kind === 'row') {
      items.push({ ...item, cells: item.cells.map((c) => joinedCell(c, widths, how)) })
      continue
    }
    const last = items.at(-1)
    const both =
      item.kind === 'words' && last?.kind === 'words' ? together(last, item, content, how) : undefined
    if (both) items[items.length - 1] = both
    else items.push(item.kind === 'words' || item.kind === 'review' ? freed(item, content, how.rooms) : item)
  }
  return { ...cell, items }
}

/** Words without space at their sides that they do not need to break where the design breaks. @param content width of their cell, px */
function freed<T extends Words | TileOf<'review'>>(tile: T, content: number, rooms: Joining['rooms']): T {
  const { align, padding } = tile
  const { left, right } = padding
  const even = align !== 'center' || Math.abs(left - right) <= SAME
  const held = align === 'center' ? 0 : align === 'right' ? right : left
  if (!even || content - held > (rooms.get(tile.id)?.most ?? 0)) return tile
  const free = { ...padding, left: align === 'left' ? left : 0, right: align === 'right' ? right : 0 }
  const beside = { ...free, ...narrowBeside(tile) }
  const same = beside.left === free.left && beside.right === free.right
  return { ...tile, padding: free, narrow: same ? undefined : { padding: beside } }
}

/** Two words tiles as one, or undefined where one cannot say what both do. @param content width of their cell, px */
function together(above: Words, below: Words, content: number, how: Joining): Words | undefined {
  const cuts = [...cutsOf(above), ...cutsOf(below)]
  const kept = how.before.some((list) => cuts.every((id) => list.includes(id)))
  if (!kept && cuts.some((id) => !id || how.apart.has(id))) return undefined
  const [a, b] = titled(above, below)
  const style = shared(a, b, 'style', (x) => x.type !== 'heading')
  const headings = shared(a, b, 'headings', (x) => x.type === 'heading')
  const apart =
    a.itemSpace !== undefined && b.itemSpace !== undefined && Math.abs(a.itemSpace - b.itemSpace) > SAME
  const place = sharedPlace(above, below, content, how.rooms)
  const alike = a.align === b.align && a.show === b.show && !apart && style && headings && place
  if ((!kept && !alike) || farApart(above, below)) return undefined
  const { cut: _, ...rest } = a
  return {
    ...rest,
    ...spaced(a, b),
    ...(style?.own ? { style: style.own } : {}),
    ...(headings?.own ? { headings: headings.own } : {}),
    ...place,
    cuts,
  }
}

/** Whether more space lies between two tiles, on wide or narrow, than one of them could say. */
const farApart = (above: Words, below: Words): boolean =>
  above.padding.bottom + below.padding.top > MOST_SPACE ||
  above.padding.bottom + (below.narrow?.padding?.top ?? 0) > MOST_SPACE

const cutsOf = ({ cut, cuts }: Tile): string[] => cuts ?? (cut ? [cut] : [''])

/** A bold line over words that are not, and no larger than it, becomes their heading. */
function titled(above: Words, below: Words): [Words, Words] {
  const [line, ...more] = above.text.content
  const isTitle =
    !more.length &&
    line?.type === 'paragraph' &&
    above.style?.bold &&
    !below.style?.bold &&
    plainOf(above.text).length <= TITLE_LENGTH &&
    (above.style.size ?? 0) >= (below.style?.size ?? 0)
  if (!isTitle) return [above, below]
  const heading: Block = { type: 'heading', attrs: { level: 3, ...line.attrs }, content: line.content }
  return [{ ...above, text: { type: 'doc', content: [heading] }, headings: above.style }, below]
}

/** The style of what both hold of a sort of blocks; undefined where they differ. */
function shared(
  a: Words,
  b: Words,
  of: 'style' | 'headings',
  isSo: (block: Block) => boolean,
): { own: Words['style'] } | undefined {
  const [first, second] = [a, b].map((t) => t.text.content.some(isSo))
  if (first && second) return JSON.stringify(a[of]) === JSON.stringify(b[of]) ? { own: a[of] } : undefined
  return { own: second ? b[of] : a[of] }
}

/** The blocks of both with the spaces between them: one space is the tile's, what differs is its block's own. */
function spaced(a: Words, b: Words): Pick<Words, 'text' | 'space' | 'itemSpace'> {
  const between = a.padding.bottom + b.padding.top
  const last = a.text.content.at(-1)!
  // Under a heading the space is another than between paragraphs.
  const space = a.space ?? b.space ?? (last.type === 'heading' ? undefined : between)
  const itemSpace = a.itemSpace ?? b.itemSpace
  const content = [...under(a, space), ...under(b, space)]
  const wide = space === between && last.type !== 'heading' ? last : withSpace(last, between)
  const narrow = b.narrow?.padding?.top ?? b.padding.top
  content[a.text.content.length - 1] =
    narrow === b.padding.top ? wide : withNarrowSpace(wide, a.padding.bottom + narrow)
  return {
    text: { type: 'doc', content },
    ...(space === undefined ? {} : { space }),
    ...(itemSpace === undefined ? {} : { itemSpace }),
  }
}

/** The blocks of words, with the space that their tile has where another is theirs now. */
const under = ({ text, space }: Words, now: number | undefined): Block[] =>
  text.content.map((block, i, { length }) =>
    space === undefined || space === now || i === length - 1 || ownSpace(block) !== undefined
      ? block
      : withSpace(block, space),
  )

/** The space around both, px; undefined where they do not stand in one line or no width suits both. */
function sharedPlace(
  above: Words,
  below: Words,
  content: number,
  rooms: Joining['rooms'],
): Pick<Words, 'padding' | 'narrow'> | undefined {
  const { align } = above
  const [held, loose] = align === 'right' ? (['right', 'left'] as const) : (['left', 'right'] as const)
  const [one, two] = [rooms.get(above.id), rooms.get(below.id)]
  if (!one || !two || !inLine(above, below)) return undefined
  const room = { least: Math.max(one.least, two.least), most: Math.min(one.most, two.most) }
  // Of edges a px or so apart that of the most words counts.
  const main = plainOf(above.text).length > plainOf(below.text).length ? above : below
  const side = align === 'center' ? 0 : main.padding[held]
  const all = content - side
  if (room.least > Math.min(room.most, all)) return undefined
  rooms.set(above.id, room)
  // All there is, else as far from both ends as may be.
  const rest = room.most >= all ? 0 : Math.floor(all - (Math.min(room.most, all) + room.least) / 2)
  const half = Math.floor(rest / 2)
  const padding =
    align === 'center'
      ? { ...above.padding, left: half, right: half }
      : { ...above.padding, [held]: side, [loose]: rest }
  const narrow = { ...padding, ...narrowBeside(above) }
  const same = narrow.left === padding.left && narrow.right === padding.right
  return { padding, narrow: same ? undefined : { padding: narrow } }
}

/** Whether words begin, end or have their middle in one line. */
function inLine({ align, padding: a }: Words, { padding: b }: Words): boolean {
  if (align === 'center') return [a, b].every(({ left, right }) => Math.abs(left - right) <= SAME)
  return Math.abs(align === 'right' ? a.right - b.right : a.left - b.left) <= SAME
}

const narrowBeside = ({
  narrow,
  padding,
}: Pick<Words, 'narrow' | 'padding'>): Pick<Sides, 'left' | 'right'> => {
  const { left, right } = narrow?.padding ?? padding
  return { left, right }
}
