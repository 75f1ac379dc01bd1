import { produce, type Draft } from 'immer'
import { newCell } from '../defaults'
import { measureBand, reshare } from '../measures'
import type { Cell, Row } from '../schema'
import { assign, at, cellPath, holds, inCell, insert, rowOf, type EditOf } from './reach'

/** As many cells as a row may have. */
export const MOST_CELLS = 5

/** Sets values of one cell. */
export const setCell: EditOf<{ id: string; set: Partial<Omit<Cell, 'id' | 'items'>> }> = (
  email,
  { id, set },
) =>
  inCell(
    email,
    (c) => c.id === id,
    (c) => assign(c, set as Partial<Draft<Cell>>),
  )

/**
 * Sets the width of a cell; the others of its row share what is left, so that the row stays as wide as it is.
 */
export const setCellWidth: EditOf<{ id: string; width: number }> = (email, { id, width }) => {
  const found = rowOf(email, id)
  if (!found || found.row.cells.length < 2) return email
  const widths = reshare(found.widths, found.at, width)
  return produce(email, (d) => {
    at<Draft<Row>>(d, found.path).cells.forEach((c, i) => {
      c.width = widths[i]!
    })
  })
}

/** Parts the width of two cells of one row anew, px; the others keep theirs. */
export const moveGutter: EditOf<{ left: string; right: string; width: number }> = (email, what) => {
  const found = rowOf(email, what.left)
  const cells = found?.row.cells.map((c) => c.id) ?? []
  const [left, right] = [cells.indexOf(what.left), cells.indexOf(what.right)]
  if (!found || right < 0 || left === right) return email
  const both = found.widths[left]! + found.widths[right]!
  const width = Math.max(1, Math.min(both - 1, what.width))
  return produce(email, (d) => {
    at<Draft<Row>>(d, found.path).cells.forEach((c, i) => {
      c.width = i === left ? width : i === right ? both - width : found.widths[i]!
    })
  })
}

/**
 * Gives the row of a band, or of a row inside a cell, so many cells of the same width. What cells beyond them
 * held goes into the last one.
 */
export const setCells: EditOf<{ id: string; count: number }> = (email, { id, count }) => {
  const band = email.bands.findIndex((b) => b.id === id)
  const inside = band < 0 ? cellPath(email, holds(id)) : undefined
  if ((band < 0 && !inside) || count < 1 || count > MOST_CELLS) return email
  const measures = measureBand(email.bands[band >= 0 ? band : (inside![1] as number)]!, email.width)
  return produce(email, (d) => {
    const row = band >= 0 ? d.bands[band]! : at<Draft<Cell>>(d, inside!).items.find((i) => i.id === id)
    if (!row || !('cells' in row)) return
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
export const moveCell: EditOf<{ id: string; to: number }> = (email, { id, to }) => {
  const found = rowOf(email, id)
  if (!found) return email
  return produce(email, (d) => {
    const { cells } = at<Draft<Row>>(d, found.path)
    const [cell] = cells.splice(found.at, 1)
    cells.splice(Math.max(0, Math.min(to, cells.length)), 0, cell!)
  })
}

/** Takes a cell out of its row with what it holds; the last one of a row stays. */
export const removeCell: EditOf<{ id: string }> = (email, { id }) => {
  const found = rowOf(email, id)
  return !found || found.row.cells.length < 2
    ? email
    : produce(email, (d) => {
        at<Draft<Row>>(d, found.path).cells.splice(found.at, 1)
      })
}

/** Puts a row of cells into a cell. */
export const addRow: EditOf<{ cell: string; at: number; row: Row }> = (email, { cell, at: to, row }) =>
  inCell(
    email,
    (c) => c.id === cell,
    (c) => insert(c, to, row as Draft<Row>),
  )

/** Sets values of a row inside a cell. */
export const setRow: EditOf<{ id: string; set: Partial<Pick<Row, 'gap' | 'narrow'>> }> = (
  email,
  { id, set },
) =>
  inCell(
    email,
    (c) => c.items.some((i) => i.id === id && i.kind === 'row'),
    (c) => assign(c.items.find((i) => i.id === id) as Draft<Row>, set),
  )
