import type { Band, Cell, Email } from '@/core/email/schema'
import type { Tile } from '@/core/email/tile'
import { cellsOf, placeOf, placesOf } from '@/core/email/walk'

/** What is selected in an email: a band, a cell in it, or a tile in that. */
export interface Selection {
  band: Band | null
  cell: Cell | null
  tile: Tile | null
}

const nothing: Selection = { band: null, cell: null, tile: null }

/** The band that a band, a cell or a tile lies in. */
export function bandOf(email: Email, id: string): Band | undefined {
  return (
    email.bands.find((b) => b.id === id) ??
    placeOf(email, id)?.band ??
    email.bands.find((b) => [...cellsOf(b)].some((c) => c.id === id))
  )
}

/** What an id names in an email. */
export function selectionOf(email: Email, id: string | null): Selection {
  const band = id && email.way === 'bands' ? bandOf(email, id) : undefined
  if (!id || !band) return nothing
  if (band.id === id) return { band, cell: null, tile: null }
  const cell = [...cellsOf(band)].find((c) => c.id === id)
  if (cell) return { band, cell, tile: null }
  const place = placeOf(email, id)
  return place ? { band: place.band, cell: place.cell, tile: place.tile } : nothing
}

/** What can be selected beside something: all tiles beside a tile, all bands beside a band, in reading order. */
export function kinOf(email: Email, id: string): string[] {
  const bands = email.bands.map((b) => b.id)
  return bands.includes(id) ? bands : [...placesOf(email)].map((p) => p.tile.id)
}

/** Bands, cells that stand beside others, and tiles, in the order they are read. */
export const stepsOf = (email: Email): string[] =>
  email.bands.flatMap((b) => [
    b.id,
    ...[...cellsOf(b)].flatMap((c) => [
      ...(b.cells.length > 1 ? [c.id] : []),
      ...c.items.flatMap((i) => (i.kind === 'row' ? [] : [i.id])),
    ]),
  ])

/** From the marks under a pointer, innermost first: a cell that holds nothing, else the tile, else the band. */
export function pickedOf(email: Email, ids: readonly string[]): string | null {
  // A cell that holds nothing can only be reached itself.
  const bare = email.bands.flatMap((b) => [...cellsOf(b)]).find((c) => !c.items.length && ids.includes(c.id))
  return (
    bare?.id ??
    ids.find((id) => placeOf(email, id)) ??
    ids.find((id) => email.bands.some((b) => b.id === id)) ??
    null
  )
}
