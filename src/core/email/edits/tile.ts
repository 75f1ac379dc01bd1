import { current, produce, type Draft } from 'immer'
import { saysOf } from '../content'
import type { Tile, TileBase, TileKind, TileOf } from '../tile'
import { assign, at, cellPath, fresh, holds, inCell, insert, placeIn, type EditOf } from './reach'
import type { Cell, Item } from '../schema'

/** Values of a tile of one kind; undefined clears one. */
export type TilePatch<K extends TileKind> = Partial<Omit<TileOf<K>, 'id' | 'kind'>>

/** What to set in a tile: values that its kind has, or without a kind those that every tile has. */
export type SetTile =
  | { [K in TileKind]: { id: string; kind: K; set: TilePatch<K> } }[TileKind]
  | { id: string; kind?: undefined; set: Partial<Omit<TileBase, 'id'>> }

/** Puts a tile into a cell, at a place counted from 0. */
export const addTile: EditOf<{ cell: string; at: number; tile: Tile }> = (email, { cell, at: to, tile }) =>
  inCell(
    email,
    (c) => c.id === cell,
    (c) => insert(c, to, tile as Draft<Tile>),
  )

/** Sets values of one tile; nothing where it is of another kind by now. Its twin says what it says. */
export const setTile: EditOf<SetTile> = (email, { id, kind, set }) => {
  const is = (c: Cell) => c.items.some((i) => i.id === id && (kind === undefined || i.kind === kind))
  const path = cellPath(email, is)
  if (!path) return email
  const tile = at<Cell>(email, path).items.find((i) => i.id === id)!
  const says = saysOf(set)
  const twin = tile.kind !== 'row' && tile.twin && Object.keys(says).length ? tile.twin : undefined
  const other = twin && cellPath(email, (c) => c.items.some((i) => isTwin(i, id, twin)))
  return produce(email, (d) => {
    const { items } = at<Draft<Cell>>(d, path)
    assign(items.find((i) => i.id === id)! as object, set)
    if (other) assign(at<Draft<Cell>>(d, other).items.find((i) => isTwin(i, id, twin))! as object, says)
  })
}

const isTwin = (item: Item | Draft<Item>, id: string, twin: string): boolean =>
  item.kind !== 'row' && item.id !== id && item.twin === twin

/** Moves a tile within its cell or to another cell. */
export const moveTile: EditOf<{ id: string; cell: string; to: number }> = (email, { id, cell, to }) => {
  const target = cellPath(email, (c) => c.id === cell)
  if (!target) return email
  return inCell(email, holds(id), (from, d) => {
    const into = at<Draft<Cell>>(d, target)
    const [tile] = from.items.splice(placeIn(from, id), 1)
    insert(into, to, tile!)
  })
}

/** Takes a tile out. */
export const removeTile: EditOf<{ id: string }> = (email, { id }) =>
  inCell(email, holds(id), (c) => {
    c.items.splice(placeIn(c, id), 1)
  })

/** Puts a copy of a tile after it. */
export const duplicateTile: EditOf<{ id: string }> = (email, { id }) =>
  inCell(email, holds(id), (c) =>
    insert(c, placeIn(c, id) + 1, fresh(current(c.items[placeIn(c, id)]!)) as Draft<Tile>),
  )

/** Puts another tile where one stands, as a picture that moves in the place of words. */
export const replaceTile: EditOf<{ id: string; tile: Tile }> = (email, { id, tile }) =>
  inCell(email, holds(id), (cell) => {
    cell.items[placeIn(cell, id)] = tile as Draft<Tile>
  })
