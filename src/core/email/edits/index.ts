import { current, produce, type Draft } from 'immer'
import type { Tile } from '../../tiles/schema'
import { newCell, newId } from '../defaults'
import { measureBand, reshare } from '../measures'
import type { Band, Cell, Email, Row } from '../schema'

/**
 * Every change of an email, as named pure functions `(email, what) => email`. An edit that names something
 * that is not there gives the email back unchanged, so that a late or repeated one does no harm.
 */
type EditOf<W> = (email: Email, what: W) => Email

const find = <T extends { id: string }>(list: T[], id: string): T | undefined => list.find((x) => x.id === id)

type Path = (string | number)[]

/**
 * Where a cell stands, as the keys that lead to it. It is looked for in the plain document: a draft would
 * copy every band that is looked at, and the cost of an edit would grow with the length of the email.
 */
function cellPath(email: Email, is: (cell: Cell) => boolean): Path | undefined {
  const within = (row: Pick<Row, 'cells'>, path: Path): Path | undefined => {
    for (const [i, cell] of row.cells.entries()) {
      const here = [...path, 'cells', i]
      if (is(cell)) return here
      for (const [k, item] of cell.items.entries()) {
        const deeper = item.kind === 'row' ? within(item, [...here, 'items', k]) : undefined
        if (deeper) return deeper
      }
    }
    return undefined
  }
  for (const [i, band] of email.bands.entries()) {
    const found = within(band, ['bands', i])
    if (found) return found
  }
  return undefined
}
const reach = (draft: Draft<Email>, path: Path): Draft<Cell> =>
  path.reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], draft) as Draft<Cell>

/** Changes the cell that holds a tile, or that has an id; nothing where there is none. */
const inCell = (
  email: Email,
  is: (cell: Cell) => boolean,
  change: (cell: Draft<Cell>, draft: Draft<Email>) => void,
): Email => {
  const path = cellPath(email, is)
  return path ? produce(email, (d) => change(reach(d, path), d)) : email
}
const holds = (id: string) => (cell: Cell) => cell.items.some((i) => i.id === id)
const place = (cell: Draft<Cell>, id: string) => cell.items.findIndex((i) => i.id === id)
const insert = (cell: Draft<Cell>, at: number, item: Draft<Tile> | Draft<Row>) => {
  cell.items.splice(Math.max(0, Math.min(at, cell.items.length)), 0, item)
}

/** Deep copies with new ids, so that a copy never shares an id with its model; copies belong to no cut. */
function fresh<T>(value: T): T {
  if (Array.isArray(value)) return value.map(fresh) as T
  if (value && typeof value === 'object') {
    const out: Record<string, unknown> = {}
    for (const [k, v] of Object.entries(value))
      if (k !== 'cut')
        out[k] = k === 'id' && typeof v === 'string' && !('bytes' in value) ? newId() : fresh(v)
    return out as T
  }
  return value
}

/** Removes keys set to undefined, so that a cleared value is inherited again. */
function assign<T extends object>(target: T, patch: Partial<T>): void {
  for (const [k, v] of Object.entries(patch)) {
    if (v === undefined) delete (target as Record<string, unknown>)[k]
    else (target as Record<string, unknown>)[k] = v
  }
}

/** Sets values of the email itself: subject, preheader, title, language, own styles. */
const setEmail: EditOf<Partial<Omit<Email, 'version' | 'bands'>>> = (email, what) =>
  produce(email, (d) => assign(d, what as Partial<Draft<Email>>))

/** Puts another email in the place of this one: a kept version, or one brought in. */
const replace: EditOf<{ email: Email }> = (_, { email }) => email

/** Sets values of one band. */
const setBand: EditOf<{ id: string; set: Partial<Omit<Band, 'id' | 'cells'>> }> = (email, { id, set }) =>
  produce(email, (d) => {
    const b = find(d.bands, id)
    if (b) assign(b, set as Partial<Draft<Band>>)
  })

/** Puts a band in, at a place counted from 0. */
const addBand: EditOf<{ band: Band; at: number }> = (email, { band, at }) =>
  produce(email, (d) => {
    d.bands.splice(Math.max(0, Math.min(at, d.bands.length)), 0, band as Draft<Band>)
  })

/** Moves a band to a place counted from 0, as it will stand afterwards. */
const moveBand: EditOf<{ id: string; to: number }> = (email, { id, to }) =>
  produce(email, (d) => {
    const from = d.bands.findIndex((b) => b.id === id)
    if (from < 0) return
    const [band] = d.bands.splice(from, 1)
    d.bands.splice(Math.max(0, Math.min(to, d.bands.length)), 0, band!)
  })

/** Takes a band out. */
const removeBand: EditOf<{ id: string }> = (email, { id }) =>
  produce(email, (d) => {
    d.bands = d.bands.filter((b) => b.id !== id)
  })

/** Puts a copy of a band after it. */
const duplicateBand: EditOf<{ id: string }> = (email, { id }) => {
  const at = email.bands.findIndex((b) => b.id === id)
  return at < 0 ? email : addBand(email, { band: fresh(email.bands[at]!), at: at + 1 })
}

/** Sets values of one cell. */
const setCell: EditOf<{ id: string; set: Partial<Omit<Cell, 'id' | 'items'>> }> = (email, { id, set }) =>
  inCell(
    email,
    (c) => c.id === id,
    (c) => assign(c, set as Partial<Draft<Cell>>),
  )

/** A row that holds a cell: the band itself, or a row inside one of its cells. */
interface RowPlace {
  row: Pick<Row, 'cells' | 'gap'>
  path: Path
  at: number
  widths: number[]
}

function rowOf(email: Email, cellId: string): RowPlace | undefined {
  const path = cellPath(email, (c) => c.id === cellId)
  if (!path) return undefined
  const rowPath = path.slice(0, -2)
  const row = rowPath.reduce<unknown>(
    (at, key) => (at as Record<string | number, unknown>)[key],
    email,
  ) as Pick<Row, 'cells' | 'gap'>
  const measures = measureBand(email.bands[path[1] as number]!, email.width)
  return {
    row,
    path: rowPath,
    at: path.at(-1) as number,
    widths: row.cells.map((c) => measures.get(c.id)!.outer),
  }
}

/**
 * Sets the width of a cell; the others of its row share what is left, so that the row stays as wide as it is.
 */
const setCellWidth: EditOf<{ id: string; width: number }> = (email, { id, width }) => {
  const found = rowOf(email, id)
  if (!found || found.row.cells.length < 2) return email
  const widths = reshare(found.widths, found.at, width)
  return produce(email, (d) => {
    ;(reach(d, found.path) as unknown as Draft<Row>).cells.forEach((c, i) => {
      c.width = widths[i]!
    })
  })
}

/**
 * Gives the row of a band, or of a row inside a cell, so many cells of the same width. What cells beyond them
 * held goes into the last one.
 */
const setCells: EditOf<{ id: string; count: number }> = (email, { id, count }) => {
  const band = email.bands.findIndex((b) => b.id === id)
  const inside = band < 0 ? cellPath(email, holds(id)) : undefined
  if ((band < 0 && !inside) || count < 1 || count > 5) return email
  const measures = measureBand(email.bands[band >= 0 ? band : (inside![1] as number)]!, email.width)
  return produce(email, (d) => {
    const row = band >= 0 ? d.bands[band]! : (reach(d, inside!).items.find((i) => i.id === id) as Draft<Row>)
    if (!('cells' in row)) return
    // What the row really takes: written widths are only proportions.
    const total =
      row.cells.reduce((s, c) => s + measures.get(c.id)!.outer, 0) + row.gap * (row.cells.length - 1)
    const spare = row.cells.splice(count)
    row.cells.at(-1)!.items.push(...spare.flatMap((c) => c.items))
    while (row.cells.length < count) row.cells.push(newCell(1) as Draft<Cell>)
    const each = Math.max(1, (total - row.gap * (count - 1)) / count)
    row.cells.forEach((c) => {
      c.width = each
    })
  })
}

/** Moves a cell within its row, to a place counted from 0; it keeps its width. */
const moveCell: EditOf<{ id: string; to: number }> = (email, { id, to }) => {
  const found = rowOf(email, id)
  if (!found) return email
  return produce(email, (d) => {
    const { cells } = reach(d, found.path) as unknown as Draft<Row>
    const [cell] = cells.splice(found.at, 1)
    cells.splice(Math.max(0, Math.min(to, cells.length)), 0, cell!)
  })
}

/** Takes a cell out of its row with what it holds; the last one of a row stays. */
const removeCell: EditOf<{ id: string }> = (email, { id }) => {
  const found = rowOf(email, id)
  return !found || found.row.cells.length < 2
    ? email
    : produce(email, (d) => {
        ;(reach(d, found.path) as unknown as Draft<Row>).cells.splice(found.at, 1)
      })
}

/** Puts a row of cells into a cell. */
const addRow: EditOf<{ cell: string; at: number; row: Row }> = (email, { cell, at, row }) =>
  inCell(
    email,
    (c) => c.id === cell,
    (c) => insert(c, at, row as Draft<Row>),
  )

/** Puts a tile into a cell, at a place counted from 0. */
const addTile: EditOf<{ cell: string; at: number; tile: Tile }> = (email, { cell, at, tile }) =>
  inCell(
    email,
    (c) => c.id === cell,
    (c) => insert(c, at, tile as Draft<Tile>),
  )

/** Sets values of one tile. */
const setTile: EditOf<{ id: string; set: Record<string, unknown> }> = (email, { id, set }) =>
  inCell(email, holds(id), (c) => assign(c.items[place(c, id)]! as Record<string, unknown>, set))

/** Moves a tile within its cell or to another cell. */
const moveTile: EditOf<{ id: string; cell: string; to: number }> = (email, { id, cell, to }) => {
  const target = cellPath(email, (c) => c.id === cell)
  if (!target) return email
  return inCell(email, holds(id), (from, d) => {
    const into = reach(d, target)
    const [tile] = from.items.splice(place(from, id), 1)
    insert(into, to, tile!)
  })
}

/** Takes a tile out. */
const removeTile: EditOf<{ id: string }> = (email, { id }) =>
  inCell(email, holds(id), (c) => {
    c.items.splice(place(c, id), 1)
  })

/** Puts a copy of a tile after it. */
const duplicateTile: EditOf<{ id: string }> = (email, { id }) =>
  inCell(email, holds(id), (c) =>
    insert(c, place(c, id) + 1, fresh(current(c.items[place(c, id)]!)) as Draft<Tile>),
  )

export const edits = {
  setEmail,
  replace,
  setBand,
  addBand,
  moveBand,
  removeBand,
  duplicateBand,
  setCell,
  setCellWidth,
  setCells,
  moveCell,
  removeCell,
  addRow,
  addTile,
  setTile,
  moveTile,
  removeTile,
  duplicateTile,
}
export type EditName = keyof typeof edits

/** An edit as a value: it can be stored, sent and applied. */
export type Edit = { [N in EditName]: { name: N; what: Parameters<(typeof edits)[N]>[1] } }[EditName]

/** Applies an edit. */
export const applyEdit = (email: Email, edit: Edit): Email =>
  (edits[edit.name] as EditOf<unknown>)(email, edit.what)
