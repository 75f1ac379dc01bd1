import type { Tile } from './tile'
import type { Band, Cell, Email, Row } from './schema'

/** Where a tile stands: its band, the cell that holds it, and its place in that cell. */
export interface Place {
  band: Band
  cell: Cell
  index: number
  tile: Tile
}

/** Every cell of a row in reading order, nested ones after the cell that holds them. */
export function* cellsOf(row: Pick<Row, 'cells'>): Generator<Cell> {
  for (const cell of row.cells) {
    yield cell
    for (const item of cell.items) if (item.kind === 'row') yield* cellsOf(item)
  }
}

/** Every tile of a row in reading order. */
export function* tilesOf(row: Pick<Row, 'cells'>): Generator<Tile> {
  for (const cell of row.cells)
    for (const item of cell.items)
      if (item.kind === 'row') yield* tilesOf(item)
      else yield item
}

/** Every tile of an email with its place, in reading order. */
export function* placesOf(email: Pick<Email, 'bands'>): Generator<Place> {
  for (const band of email.bands) for (const cell of band.cells) yield* placesIn(band, cell)
}

function* placesIn(band: Band, cell: Cell): Generator<Place> {
  for (const [index, item] of cell.items.entries()) {
    if (item.kind === 'row') for (const inner of item.cells) yield* placesIn(band, inner)
    else yield { band, cell, index, tile: item }
  }
}

/** The place of one tile, or undefined where there is none of that id. */
export function placeOf(email: Pick<Email, 'bands'>, tileId: string): Place | undefined {
  for (const place of placesOf(email)) if (place.tile.id === tileId) return place
  return undefined
}

/** The row inside a cell that holds another cell; null where the band itself does. */
export function nestedRow(row: { cells: readonly Cell[] }, id: string): Row | null {
  for (const c of row.cells)
    for (const item of c.items)
      if (item.kind === 'row') {
        if (item.cells.some((x) => x.id === id)) return item
        const deeper = nestedRow(item, id)
        if (deeper) return deeper
      }
  return null
}

/** The cells of the row that holds a cell. */
export function rowHolding(row: { cells: readonly Cell[] }, id: string): readonly Cell[] {
  if (row.cells.some((c) => c.id === id)) return row.cells
  for (const c of row.cells)
    for (const item of c.items)
      if (item.kind === 'row') {
        const found = rowHolding(item, id)
        if (found.length) return found
      }
  return []
}

/** Whether an email has a band, and in it a tile where one is named. */
export const selectionExists = (email: Pick<Email, 'bands'>, band: string, tile?: string): boolean =>
  email.bands.some((b) => b.id === band && (tile === undefined || [...tilesOf(b)].some((t) => t.id === tile)))
