import type { Element, ElementContent } from 'hast'
import { cellGround, type Ground } from '../email/ground'
import type { CellMeasure } from '../email/measures'
import type { Cell, Item, Row } from '../email/schema'
import { css, el, trim } from '../html/element'
import { ghost, notWord } from '../html/nodes'
import { definitionOf, tileHtml } from '../tiles'
import { classes, type CompileContext, type TileContext } from '../tiles/context'
import { physical } from '../tiles/letters'
import { NARROW, type Rules } from '../tiles/rules'
import { box, flow } from '../tiles/space'
import { cellShell, ghostGap, ghostTable, layout, type Shell } from './boxes'

/** What the compiling of a band's rows knows. */
export type BandContext = CompileContext &
  Pick<TileContext, 'role' | 'look' | 'rules' | 'kept'> & {
    measures: ReadonlyMap<string, CellMeasure>
    /** False inside a cell that has others beside it. */
    top: boolean
  }

type RowParts = Pick<Row, 'cells' | 'gap' | 'narrow'>

/**
 * Hides a thing on one of the two widths. The Word engine never sees what is for narrow only: it knows no
 * `display`.
 */
export function visibility(
  show: 'all' | 'wide' | 'narrow',
  display: 'table' | 'table-row',
  rules: Rules,
): { className?: string; style: Record<string, string | number> } {
  if (show === 'wide') return { className: rules.hide(), style: {} }
  if (show === 'narrow') return { className: rules.show(display), style: { display: 'none' } }
  return { style: {} }
}

/** The cells of a row. @param shared the width they share, px @param ground behind them */
export function rowContent(row: RowParts, shared: number, ground: Ground, c: BandContext): ElementContent[] {
  if (row.cells.length === 1) return [loneCell(row.cells[0]!, ground, c)]
  return row.narrow === 'keep'
    ? [keptRow(row, shared, ground, { ...c, kept: true, top: false })]
    : [stackingRow(row, shared, ground, c)]
}

const bare = (cell: Cell) => !cell.background && !cell.edges && !cell.radius && !cell.nightBackground

const padded = ({ padding: p, narrow }: Cell) => !!(p.top || p.right || p.bottom || p.left || narrow?.padding)

/** The class of a cell's padding on narrow. */
const narrowPadding = (cell: Cell, c: BandContext) =>
  cell.narrow?.padding && c.rules.padding(flow(cell.narrow.padding, c.dir))

/** The only cell of a row: as wide as the row. */
function loneCell(cell: Cell, ground: Ground, c: BandContext): Element {
  const content = cellTable(cell, ground, c)
  if (bare(cell) && !padded(cell))
    return { ...content, properties: { ...content.properties, dataM: cell.id } }
  const shell = cellShell(cell, c)
  return layout(
    { width: '100%', dataM: cell.id, style: 'width:100%' },
    el(
      'td',
      {
        ...(cell.background ? { bgColor: cell.background } : {}),
        className: classes(...shell.names, narrowPadding(cell, c)),
        style: css({ ...shell.style, padding: box(flow(cell.padding, c.dir)) }),
      },
      content,
    ),
  )
}

/** A cell's content inside its padding. */
const paddedTable = (cell: Cell, content: Element, c: BandContext): Element =>
  layout(
    { width: '100%', style: 'width:100%' },
    el(
      'td',
      {
        className: classes(narrowPadding(cell, c)),
        style: css({ padding: box(flow(cell.padding, c.dir)) }),
      },
      content,
    ),
  )

/**
 * Columns that stay side by side on narrow: a real table row whose widths are percentages, so that it shrinks
 * whole; settled widths keep long words from pushing it apart.
 */
function keptRow(row: RowParts, shared: number, ground: Ground, c: BandContext): Element {
  const percent = (px: number) => `${trim((px / shared) * 100)}%`
  const gap = () =>
    el(
      'td',
      {
        width: percent(row.gap),
        style: css({ width: percent(row.gap), padding: '0', 'font-size': 0, 'line-height': 0 }),
      },
      '\u00a0',
    )
  return layout(
    { width: '100%', style: 'width:100%;table-layout:fixed' },
    ...row.cells.flatMap((cell, i) => {
      const td = keptCell(cell, percent(c.measures.get(cell.id)!.outer), ground, c)
      return i && row.gap ? [gap(), td] : [td]
    }),
  )
}

/** @param width of the row, in % */
function keptCell(cell: Cell, width: string, ground: Ground, c: BandContext): Element {
  const shell = cellShell(cell, c)
  const content = cellTable(cell, ground, c)
  return el(
    'td',
    {
      width,
      vAlign: cell.valign,
      ...(cell.background ? { bgColor: cell.background } : {}),
      dataM: cell.id,
      className: classes(...shell.names),
      // Padding stands inside, since it would add to the share; an edge cannot.
      style: css({
        'box-sizing': !!cell.edges && 'border-box',
        width,
        ...shell.style,
        padding: '0',
        'vertical-align': cell.valign,
      }),
    },
    padded(cell) ? paddedTable(cell, content, c) : content,
  )
}

/**
 * Columns that stack: inline blocks with a greatest width, which wrap by themselves where there is no room for both (no media query
 * needed), held in a ghost table row for the Word engine. The container's letter size is 0, so that white space between them takes
 * no room. To stack in reverse, the source holds the narrow order and the wide order comes from the opposite direction. An order of its
 * own comes from a flex column on narrow. Where a column has a ground or an edge, a flex row on wide makes all equally high.
 */
function stackingRow(row: RowParts, shared: number, ground: Ground, c: BandContext): Element {
  const reversed = row.narrow === 'reverse'
  const cells = reversed ? [...row.cells].reverse() : row.cells
  const opposite = c.dir === 'rtl' ? 'ltr' : 'rtl'
  const order = reversed ? undefined : orderOf(cells)
  const even = row.cells.some((cell) => !bare(cell))
  const fluid = c.top ? fluidWidth(shared, c) : undefined
  const children = cells.flatMap((cell, i): ElementContent[] => {
    const place = order && c.rules.place(order.cell(i))
    const column = stackingColumn(cell, { place, even, reversed, fluid }, ground, c)
    return i && row.gap ? [...gapBetween(row.gap, order && c.rules.place(order.gap(i)), c), column] : [column]
  })
  return el(
    'div',
    {
      className: classes(order && c.rules.ordered(), even && c.rules.even()),
      ...(reversed ? { dir: opposite } : {}),
      style: css({ 'text-align': 'center', 'font-size': 0 }),
    },
    ghostTable({ width: '100%', dir: reversed ? opposite : undefined }, children),
  )
}

/**
 * The places of cells and gaps once stacked, where cells have an order of their own; even numbers are cells', odd ones gaps'. A gap belongs before
 * every cell but the one that comes first.
 */
function orderOf(
  cells: readonly Cell[],
): { cell: (i: number) => number; gap: (i: number) => number } | undefined {
  if (!cells.some((cell) => cell.narrow?.place)) return undefined
  // Those without a place keep their order after those with one: there are at most five.
  const places = cells.map((cell, i) => cell.narrow?.place ?? 10 + i)
  return {
    cell: (i) => 2 * places[i]!,
    gap: (i) => {
      const first = places.every((p) => p >= places[i]!)
      return 2 * (first ? Math.min(...places.filter((_, k) => k !== i)) : places[i]!) - 1
    },
  }
}

function gapBetween(gap: number, place: string | undefined, c: BandContext): ElementContent[] {
  return [
    ghostGap(gap),
    el('div', {
      ariaHidden: 'true',
      className: classes(c.rules.gap(gap), place),
      style: css({
        display: 'inline-block',
        width: gap,
        'max-width': gap,
        height: 1,
        'line-height': 0,
      }),
    }),
  ]
}

interface ColumnLook {
  /** Class of its place once stacked. */
  place: string | undefined
  /** Whether the row makes its columns equally high. */
  even: boolean
  reversed: boolean
  /** Its least width where there is no style sheet. */
  fluid: string | undefined
}

function stackingColumn(cell: Cell, look: ColumnLook, ground: Ground, c: BandContext): ElementContent {
  const outer = c.measures.get(cell.id)!.outer
  const shell = cellShell(cell, c)
  // Edges stand on the cell of a table, whose width they do not add to; it fills a column that was made taller.
  const framed = !!(cell.edges || cell.radius)
  const content = cellTable(cell, ground, { ...c, top: false })
  const inside = framed
    ? framedTable(cell, shell, content, c)
    : padded(cell)
      ? paddedTable(cell, content, c)
      : content
  const style = (least: string | undefined) =>
    css({
      display: 'inline-block',
      width: '100%',
      'max-width': floor(outer),
      'min-width': least,
      'vertical-align': cell.valign,
      'background-color': !cell.radius && cell.background,
    })
  const settles = look.even && !framed && cell.valign !== 'top'
  const column = el(
    'div',
    {
      className: classes(
        c.rules.stack(),
        look.place,
        ...(cell.radius ? [] : shell.names),
        settles && c.rules.settle(cell.valign as 'middle' | 'bottom'),
      ),
      ...(look.reversed ? { dir: c.dir } : {}),
      dataM: cell.id,
      style: style(undefined),
    },
    inside,
  )
  if (look.fluid) column.hints = { unsheeted: style(look.fluid) }
  return ghost('td', { width: trim(outer), vAlign: cell.valign, ...shell.word }, [column])
}

/** A cell with an edge or round corners, as high as its column. */
const framedTable = (cell: Cell, shell: Shell, content: Element, c: BandContext): Element =>
  layout(
    { width: '100%', style: css({ width: '100%', height: '100%' }) },
    el(
      'td',
      {
        className: classes(...shell.names, narrowPadding(cell, c)),
        style: css({
          ...shell.style,
          padding: box(flow(cell.padding, c.dir)),
          'vertical-align': cell.valign,
        }),
      },
      content,
    ),
  )

/**
 * Down to a hundredth: columns that came to more than their row by the last digit would not stand beside each
 * other.
 */
const floor = (px: number): number => Math.floor(px * 100) / 100

/**
 * The least width of a column where there is no style sheet: nothing while the row is wider than it is in a
 * window of `NARROW` px, all of it below, so that columns stack even where two would fit. The calculation
 * comes to far less than nothing, or to far more than the row (common practice, no source). A reader that
 * does not know `min()` lets such columns stand beside each other.
 */
const fluidWidth = (shared: number, c: BandContext): string =>
  `min(100%,(${trim(shared - Math.max(0, c.width - NARROW))}px - 100%)*999)`

/** What a cell holds: a table with a row for each tile, since only a table cell is padded alike everywhere. */
function cellTable(cell: Cell, behind: Ground, c: BandContext): Element {
  const { content } = c.measures.get(cell.id)!
  const ground = cellGround(cell, behind)
  const rows = cell.items.map((item) => itemRow(item, cell, content, ground, c))
  const empty = () => el('tr', null, el('td', { style: css({ 'font-size': 0, 'line-height': 0 }) }, '\u00a0'))
  return el(
    'table',
    {
      role: 'presentation',
      cellPadding: '0',
      cellSpacing: '0',
      border: '0',
      width: '100%',
      style: 'width:100%',
    },
    rows.length ? rows : [empty()],
  )
}

function itemRow(item: Item, cell: Cell, content: number, ground: Ground, c: BandContext): ElementContent {
  if (item.kind === 'row')
    return el(
      'tr',
      null,
      el('td', { dataM: item.id, style: 'padding:0;font-size:0' }, rowContent(item, content, ground, c)),
    )
  const available = Math.max(1, content - item.padding.left - item.padding.right)
  const align = physical('align' in item && item.align ? item.align : cell.align, c)
  const seen = visibility(item.show, 'table-row', c.rules)
  const row = el(
    'tr',
    { className: classes(seen.className), style: css(seen.style) || undefined },
    el(
      'td',
      {
        align,
        dataM: item.id,
        className: classes(item.narrow?.padding && c.rules.padding(flow(item.narrow.padding, c.dir))),
        style: css({
          padding: box(flow(item.padding, c.dir)),
          // Letters of size 0 keep the white space around a block from opening a gap.
          ...(definitionOf(item).block ? { 'font-size': 0, 'line-height': 0 } : {}),
        }),
      },
      tileHtml(item, { ...c, available, ground }),
    ),
  )
  return item.show === 'narrow' ? notWord(row) : row
}
