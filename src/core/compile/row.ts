import type { Element, ElementContent } from 'hast'
import type { Ground } from '../email/ground'
import type { Cell, Row } from '../email/schema'
import { plainOf } from '../email/gradient'
import { css, el, trim, type Declarations } from '../html/element'
import { ghost } from '../html/nodes'
import { classes } from '../tiles/context'
import { physical } from '../tiles/letters'
import { MARK } from '../tiles/picture/html'
import { NARROW } from '../tiles/rules'
import { cellShell, colored, ghostTable, gradientStyle, layout, type Shell } from './boxes'
import {
  cellHeld,
  cellInset,
  cellTable,
  holderCell,
  marked,
  plain,
  tabled,
  type BandContext,
  type Held,
  type HeldRow,
} from './cell'
import { flush, type Inset } from './inset'

type RowParts = Pick<Row, 'cells' | 'gap' | 'narrow'>

/** The cells of a row. @param shared the width they share, px @param ground behind them */
export function rowContent(row: RowParts, shared: number, ground: Ground, c: BandContext): HeldRow {
  if (row.cells.length === 1) return { style: {}, children: [loneCell(row.cells[0]!, ground, c)] }
  return row.narrow === 'keep'
    ? { style: {}, children: [keptRow(row, shared, ground, { ...c, kept: true, top: false })] }
    : stackingRow(row, shared, ground, c)
}

/** Whether a cell has no look of its own. */
export const bare = (cell: Cell) =>
  !cell.background && !cell.gradient && !cell.edges && !cell.radius && !cell.nightBackground

/** The only cell of a row: as wide as the row. */
export function loneCell(cell: Cell, ground: Ground, c: BandContext): Element {
  if (bare(cell)) {
    const table = cellTable(cell, cellInset(cell), ground, c)
    return { ...table, properties: { ...table.properties, dataM: cell.id } }
  }
  const shell = cellShell(cell, c)
  return layout({ width: '100%', dataM: cell.id }, [
    el(
      'tr',
      null,
      holderCell(...heldIn(cell, ground, c), c, {
        ...colored(cell),
        className: classes(...shell.names),
        style: css(shell.style),
      }),
    ),
  ])
}

/**
 * Columns that stay side by side on narrow: a real table row whose widths are percentages, so that it shrinks
 * whole; settled widths keep long words from pushing it apart.
 */
function keptRow(row: RowParts, shared: number, ground: Ground, c: BandContext): Element {
  const percent = (px: number) => `${trim((px / shared) * 100)}%`
  const outer = (cell: Cell) => c.measures.get(cell.id)!.outer
  const held = row.cells.some(keepsWidth)
  // Beside marks and others that keep their width, the widest of the others takes what is left.
  const widest = held
    ? [...row.cells].filter((cell) => !keepsWidth(cell)).sort((a, b) => outer(b) - outer(a))[0]
    : undefined
  const gap = () =>
    el('td', { width: percent(row.gap), style: css({ 'font-size': 0, 'line-height': 0 }) }, '\u00a0')
  return layout({ width: '100%', style: 'table-layout:fixed' }, [
    el(
      'tr',
      null,
      row.cells.flatMap((cell, i) => {
        const mark = !!widest && keepsWidth(cell)
        const width = mark ? trim(outer(cell)) : cell === widest ? undefined : percent(outer(cell))
        const td = keptCell(cell, width, ground, mark ? { ...c, kept: false } : c)
        return i && row.gap ? [gap(), td] : [td]
      }),
    ),
  ])
}

/** Whether a cell keeps its width on phones: one that says so, or holds nothing but marks, small pictures that keep their size. */
const keepsWidth = (cell: Cell): boolean =>
  cell.narrow?.keepsWidth ||
  (cell.items.length > 0 && cell.items.every((i) => i.kind === 'picture' && !i.percent && i.width <= MARK))

/** @param width px, or a share of the row in %; what is left, where it is none */
function keptCell(cell: Cell, width: string | undefined, ground: Ground, c: BandContext): Element {
  const shell = cellShell(cell, c)
  // Padding stands inside, since it would add to the share; an edge cannot.
  const held = cellHeld(cell, cellInset(cell), ground, c)
  return holderCell(held, flush, c, {
    width,
    vAlign: cell.valign,
    ...colored(cell),
    className: classes(...shell.names),
    style: css({
      'box-sizing': !!cell.edges && 'border-box',
      // Beside the attribute, which any sheet of a page prevails over.
      'vertical-align': cell.valign,
      ...shell.style,
    }),
  })
}

/**
 * Columns that stack: inline blocks with a greatest width, which wrap by themselves where there is no room for both (no media query
 * needed), held in a ghost table row for the Word engine. The holder's letter size is 0, so that white space between them takes
 * no room. To stack in reverse they stand in a flex row whose lines follow each other upwards, which takes no media query either; a
 * reader without flex stacks them in the order of the source. (The opposite direction, `dir` within, did the same without flex, but some
 * readers take it from a `div`, and columns changed places on wide.) An order of its own comes from a flex column on narrow. Where a column has a ground or an edge, or does not begin at the top, a flex row on wide
 * makes all equally high.
 */
function stackingRow(row: RowParts, shared: number, ground: Ground, c: BandContext): HeldRow {
  const reversed = row.narrow === 'reverse'
  const { cells } = row
  const order = reversed ? undefined : orderOf(cells)
  const even = cells.some((cell) => !bare(cell) || cell.valign !== 'top')
  const fluid = c.top ? fluidWidth(shared, c) : undefined
  const children = cells.flatMap((cell, i): ElementContent[] => {
    const look = { place: order && c.rules.place(order.cell(i)), even, fluid }
    const column = stackingColumn(cell, look, ground, c)
    return i && row.gap ? [gapBetween(row.gap, order && c.rules.place(order.gap(i)), c), column] : [column]
  })
  const word = ghostTable({ width: '100%', dir: c.dir === 'rtl' ? 'rtl' : undefined }, children)
  const holder: Declarations = { 'font-size': 0, 'text-align': 'center' }
  // A cell of a table is no flex box.
  if (!order && !even && !reversed) return { style: holder, children: [word] }
  const className = classes(order && c.rules.ordered(), even && c.rules.even())
  return {
    style: holder,
    children: [el('div', { className, style: reversed ? backwards(even) : undefined }, word)],
  }
}

/** Lines of a flex row that follow each other upwards. @param even columns of one height */
const backwards = (even: boolean): string =>
  css({
    display: 'flex',
    'flex-wrap': 'wrap-reverse',
    'justify-content': 'center',
    // Upside down, too: the end is where columns begin.
    'align-items': even ? 'stretch' : 'flex-end',
  })

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
  const sorted = [...places].sort((a, b) => a - b)
  return {
    cell: (i) => 2 * places[i]!,
    // One gap stands before each cell but the first, whichever cells the gap parts in the source.
    gap: (i) => 2 * sorted[i]! - 1,
  }
}

/** The gap between two columns; the Word engine has a cell for it. @param gap px */
const gapBetween = (gap: number, place: string | undefined, c: BandContext): ElementContent =>
  ghost('td', { width: trim(gap) }, [
    el('div', {
      className: classes(c.rules.gap(gap), place),
      style: css({ display: 'inline-block', width: gap, height: 1 }),
    }),
  ])

interface ColumnLook {
  /** Class of its place once stacked. */
  place: string | undefined
  /** Whether the row makes its columns equally high. */
  even: boolean
  /** Its least width where there is no style sheet. */
  fluid: string | undefined
}

function stackingColumn(cell: Cell, look: ColumnLook, ground: Ground, context: BandContext): ElementContent {
  const c = { ...context, top: false }
  const outer = c.measures.get(cell.id)!.outer
  const shell = cellShell(cell, c)
  // Edges stand on the cell of a table, whose width they do not add to; it fills a column that was made taller.
  const framed = !!(cell.edges || cell.radius)
  const settles = look.even && !framed && cell.valign !== 'top'
  // What a flex column holds is one thing: runs of words would each be put on a line of their own.
  const hold = settles ? tabled : cellHeld
  const held = framed ? framedHeld(cell, shell, ground, c) : hold(cell, cellInset(cell), ground, c)
  const style = (least: string | undefined) =>
    css({
      display: 'inline-block',
      width: '100%',
      'max-width': floor(outer),
      'min-width': least,
      'vertical-align': cell.valign,
      // Columns stand in the middle of their row; what they hold does not.
      'text-align': physical('left', c),
      'background-color': !cell.radius && plainOf(cell.background, cell.gradient),
      ...(cell.radius ? {} : gradientStyle(cell.gradient)),
      ...held.style,
    })
  const column = el(
    'div',
    {
      align: held.align,
      className: classes(
        !cell.narrow?.keepsWidth && c.rules.stack(),
        look.place,
        ...(cell.radius ? [] : shell.names),
        settles && c.rules.settle(cell.valign as 'middle' | 'bottom'),
        ...held.names,
      ),
      dataM: marked(held.marks),
      style: style(undefined),
    },
    held.children,
  )
  if (look.fluid) column.hints = { unsheeted: style(look.fluid) }
  return ghost('td', { width: trim(outer), vAlign: cell.valign, ...shell.word }, [column])
}

/** A cell's content and the space around it, for a holder that keeps that; the drawing of a gradient for the Word engine reaches to the edges of the holder, so that the space is in it. */
const heldIn = (cell: Cell, ground: Ground, c: BandContext): [Held, Inset] =>
  cell.gradient
    ? [plain([cellTable(cell, cellInset(cell), ground, c)]), flush]
    : [plain([cellTable(cell, flush, ground, c)]), cellInset(cell)]

/** A cell with an edge or round corners, as high as its column. */
function framedHeld(cell: Cell, shell: Shell, ground: Ground, c: BandContext): Held {
  const frame = holderCell(...heldIn(cell, ground, c), c, {
    className: classes(...shell.names),
    style: css({ ...shell.style, 'vertical-align': cell.valign }),
  })
  const table = layout({ width: '100%', style: 'height:100%' }, [el('tr', null, frame)])
  return plain([table], [cell.id])
}

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
