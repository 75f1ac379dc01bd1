import { measureBand } from '../../email/measures'
import type { Band, Item } from '../../email/schema'
import type { Tile } from '../../email/tile'
import { bare, sideOf } from './settle'
import type { WordsRoom } from './runs'

/** Letters are moved no further than this for the sake of a shared edge, px. */
const SAME = 2

type Rooms = ReadonlyMap<string, WordsRoom>

/**
 * Bands whose two sides are alike, where what they hold allows it: words measured a little wider than the design's take from the space
 * at one side. No line breaks elsewhere than in the design.
 * @param width of the email, px
 * @param rooms how wide words may be, by the id of their tile
 */
export function evenSides(bands: readonly Band[], width: number, rooms: Rooms): Band[] {
  const side = sideOf(bands, width)
  return bands.map((band) => {
    const left = side - band.padding.left
    const moved =
      left && Math.abs(left) <= SAME && holdsWords(band) ? narrowed(band, 'left', left, width, rooms) : band
    const right = moved.padding.left - moved.padding.right
    return right ? narrowed(moved, 'right', right, width, rooms) : moved
  })
}

const holdsWords = ({ cells }: Band): boolean =>
  cells.length === 1 &&
  cells[0]!.items.every((t) => t.kind === 'words' && t.align === 'left' && !t.padding.left)

/** A band with more space at one side, or less where that is below 0; itself where something would not look the same. @param by px */
function narrowed(band: Band, side: 'left' | 'right', by: number, width: number, rooms: Rooms): Band {
  const cell = side === 'left' ? band.cells[0]! : band.cells.at(-1)!
  if (!bare(cell) || !cell.items.length || Math.abs(by) >= cell.width / 2) return band
  const { content } = measureBand(band, width).get(cell.id)!
  const items = cell.items.map((item) => (item.kind === 'row' ? null : kept(item, by, content, rooms)))
  if (!items.every((i): i is Tile => i !== null)) return band
  const next = { ...cell, width: cell.width - by, items: items as Item[] }
  return {
    ...band,
    padding: { ...band.padding, [side]: band.padding[side] + by },
    cells: band.cells.map((c) => (c === cell ? next : c)),
  }
}

/** A tile as it is in a cell that is narrower, null where it would look another way. @param content width of the cell, px */
function kept(tile: Tile, by: number, content: number, rooms: Rooms): Tile | null {
  const { left, right } = tile.padding
  const rest = Math.max(0, right - by)
  const at = (space: number): Tile => ({ ...tile, padding: { ...tile.padding, right: space } })
  if (tile.kind === 'gap') return tile
  if (tile.kind === 'words' && tile.align === 'left') {
    const room = rooms.get(tile.id)
    if (!room) return null
    if (by > 0) return content - by - left - rest >= room.least ? at(rest) : null
    return content - by - left - right <= room.most ? tile : at(right - by)
  }
  if (tile.kind === 'button' && tile.align === 'left') return at(rest)
  if (tile.kind === 'picture' && tile.align === 'left')
    return tile.width <= content - by - left ? at(rest) : null
  return null
}
