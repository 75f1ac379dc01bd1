import type { Band, Cell, Row } from './schema'
import type { Sides } from './styles'

/** Widths of a cell, px: what it takes in its row, and what is left for its tiles. */
export interface CellMeasure { outer: number; content: number }

const across = (p: Sides) => p.left + p.right

/** What is left of a band for its cells and gaps, px. */
export const innerWidth = (band: Pick<Band, 'padding'>, emailWidth: number): number => Math.max(0, emailWidth - across(band.padding))

/**
 * Settles the widths of a row's cells: those written are kept in proportion and made to add up, with the gaps, to the width they
 * share, so that emitters and the tray read the same numbers.
 * @param shared the width the row has, px
 */
export function measureRow(row: Pick<Row, 'cells' | 'gap'>, shared: number, into = new Map<string, CellMeasure>()): Map<string, CellMeasure> {
  const room = Math.max(1, shared - row.gap * (row.cells.length - 1))
  const written = row.cells.reduce((sum, c) => sum + c.width, 0)
  row.cells.forEach((cell) => measureCell(cell, row.cells.length === 1 || written === 0 ? room / row.cells.length : (cell.width * room) / written, into))
  return into
}

function measureCell(cell: Cell, outer: number, into: Map<string, CellMeasure>): void {
  const content = Math.max(1, outer - across(cell.padding))
  into.set(cell.id, { outer, content })
  for (const item of cell.items) if (item.kind === 'row') measureRow(item, content, into)
}

/** The widths of all cells of a band, nested ones too, by cell id. @param emailWidth px */
export const measureBand = (band: Band, emailWidth: number): Map<string, CellMeasure> => measureRow(band, innerWidth(band, emailWidth))
