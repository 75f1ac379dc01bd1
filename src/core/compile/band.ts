import type { Element, ElementContent } from 'hast'
import { innerWidth, measureBand, type CellMeasure } from '../email/measures'
import type { Band, Cell, Item, Row } from '../email/schema'
import { tileHtml } from '../tiles'
import { physical } from '../tiles/words/html'
import { classes, Rules, type CompileContext, type TileContext } from './context'
import { box, css, el, trim, wordOnly } from './element'

/** One band as a tree, with the narrow rules it needs. */
export interface CompiledBand { tree: Element; rules: ReadonlyMap<string, string> }

type BandContext = CompileContext & Pick<TileContext, 'role' | 'rules'> & { measures: ReadonlyMap<string, CellMeasure> }

/**
 * A band: a full-width table that carries the bleed colour, in it a block no wider than the email (a ghost table of that width for
 * the Word engine, which knows no max-width), in it the padded cells.
 */
export function bandTree(band: Band, context: CompileContext): CompiledBand {
  const rules = new Rules()
  const c: BandContext = { ...context, rules, role: band.role, measures: measureBand(band, context.width) }
  const ground = band.background ?? band.bleed ?? context.style.ground
  const narrow = band.narrowPadding && rules.padding(band.narrowPadding)
  const cells = rowContent(band, innerWidth(band, c.width), ground, c)
  const inner = layout({ width: '100%', ...(band.background ? { bgColor: band.background } : {}), style: css({ width: '100%', 'background-color': band.background }) },
    el('td', { className: classes(narrow), style: css({ padding: box(band.padding), 'font-size': 0 }) }, cells))
  const seen = visibility(band.show, 'table', rules)
  const outer = layout({ width: '100%', className: classes(seen.className), ...(band.bleed ? { bgColor: band.bleed } : {}), ...mark(c, band.id), style: css({ width: '100%', 'background-color': band.bleed, ...seen.style }) },
    el('td', { align: 'center', style: 'padding:0' },
      wordOnly(`<table role="presentation" width="${c.width}" align="center" cellpadding="0" cellspacing="0" border="0"><tr><td>`),
      el('div', { style: css({ 'max-width': c.width, margin: '0 auto' }) }, inner),
      wordOnly('</td></tr></table>')))
  return { tree: outer, rules: rules.used }
}

/** A layout table of one row. Presentational attributes stand beside the CSS for readers that take only one of the two. */
const layout = (properties: Element['properties'], ...cells: Element[]): Element =>
  el('table', { role: 'presentation', cellPadding: '0', cellSpacing: '0', border: '0', ...properties }, el('tr', null, cells))

const mark = (c: CompileContext, id: string) => (c.marks ? { dataM: id } : {})

/**
 * Hides a thing on one of the two widths. What is for narrow only starts hidden, so that a reader without media queries does not
 * show both of a pair of twins.
 */
function visibility(show: 'all' | 'wide' | 'narrow', display: 'table' | 'table-row', rules: Rules): { className?: string; style: Record<string, string | number> } {
  if (show === 'wide') return { className: rules.add('hide', 'display:none!important'), style: {} }
  if (show === 'narrow') return { className: rules.add(`show-${display}`, `display:${display}!important`), style: { display: 'none' } }
  return { style: {} }
}

function rowContent(row: Pick<Row, 'cells' | 'gap' | 'narrow'>, shared: number, ground: string, c: BandContext): ElementContent[] {
  if (row.cells.length === 1) return [cellTable(row.cells[0]!, ground, c)]
  return row.narrow === 'keep' ? [keptRow(row, shared, ground, c)] : stackingRow(row, ground, c)
}

/** Columns that stay side by side on narrow: a real table row whose widths are percentages, so that it shrinks whole. */
function keptRow(row: Pick<Row, 'cells' | 'gap'>, shared: number, ground: string, c: BandContext): Element {
  const percent = (px: number) => `${trim((px / shared) * 100)}%`
  return layout({ width: '100%', style: 'width:100%' }, ...row.cells.flatMap((cell, i) => {
    const outer = c.measures.get(cell.id)!.outer
    const td = el('td', { width: percent(outer), vAlign: cell.valign, style: css({ width: percent(outer), padding: '0', 'vertical-align': cell.valign }) }, cellTable(cell, ground, c))
    return i && row.gap ? [el('td', { width: percent(row.gap), style: css({ width: percent(row.gap), padding: '0', 'font-size': 0, 'line-height': 0 }) }, '\u00a0'), td] : [td]
  }))
}

/**
 * Columns that stack: inline blocks with a greatest width, which wrap by themselves where there is no room for both (no media query
 * needed), held in a ghost table row for the Word engine. The container's letter size is 0, so that white space between them takes
 * no room. To stack in reverse, the source holds the narrow order and the wide order comes from the opposite direction.
 */
function stackingRow(row: Pick<Row, 'cells' | 'gap' | 'narrow'>, ground: string, c: BandContext): ElementContent[] {
  const stack = c.rules.add('stack', 'max-width:100%!important')
  const between = row.gap ? c.rules.add(`gap${trim(row.gap).replace('.', '_')}`, `display:block!important;width:100%!important;max-width:100%!important;height:${trim(row.gap)}px!important`) : undefined
  const reversed = row.narrow === 'reverse'
  const cells = reversed ? [...row.cells].reverse() : row.cells
  const opposite = c.dir === 'rtl' ? 'ltr' : 'rtl'
  const out: ElementContent[] = [wordOnly(`<table role="presentation" width="100%"${reversed ? ` dir="${opposite}"` : ''} cellpadding="0" cellspacing="0" border="0"><tr>`)]
  cells.forEach((cell, i) => {
    const outer = c.measures.get(cell.id)!.outer
    if (i && row.gap) {
      out.push(wordOnly(`<td width="${trim(row.gap)}"></td>`), el('div', { className: classes(between), style: css({ display: 'inline-block', width: row.gap, 'max-width': row.gap, height: 1, 'line-height': 0 }) }))
    }
    out.push(wordOnly(`<td width="${trim(outer)}" valign="${cell.valign}">`),
      el('div', { className: classes(stack), ...(reversed ? { dir: c.dir } : {}), style: css({ display: 'inline-block', width: '100%', 'max-width': outer, 'vertical-align': cell.valign }) }, cellTable(cell, ground, c)),
      wordOnly('</td>'))
  })
  out.push(wordOnly('</tr></table>'))
  return [el('div', { ...(reversed ? { dir: opposite } : {}), style: css({ 'text-align': 'center', 'font-size': 0 }) }, out)]
}

/** A cell: a table with a row for each tile, since only a table cell is padded alike everywhere. */
function cellTable(cell: Cell, behind: string, c: BandContext): Element {
  const { content } = c.measures.get(cell.id)!
  const ground = cell.background ?? behind
  const rows = cell.items.map((item) => itemRow(item, cell, content, ground, c))
  const table = el('table', { role: 'presentation', cellPadding: '0', cellSpacing: '0', border: '0', width: '100%', style: 'width:100%' }, rows.length ? rows : [el('tr', null, el('td', { style: css({ 'font-size': 0, 'line-height': 0 }) }, '\u00a0'))])
  const { top, right, bottom, left } = cell.padding
  if (!(top || right || bottom || left || cell.background || cell.narrow?.padding)) return { ...table, properties: { ...table.properties, ...mark(c, cell.id) } }
  return layout({ width: '100%', ...mark(c, cell.id), ...(cell.background ? { bgColor: cell.background } : {}), style: css({ width: '100%', 'background-color': cell.background }) },
    el('td', { className: classes(cell.narrow?.padding && c.rules.padding(cell.narrow.padding)), style: css({ padding: box(cell.padding) }) }, table))
}

function itemRow(item: Item, cell: Cell, content: number, ground: string, c: BandContext): Element {
  if (item.kind === 'row') return el('tr', mark(c, item.id), el('td', { style: 'padding:0;font-size:0' }, rowContent(item, content, ground, c)))
  const available = Math.max(1, content - item.padding.left - item.padding.right)
  const align = physical('align' in item ? item.align : cell.align, c)
  // A picture is a block with a margin of its own; the letter size 0 keeps the white space around it from opening a gap.
  const flat = item.kind === 'picture' || item.kind === 'gap' || item.kind === 'divider'
  const seen = visibility(item.show, 'table-row', c.rules)
  return el('tr', { className: classes(seen.className), style: css(seen.style) || undefined },
    el('td', { align, ...mark(c, item.id), className: classes(item.narrow?.padding && c.rules.padding(item.narrow.padding)), style: css({ padding: box(item.padding), ...(flat ? { 'font-size': 0, 'line-height': 0 } : {}) }) },
      tileHtml(item, { ...c, available, ground })))
}
