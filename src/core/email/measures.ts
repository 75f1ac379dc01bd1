import type { Band, Cell, Row } from './schema'
import type { Edges, Sides } from './styles'

/** Widths of a cell, px: what it takes in its row, and what is left for its tiles. */
export interface CellMeasure {
  outer: number
  content: number
}

const across = (p: Sides) => p.left + p.right
const edges = (e: Edges | undefined) => (e?.left?.width ?? 0) + (e?.right?.width ?? 0)

/** The width that a band's own block has, inside the space and the edge of its card, px. */
export const blockWidth = (band: Pick<Band, 'card'>, emailWidth: number): number =>
  Math.max(1, emailWidth - (band.card ? across(band.card.around) + 2 * (band.card.edge?.width ?? 0) : 0))

/** What is left of a band for its cells and gaps, px. */
export const innerWidth = (band: Pick<Band, 'padding' | 'card'>, emailWidth: number): number =>
  Math.max(0, blockWidth(band, emailWidth) - across(band.padding))

/**
 * Settles the widths of a row's cells: those written are kept in proportion and made to add up, with the
 * gaps, to the width they share, so that emitters and the tray read the same numbers.
 * @param shared the width the row has, px
 */
export function measureRow(
  row: Pick<Row, 'cells' | 'gap'>,
  shared: number,
  into = new Map<string, CellMeasure>(),
): Map<string, CellMeasure> {
  const room = Math.max(1, shared - row.gap * (row.cells.length - 1))
  const written = row.cells.reduce((sum, c) => sum + c.width, 0)
  row.cells.forEach((cell) =>
    measureCell(
      cell,
      row.cells.length === 1 || written === 0 ? room / row.cells.length : (cell.width * room) / written,
      into,
    ),
  )
  return into
}

function measureCell(cell: Cell, outer: number, into: Map<string, CellMeasure>): void {
  const content = Math.max(1, outer - across(cell.padding) - edges(cell.edges))
  into.set(cell.id, { outer, content })
  for (const item of cell.items) if (item.kind === 'row') measureRow(item, content, into)
}

/** The widths of all cells of a band, nested ones too, by cell id. @param emailWidth px */
export const measureBand = (band: Band, emailWidth: number): Map<string, CellMeasure> =>
  measureRow(band, innerWidth(band, emailWidth))

/** The least width that a cell is given when others are made wider, px. */
export const LEAST_CELL = 24

/**
 * New widths for a row's cells once one of them is set: the others share what is left in the proportion they
 * had, none under `LEAST_CELL` as long as there is room for that. The sum stays `shared` less the gaps.
 * @param widths settled outer widths, px @param at which one is set @param to px
 */
export function reshare(widths: readonly number[], at: number, to: number): number[] {
  const total = widths.reduce((a, b) => a + b, 0)
  if (widths.length < 2) return [...widths]
  const least = Math.min(LEAST_CELL, total / widths.length)
  const set = Math.max(least, Math.min(to, total - least * (widths.length - 1)))
  const spread = (indices: number[], room: number): Map<number, number> => {
    const sum = indices.reduce((s, i) => s + widths[i]!, 0)
    const shares = new Map(indices.map((i) => [i, sum ? (widths[i]! * room) / sum : room / indices.length]))
    const small = indices.filter((i) => shares.get(i)! < least)
    if (!small.length || small.length === indices.length) return shares
    const rest = spread(
      indices.filter((i) => !small.includes(i)),
      room - least * small.length,
    )
    return new Map([...small.map((i): [number, number] => [i, least]), ...rest])
  }
  const others = spread(
    widths.flatMap((_, i) => (i === at ? [] : [i])),
    total - set,
  )
  return widths.map((_, i) => (i === at ? set : others.get(i)!))
}
