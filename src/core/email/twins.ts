import { copiesOf } from './kept'
import type { Band, Cell, Email, Item } from './schema'

/** The items of a cell, and of cells within, with a change. */
const mapItems = (cells: readonly Cell[], change: (item: Item, at: string) => Item, path = ''): Cell[] =>
  cells.map((cell, c) => ({
    ...cell,
    items: cell.items.map((item, i) => {
      const at = `${path}${c}.${i}.`
      const next = change(item, at)
      return next.kind === 'row' ? { ...next, cells: mapItems(next.cells, change, at) } : next
    }),
  }))

/** A band whose tiles know their twins by their places. */
const paired = (band: Band, pair: string): Band => ({
  ...band,
  twin: pair,
  cells: mapItems(band.cells, (item, at) =>
    item.kind === 'row' ? item : { ...item, twin: `${pair}.${at}`.slice(0, 80) },
  ),
})

/**
 * Parts a band into twins: itself for wide, and a copy for narrow behind it. What either says, the other says too, until they
 * are let differ.
 */
export function partedIntoTwins(email: Email, id: string): Email {
  const at = email.bands.findIndex((b) => b.id === id)
  const band = email.bands[at]
  if (!band) return email
  const [copy] = copiesOf([band])
  const twins: Band[] = [
    paired({ ...band, show: 'wide' }, band.id),
    paired({ ...copy!, name: `${band.name} (narrow)`.slice(0, 80), show: 'narrow' }, band.id),
  ]
  return { ...email, bands: email.bands.toSpliced(at, 1, ...twins) }
}

/** The other of two twins. */
export const twinOf = (email: Email, band: Band): Band | undefined =>
  band.twin ? email.bands.find((b) => b.id !== band.id && b.twin === band.twin) : undefined

/** Lets the bands of a pair differ from now on. */
export const withoutPair = (email: Email, pair: string): Email => ({
  ...email,
  bands: email.bands.map((band) => {
    if (band.twin !== pair) return band
    const { twin: _, ...rest } = band
    const cells = mapItems(band.cells, (item) => {
      if (item.kind === 'row') return item
      const { twin: __, ...tile } = item
      return tile as Item
    })
    return { ...rest, cells }
  }),
})
