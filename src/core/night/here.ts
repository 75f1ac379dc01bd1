import { styleOf, type RoleStyle } from '../email/cascade'
import type { Edit } from '../email/edits'
import { eachInline, eachTextBlock, markOf } from '../email/richtext'
import type { Band, Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import type { Tile, TileOf } from '../email/tile'
import { cellsOf, tilesOf } from '../email/walk'
import { buttonStyleOf } from '../tiles/button/html'
import { blockStyle } from '../tiles/words/html'
import { withColor } from './replace'

/**
 * One colour of the day in place of another in one band alone: what stands there, and what its words, links and buttons inherit,
 * which become values of their own. As edits, one step together.
 */
export function colorHere(email: Email, house: HouseStyle, band: Band, from: string, to: string): Edit[] {
  const look = styleOf(house, email.styles).roles[band.role]
  const edits: Edit[] = []
  const { cells: _, ...own } = band
  const set = changed(own, withColor(own, from, to))
  if (set) edits.push({ name: 'setBand', what: { id: band.id, set } })
  for (const { items: __, ...cell } of cellsOf(band)) {
    const set = changed(cell, withColor(cell, from, to))
    if (set) edits.push({ name: 'setCell', what: { id: cell.id, set } })
  }
  for (const tile of tilesOf(band)) {
    const set = changed(tile, owned(withColor(tile, from, to), look, from, to))
    if (set) edits.push({ name: 'setTile', what: { id: tile.id, kind: tile.kind, set } } as Edit)
  }
  return edits
}

/** What is another after than before; null where nothing is. */
function changed<T extends object>(before: T, after: T): Partial<T> | null {
  const entries = Object.entries(after).filter(([key, v]) => v !== before[key as keyof T])
  return entries.length ? (Object.fromEntries(entries) as Partial<T>) : null
}

/** A tile that says by itself what it inherits in a colour. */
function owned(tile: Tile, look: RoleStyle, from: string, to: string): Tile {
  const is = (color: string | undefined) => color?.toLowerCase() === from
  if (tile.kind === 'words') return ownedWords(tile as TileOf<'words'>, look, is, to)
  if (tile.kind !== 'button') return tile
  const button = tile as TileOf<'button'>
  const shown = buttonStyleOf(button, look)
  const style = { ...button.style }
  for (const key of ['background', 'color', 'borderColor'] as const) if (is(shown[key])) style[key] = to
  return changed(button.style ?? {}, style) ? { ...button, style } : button
}

function ownedWords(
  tile: TileOf<'words'>,
  look: RoleStyle,
  is: (color: string | undefined) => boolean,
  to: string,
): TileOf<'words'> {
  const levels = new Set<0 | 1 | 2 | 3>()
  eachTextBlock(tile.text, (b) => levels.add(b.type === 'heading' ? b.attrs.level : 0))
  let linked = false
  eachInline(tile.text, (run) => {
    linked ||= !!markOf(run, 'link')
  })
  const inks = (some: (level: number) => boolean) =>
    [...levels].filter(some).some((level) => is(blockStyle(tile, level, look).color))
  return {
    ...tile,
    ...(inks((level) => !level) ? { style: { ...tile.style, color: to } } : {}),
    ...(inks((level) => level > 0) ? { headings: { ...tile.headings, color: to } } : {}),
    ...(linked && is({ ...look.link, ...tile.link }.color) ? { link: { ...tile.link, color: to } } : {}),
  }
}
