import { produce, type Draft } from 'immer'
import { measureBand } from '../measures'
import type { Cell, Email, Row } from '../schema'
import type { Tile } from '../tile'
import { newId } from '../defaults'

/** One change of an email. One that names something that is not there gives the email back unchanged. */
export type EditOf<W> = (email: Email, what: W) => Email

type Path = (string | number)[]

/** The first of an id. */
export const find = <T extends { id: string }>(list: T[], id: string): T | undefined =>
  list.find((x) => x.id === id)

/**
 * Where a cell stands, as the keys that lead to it. It is looked for in the plain document: a draft would
 * copy every band that is looked at, and the cost of an edit would grow with the length of the email.
 */
export function cellPath(email: Email, is: (cell: Cell) => boolean): Path | undefined {
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

/** What stands at the end of a path. */
export const at = <T>(root: unknown, path: Path): T =>
  path.reduce<unknown>((node, key) => (node as Record<string | number, unknown>)[key], root) as T

/** Changes the cell that holds a tile, or that has an id; nothing where there is none. */
export const inCell = (
  email: Email,
  is: (cell: Cell) => boolean,
  change: (cell: Draft<Cell>, draft: Draft<Email>) => void,
): Email => {
  const path = cellPath(email, is)
  return path ? produce(email, (d) => change(at(d, path), d)) : email
}

export const holds = (id: string) => (cell: Cell) => cell.items.some((i) => i.id === id)
export const placeIn = (cell: Draft<Cell>, id: string) => cell.items.findIndex((i) => i.id === id)

/** Puts something into a cell, at a place counted from 0. */
export const insert = (cell: Draft<Cell>, to: number, item: Draft<Tile> | Draft<Row>) => {
  cell.items.splice(Math.max(0, Math.min(to, cell.items.length)), 0, item)
}

/** A row that holds a cell: the band itself, or a row inside one of its cells. */
export interface RowPlace {
  row: Pick<Row, 'cells' | 'gap'>
  path: Path
  /** Which of its cells, counted from 0. */
  at: number
  /** What its cells take, px. */
  widths: number[]
}

export function rowOf(email: Email, cellId: string): RowPlace | undefined {
  const path = cellPath(email, (c) => c.id === cellId)
  if (!path) return undefined
  const rowPath = path.slice(0, -2)
  const row = at<RowPlace['row']>(email, rowPath)
  const measures = measureBand(email.bands[path[1] as number]!, email.width)
  return {
    row,
    path: rowPath,
    at: path.at(-1) as number,
    widths: row.cells.map((c) => measures.get(c.id)!.outer),
  }
}

/** Deep copies with new ids, so that a copy never shares an id with its model; copies belong to no cut and no twin. */
export function fresh<T>(value: T): T {
  if (Array.isArray(value)) return value.map(fresh) as T
  if (!value || typeof value !== 'object') return value
  const out: Record<string, unknown> = {}
  for (const [k, v] of Object.entries(value)) {
    if (k === 'cut' || k === 'cuts' || k === 'covers' || k === 'twin') continue
    // The id of a picture is that of its bytes.
    out[k] = k === 'id' && typeof v === 'string' && !('bytes' in value) ? newId() : fresh(v)
  }
  return out as T
}

/** Removes keys set to undefined, so that a cleared value is inherited again. */
export function assign<T extends object>(target: T, patch: Partial<T>): void {
  for (const [k, v] of Object.entries(patch)) {
    if (v === undefined) delete (target as Record<string, unknown>)[k]
    else (target as Record<string, unknown>)[k] = v
  }
}
