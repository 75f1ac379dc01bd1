import { toast } from '../parts/toast'
import { newCell, newId } from '@/core/email/defaults'
import type { Edit, SetTile } from '@/core/email/edits'
import { measureBand } from '@/core/email/measures'
import type { Email, Row } from '@/core/email/schema'
import { sides } from '@/core/email/styles'
import type { TileKind } from '@/core/email/tile'
import { newTile } from '@/core/tiles'
import type { Action } from '../bench/action'
import type { EmailWork } from '../bench/email-work'
import type { Selection } from '../bench/selection'
import { beginning, kindLabel, offeredKinds } from './groups'

/** What adding something needs to know. */
export interface Adding {
  email: Email
  selection: Selection
  apply: (label: string, edit: Edit, merge?: string) => void
  onSelect: (id: string | null) => void
}

/** Where something new is put: behind the selected tile, or at the end of the cell. */
function placeFor({ band, cell, tile }: Selection): { cell: string; at: number } | null {
  const target = cell ?? band?.cells[0]
  if (!target) return null
  return {
    cell: target.id,
    at: tile ? target.items.findIndex((i) => i.id === tile.id) + 1 : target.items.length,
  }
}

/** Adds a tile of a kind, and begins it with what its client has ready. @param place where; left out, by the selection */
export function addTile(
  { selection, apply, onSelect }: Adding,
  kind: TileKind,
  place: { cell: string; at: number } | null = placeFor(selection),
): void {
  if (!place) return
  const label = `add ${kindLabel(kind).toLowerCase()}`
  const tile = newTile(kind)
  apply(label, { name: 'addTile', what: { ...place, tile } })
  onSelect(tile.id)
  void beginning(tile)?.then(
    (set) => apply(label, { name: 'setTile', what: { id: tile.id, kind, set } as SetTile }, tile.id),
    (error: Error) => toast.error(error.message),
  )
  // The next key is meant for what was added, not for the button that added it.
  requestAnimationFrame(() =>
    document
      .querySelector<HTMLElement>('[aria-label="Wide lens"] [role=region]')
      ?.focus({ preventScroll: true }),
  )
}

/** Adds a row of two cells. */
export function addRow({ selection, email, apply, onSelect }: Adding): void {
  const place = placeFor(selection)
  if (!place) return
  const each = measureBand(selection.band!, email.width).get(place.cell)!.content / 2
  const row: Row = {
    id: newId(),
    kind: 'row',
    gap: 0,
    narrow: 'stack',
    cells: [newCell(each), newCell(each)].map((c) => ({ ...c, padding: sides(8) })),
  }
  apply('add a row of cells', { name: 'addRow', what: { ...place, row } })
  onSelect(row.cells[0]!.id)
}

/** Everything that can be added to what is selected, by name. */
export function addActions(work: EmailWork): Action[] {
  const { email, selection, apply, select } = work
  const adding: Adding = { email, selection, apply, onSelect: select }
  const off = !selection.band
  const group = 'Add'
  return [
    ...offeredKinds.map((kind): Action => ({
      ...{ id: `add-${kind}`, label: `Add ${kindLabel(kind).toLowerCase()}`, group, off },
      run: () => addTile(adding, kind),
    })),
    { id: 'add-row', label: 'Add a row of cells', group, off, run: () => addRow(adding) },
    { id: 'add-band', label: 'Add an empty band', group, run: work.addBand },
  ]
}
