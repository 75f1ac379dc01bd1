import { newBand } from '@/core/email/defaults'
import type { Edit } from '@/core/email/edits'
import { merges, splits } from '@/core/email/edits/shape'
import type { Email } from '@/core/email/schema'
import { placeOf, rowHolding } from '@/core/email/walk'
import { kinOf, stepsOf, type Selection } from './selection'

export interface Hold {
  email: Email
  selection: Selection
  selectedId: string | null
  /** Bands that are selected beside that of the selection. */
  also: readonly string[]
  select: (id: string | null) => void
  selectMore: (id: string, how: 'also' | 'to') => void
  apply: (label: string, edit: Edit | readonly Edit[], merge?: string) => void
}

/** What is done to the selected part of an email, whichever it is. */
export function onSelection(hold: Hold) {
  const { email, selection, selectedId, select, apply } = hold
  const { band, cell, tile } = selection
  const several = bandsHeld(hold)
  const tiles = tilesHeld(hold)
  const move = (way: 1 | -1) => (tiles ? movedTiles(hold, tiles, way) : moved(hold, several, way))
  const remove = () => {
    if (tiles) {
      apply(
        'delete the tiles',
        tiles.map((id) => ({ name: 'removeTile', what: { id } })),
      )
      select(band!.id)
    } else if (several) {
      apply('delete the bands', { name: 'removeBands', what: { ids: several } })
      select(null)
    } else if (tile) {
      apply('delete the tile', { name: 'removeTile', what: { id: tile.id } })
      select(band!.id)
    } else if (cell) {
      apply('delete the cell', { name: 'removeCell', what: { id: cell.id } })
      select(band!.id)
    } else if (band) {
      const i = email.bands.indexOf(band)
      apply('delete the band', { name: 'removeBand', what: { id: band.id } })
      select(email.bands[i + 1]?.id ?? email.bands[i - 1]?.id ?? null)
    }
  }
  const addBand = () => {
    const made = newBand(email.width)
    apply('add a band', {
      name: 'addBand',
      what: { band: made, at: band ? email.bands.indexOf(band) + 1 : email.bands.length },
    })
    select(made.id)
  }
  const duplicate = () =>
    band &&
    apply(
      'duplicate',
      tiles
        ? tiles.map((id) => ({ name: 'duplicateTile', what: { id } }))
        : several
          ? { name: 'duplicateBands', what: { ids: several } }
          : tile
            ? { name: 'duplicateTile', what: { id: tile.id } }
            : { name: 'duplicateBand', what: { id: band.id } },
    )
  /** Goes to the next band or tile, or back. */
  const step = (way: 1 | -1) => {
    const steps = stepsOf(email)
    const at = selectedId ? steps.indexOf(selectedId) : -1
    select(steps[Math.max(0, Math.min(steps.length - 1, at + way))] ?? null)
  }
  /** From a tile to its cell where it stands beside others, to its band, to the email. */
  const stepOut = () => {
    if (tile && cell && rowHolding(band!, cell.id).length > 1) select(cell.id)
    else select(tile || cell ? band!.id : null)
  }
  /** What can be made of what is selected, where it can. */
  const reshape = reshaping(hold, several)
  const extend = (way: 1 | -1) => extended(hold, tiles ?? several, way)
  return { reshape, extend, move, remove, addBand, duplicate, step, stepOut }
}
/** Splitting a band before a tile, making one of several bands, putting a tile beside another; null where it cannot be. */
function reshaping({ email, selection: { tile }, apply, select }: Hold, several: string[] | null) {
  return {
    split:
      tile && splits(email, tile.id)
        ? () => apply('split the band', { name: 'splitBand', what: { tile: tile.id } })
        : null,
    merge:
      several && merges(email, several)
        ? () => {
            apply('merge the bands', { name: 'mergeBands', what: { ids: several } })
            select(several[0]!)
          }
        : null,
    wrap: tile ? () => apply('put into a row', { name: 'wrapTile', what: { id: tile.id } }) : null,
  }
}

/** Moves what is selected. */
function moved(
  { email, selection: { band, cell, tile }, apply }: Hold,
  several: string[] | null,
  way: 1 | -1,
): void {
  if (several) return apply('move the bands', { name: 'moveBands', what: { ids: several, way } })
  if (tile && cell && band) {
    const at = cell.items.findIndex((i) => i.id === tile.id) + way
    if (at >= 0 && at < cell.items.length)
      return apply('move the tile', { name: 'moveTile', what: { id: tile.id, cell: cell.id, to: at } })
    // At the end of its cell a tile goes on to the next band.
    const next = email.bands[email.bands.indexOf(band) + way]
    if (next)
      apply('move the tile', {
        name: 'moveTile',
        what: {
          id: tile.id,
          cell: (way > 0 ? next.cells[0]! : next.cells.at(-1)!).id,
          to: way > 0 ? 0 : 999,
        },
      })
  } else if (cell && band) {
    const row = rowHolding(band, cell.id)
    apply('move the cell', {
      name: 'moveCell',
      what: { id: cell.id, to: row.findIndex((c) => c.id === cell.id) + way },
    })
  } else if (band)
    apply('move the band', { name: 'moveBand', what: { id: band.id, to: email.bands.indexOf(band) + way } })
}

/** Moves tiles of one cell together, in their order; at its end they stay. */
function movedTiles({ email, apply, selection: { cell } }: Hold, ids: readonly string[], way: 1 | -1): void {
  const items = cell!.items.map((i) => i.id)
  const held = ids.filter((id) => items.includes(id))
  const ends = held.map((id) => items.indexOf(id) + way)
  if (ends.some((at) => at < 0 || at >= items.length)) return
  apply(
    'move the tiles',
    (way > 0 ? held.toReversed() : held).map((id) => ({
      name: 'moveTile',
      what: { id, cell: placeOf(email, id)!.cell.id, to: items.indexOf(id) + way },
    })),
  )
}

/** Selects what is beside the last that is selected too. */
function extended(
  { email, selection: { band, tile }, selectMore }: Hold,
  several: string[] | null,
  way: 1 | -1,
): void {
  const first = (tile ?? band)?.id
  if (!first) return
  const ids = kinOf(email, first)
  const held = (several ?? [first]).map((id) => ids.indexOf(id))
  const next = ids[way > 0 ? Math.max(...held) + 1 : Math.min(...held) - 1]
  if (next) selectMore(next, 'also')
}

/** The bands that are selected together, in their order; null where it is one, or something in it. */
export function bandsHeld({
  email,
  selection: { band, tile },
  also,
}: Pick<Hold, 'email' | 'selection' | 'also'>): string[] | null {
  if (!band || tile || !also.length) return null
  return email.bands.map((b) => b.id).filter((id) => id === band.id || also.includes(id))
}

/** The tiles that are selected together, in reading order; null where it is one. */
export function tilesHeld({
  email,
  selection: { tile },
  also,
}: Pick<Hold, 'email' | 'selection' | 'also'>): string[] | null {
  if (!tile || !also.length) return null
  return kinOf(email, tile.id).filter((id) => id === tile.id || also.includes(id))
}

export type OnSelection = ReturnType<typeof onSelection>
