import type { Element, ElementContent, Properties } from 'hast'
import { cellGround, type Ground } from '../email/ground'
import type { CellMeasure } from '../email/measures'
import type { Cell, Row } from '../email/schema'
import type { Tile } from '../email/tile'
import { css, el, type Declarations } from '../html/element'
import { notWord } from '../html/nodes'
import { definitionOf, tileOutput } from '../tiles'
import { classes, type CompileContext, type TileContext } from '../tiles/context'
import { isPlain, physical } from '../tiles/letters'
import type { Rules } from '../tiles/rules'
import { layout, onFill } from './boxes'
import { flush, insetOf, isFlush, isLow, partOf, spaceStyle, within, type Inset } from './inset'

/** What the compiling of a band's rows knows. */
export type BandContext = CompileContext &
  Pick<TileContext, 'role' | 'look' | 'rules' | 'kept' | 'drawn'> & {
    measures: ReadonlyMap<string, CellMeasure>
    /** False inside a cell that has others beside it. */
    top: boolean
    /** Compiles a row inside a cell: rows hold cells, and cells hold rows. */
    row: (row: Row, shared: number, ground: Ground, c: BandContext) => HeldRow
  }

/** What stands in a holder, a `td` or a `div`, and what the holder says for it. */
export interface Held {
  align?: Properties['align']
  /** Ids of what it marks, outermost first. */
  marks: readonly string[]
  names: readonly (string | undefined | false)[]
  style: Declarations
  children: ElementContent[]
}

/** What a row's holder says for it. */
export type HeldRow = Pick<Held, 'style' | 'children'>

/** Marks as the attribute that lenses look for. */
export const marked = (...ids: readonly (string | readonly string[])[]): string => ids.flat().join(' ')

/**
 * Hides a thing on one of the two widths. The Word engine never sees what is for narrow only: it knows no
 * `display`.
 */
export function visibility(
  show: 'all' | 'wide' | 'narrow',
  display: 'table' | 'block' | 'table-row',
  rules: Rules,
): { className?: string; style: Declarations } {
  if (show === 'wide') return { className: rules.hide(), style: {} }
  if (show === 'narrow') return { className: rules.show(display), style: { display: 'none' } }
  return { style: {} }
}

/** The space of a cell inside its edge. */
export const cellInset = (cell: Cell): Inset => insetOf(cell, cell.narrow?.padding)

/** A tile in its holder. Words say themselves where their lines stand; all else is put there by `align`. */
function tileHeld(tile: Tile, cell: Cell, content: number, ground: Ground, c: BandContext): Held {
  const available = Math.max(1, content - tile.padding.left - tile.padding.right)
  const definition = definitionOf(tile)
  const context: TileContext = { ...c, available, ground }
  const align = physical('align' in tile && tile.align ? tile.align : cell.align, c)
  const { style, names } = definition.holder(tile, context)
  return {
    align: isPlain(align, c) || 'text-align' in style ? undefined : align,
    marks: [tile.id],
    names,
    style,
    children: tileOutput(tile, context),
  }
}

/** A row of columns in its holder, which has letters of size 0: white space between columns takes no room. */
const rowHeld = (row: Row, content: number, ground: Ground, c: BandContext): Held => ({
  marks: [row.id],
  names: [],
  ...c.row(row, content, ground, c),
})

/** Content that wants nothing of its holder. @param marks ids of what the holder marks */
export const plain = (children: ElementContent[], marks: string[] = []): Held => ({
  marks,
  names: [],
  style: {},
  children,
})

const empty: Held = { ...plain([]), style: { 'font-size': 0, 'line-height': 0 } }

const heldOf = (item: Cell['items'][number], cell: Cell, content: number, ground: Ground, c: BandContext) =>
  item.kind === 'row' ? rowHeld(item, content, ground, c) : tileHeld(item, cell, content, ground, c)

const showOf = (item: Cell['items'][number]) => (item.kind === 'row' ? 'all' : item.show)

const spaceOf = (item: Cell['items'][number]): Inset =>
  item.kind === 'row' ? flush : insetOf(item, item.narrow?.padding)

/** A table cell around what it holds. */
export function holderCell(held: Held, inset: Inset, c: BandContext, more: Properties = {}): Element {
  const space = spaceStyle(inset, c)
  const { className, style, dataM, ...properties } = more
  return el(
    'td',
    {
      align: held.align,
      ...properties,
      dataM: marked(dataM ? [String(dataM)] : [], held.marks) || undefined,
      className: classes(...((className as string[] | undefined) ?? []), space.name, ...held.names),
      style: [style, css({ ...space.style, ...held.style })].filter(Boolean).join(';') || undefined,
    },
    held.children.length ? held.children : '\u00a0',
  )
}

/** Whether a cell's space can stand in its rows: the first and the last of them must show on both widths. */
const spreads = (cell: Cell, inset: Inset): boolean =>
  isLow(inset) ||
  !cell.items.length ||
  (showOf(cell.items[0]!) === 'all' && showOf(cell.items.at(-1)!) === 'all')

/**
 * A cell as rows of a table, one for each tile, since only a table cell is padded alike everywhere. Null where the space around
 * cannot stand in the rows.
 * @param inset around all of it
 */
export function cellRows(cell: Cell, inset: Inset, behind: Ground, c: BandContext): ElementContent[] | null {
  if (!spreads(cell, inset)) return null
  const { content } = c.measures.get(cell.id)!
  const ground = cellGround(cell, behind)
  if (!cell.items.length) return [el('tr', null, holderCell(empty, inset, c))]
  const last = cell.items.length - 1
  return cell.items.map((item, i) => {
    const around = within(partOf(inset, i === 0, i === last), spaceOf(item))
    const seen = visibility(showOf(item), 'table-row', c.rules)
    const row = el(
      'tr',
      { className: classes(seen.className), style: css(seen.style) || undefined },
      holderCell(heldOf(item, cell, content, ground, c), around, c),
    )
    return showOf(item) === 'narrow' ? notWord(row) : row
  })
}

/** A cell as a table of its own. @param inset around all of it */
export function cellTable(cell: Cell, inset: Inset, behind: Ground, c: BandContext): Element {
  const { gradient } = cell
  if (!gradient || c.drawn) return bareTable(cell, inset, behind, c)
  const inside = [bareTable(cell, inset, behind, { ...c, drawn: true })]
  const { color } = cellGround(cell, behind)
  const { left, right } = cell.edges ?? {}
  const width = c.measures.get(cell.id)!.outer - (left?.width ?? 0) - (right?.width ?? 0)
  return layout({ width: '100%' }, [
    el('tr', null, el('td', null, onFill({ gradient }, width, color, inside, c))),
  ])
}

function bareTable(cell: Cell, inset: Inset, behind: Ground, c: BandContext): Element {
  const rows = cellRows(cell, inset, behind, c)
  return layout(
    { width: '100%' },
    rows ?? [el('tr', null, holderCell(plain([bareTable(cell, flush, behind, c)]), inset, c))],
  )
}

/** A cell's content as a table in its holder. @param inset around all of it */
export const tabled = (cell: Cell, inset: Inset, behind: Ground, c: BandContext): Held =>
  plain([cellTable(cell, inset, behind, c)], [cell.id])

/**
 * A cell's content for a holder that keeps no space itself: the tile where there is but one without space around it, else a
 * table.
 * @param inset around all of it
 */
export function cellHeld(cell: Cell, inset: Inset, behind: Ground, c: BandContext): Held {
  const { content } = c.measures.get(cell.id)!
  const only = cell.items.length === 1 ? cell.items[0]! : undefined
  if (only && !cell.gradient && showOf(only) === 'all' && isFlush(inset) && isFlush(spaceOf(only))) {
    const held = heldOf(only, cell, content, cellGround(cell, behind), c)
    return { ...held, marks: [cell.id, ...held.marks] }
  }
  return tabled(cell, inset, behind, c)
}
