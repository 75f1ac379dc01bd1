import type { Element, ElementContent } from 'hast'
import { blockWidth, innerWidth, measureBand, type CellMeasure } from '../email/measures'
import type { Band, Cell, GroundPicture, Item, Row } from '../email/schema'
import type { Edge, Edges } from '../email/styles'
import { tileHtml } from '../tiles'
import { classes, type CompileContext, type TileContext } from './context'
import { attr, box, css, el, flow, notWord, trim, wordOnly } from './element'
import { physical } from './letters'
import { NARROW, Rules, type Rule } from './rules'

/** One band as a tree, with the rules it needs in the head. */
export interface CompiledBand {
  tree: ElementContent[]
  rules: ReadonlyMap<string, Rule>
}

type BandContext = CompileContext &
  Pick<TileContext, 'role' | 'look' | 'rules' | 'kept'> & {
    measures: ReadonlyMap<string, CellMeasure>
    /** False inside a cell that has others beside it. */
    top: boolean
  }

/**
 * How a box looks: its ground, its edges, its corners. The Word engine takes them from a ghost cell, since it
 * draws no `div` as a box.
 */
interface Shell {
  style: Record<string, string | number | undefined | false>
  names: (string | undefined | false)[]
  word: string
}

/**
 * A band: a full-width table that carries the bleed colour, in it a block no wider than the email (a ghost
 * table of that width for the Word engine, which knows no max-width), in it the padded cells.
 */
export function bandTree(band: Band, context: CompileContext): CompiledBand {
  const rules = new Rules()
  const c: BandContext = {
    ...context,
    dir: band.dir ?? context.dir,
    rules,
    role: band.role,
    look: context.style.roles[band.role],
    kept: false,
    top: true,
    measures: measureBand(band, context.width),
  }
  const { card, picture } = band
  const width = blockWidth(band, c.width)
  const ground = band.background ?? band.bleed ?? c.style.ground
  const cells = rowContent(band, innerWidth(band, c.width), ground, c)
  const inner = layout(
    {
      width: '100%',
      className: classes(band.nightBackground && rules.nightGround(band.nightBackground)),
      ...(band.background ? { bgColor: band.background } : {}),
      style: css({ width: '100%', 'background-color': band.background }),
    },
    el(
      'td',
      {
        className: classes(band.narrowPadding && rules.padding(flow(band.narrowPadding, c.dir))),
        style: css({
          ...(picture?.across === 'email' ? pictureStyle(picture, c) : {}),
          padding: box(flow(band.padding, c.dir)),
          'font-size': 0,
        }),
      },
      onPicture(picture?.across === 'email' ? picture : undefined, width, ground, cells, c),
    ),
  )
  const edge = card?.edge
  const shell: Shell = {
    style: card
      ? {
          ...edgeStyle(edge && { top: edge, right: edge, bottom: edge, left: edge }, c),
          'border-radius': card.radius || undefined,
          overflow: card.radius ? 'hidden' : undefined,
        }
      : {},
    names: [edge?.nightColor && rules.nightEdge(edge.nightColor)],
    word: edge ? ` style="border:${line(edge)}"` : '',
  }
  const block = [
    wordOnly(
      `<table role="presentation" width="${trim(width + 2 * (edge?.width ?? 0))}" align="center" cellpadding="0" cellspacing="0" border="0"><tr><td${shell.word}>`,
    ),
    el(
      'div',
      {
        className: classes(...shell.names),
        style: css({ 'max-width': width, margin: '0 auto', ...shell.style }),
      },
      inner,
    ),
    wordOnly('</td></tr></table>'),
  ]
  const seen = visibility(band.show, 'table', rules)
  const bleedPicture = picture?.across === 'window' ? picture : undefined
  const outer = layout(
    {
      width: '100%',
      className: classes(seen.className, band.nightBleed && rules.nightGround(band.nightBleed)),
      ...(band.bleed ? { bgColor: band.bleed } : {}),
      lang: band.lang,
      dir: band.dir,
      dataM: band.id,
      style: css({ width: '100%', 'background-color': band.bleed, ...seen.style }),
    },
    el(
      'td',
      {
        align: 'center',
        style: css({
          ...(bleedPicture ? pictureStyle(bleedPicture, c) : {}),
          padding: card ? box(flow(card.around, c.dir)) : '0',
        }),
      },
      onPicture(bleedPicture, null, band.bleed ?? c.style.ground, block, c),
    ),
  )
  return { tree: seen.className && band.show === 'narrow' ? notWord(outer) : [outer], rules: rules.used }
}

/**
 * A layout table of one row. Presentational attributes stand beside the CSS for readers that take only one of
 * the two.
 */
const layout = (properties: Element['properties'], ...cells: Element[]): Element =>
  el(
    'table',
    { role: 'presentation', cellPadding: '0', cellSpacing: '0', border: '0', ...properties },
    el('tr', null, cells),
  )

const line = (e: Edge) => `${e.width}px ${e.style} ${e.color}`

/** Edges as they lie on screen, in the shortest form. */
function edgeStyle(
  edges: Edges | undefined,
  c: Pick<BandContext, 'dir'>,
): Record<string, string | undefined> {
  if (!edges) return {}
  const [left, right] = c.dir === 'rtl' ? [edges.right, edges.left] : [edges.left, edges.right]
  const sides = [edges.top, right, edges.bottom, left].map((e) => e && line(e))
  if (sides.every((s) => s === sides[0])) return { border: sides[0] }
  return {
    'border-top': sides[0],
    'border-right': sides[1],
    'border-bottom': sides[2],
    'border-left': sides[3],
  }
}

const cssUrl = (address: string) =>
  `url('${address.replace(/['"\\\s()]/g, (ch) => `%${ch.charCodeAt(0).toString(16).padStart(2, '0')}`)}')`

/** A picture behind a box. Its colour stands for it with pictures off. */
const pictureStyle = (p: GroundPicture, c: Pick<BandContext, 'src'>) => ({
  'background-image': cssUrl(c.src(p.picture)),
  'background-position': `${p.x} ${p.y}`,
  'background-repeat': p.fit === 'repeat' ? 'repeat' : 'no-repeat',
  'background-size': p.fit === 'cover' ? 'cover' : undefined,
})

const at = { left: '0', center: '0.5', right: '1', top: '0', bottom: '1' }

/**
 * The Word engine knows no background pictures: it gets a VML box that grows with its words, filled with the
 * picture.
 * @param width px; null: the whole window
 */
function onPicture(
  p: GroundPicture | undefined,
  width: number | null,
  ground: string,
  content: ElementContent[],
  c: Pick<BandContext, 'src'>,
): ElementContent[] {
  if (!p) return content
  const size = width === null ? 'mso-width-percent:1000;' : `width:${trim(width)}px;`
  const place = `origin="${at[p.x]},${at[p.y]}" position="${at[p.x]},${at[p.y]}"`
  return [
    wordOnly(
      `<v:rect xmlns:v="urn:schemas-microsoft-com:vml" fill="true" stroke="false" style="${size}"><v:fill type="${p.fit === 'repeat' ? 'tile' : 'frame'}" ${p.fit === 'cover' ? 'aspect="atleast" ' : ''}${p.fit === 'repeat' ? '' : `${place} `}src="${attr(c.src(p.picture))}" color="${ground}"></v:fill><v:textbox inset="0,0,0,0" style="mso-fit-shape-to-text:true;">`,
    ),
    el('div', { style: 'font-size:0' }, content),
    wordOnly('</v:textbox></v:rect>'),
  ]
}

/**
 * Hides a thing on one of the two widths. The Word engine never sees what is for narrow only: it knows no
 * `display`.
 */
function visibility(
  show: 'all' | 'wide' | 'narrow',
  display: 'table' | 'table-row',
  rules: Rules,
): { className?: string; style: Record<string, string | number> } {
  if (show === 'wide') return { className: rules.hide(), style: {} }
  if (show === 'narrow') return { className: rules.show(display), style: { display: 'none' } }
  return { style: {} }
}

function rowContent(
  row: Pick<Row, 'cells' | 'gap' | 'narrow'>,
  shared: number,
  ground: string,
  c: BandContext,
): ElementContent[] {
  if (row.cells.length === 1) return [loneCell(row.cells[0]!, ground, c)]
  return row.narrow === 'keep'
    ? [keptRow(row, shared, ground, { ...c, kept: true, top: false })]
    : stackingRow(row, shared, ground, c)
}

function shellOf(cell: Cell, c: BandContext): Shell {
  const edges = edgeStyle(cell.edges, c)
  const night = [cell.edges?.top, cell.edges?.right, cell.edges?.bottom, cell.edges?.left].find(
    (e) => e?.nightColor,
  )?.nightColor
  return {
    style: {
      'background-color': cell.background,
      ...edges,
      'border-radius': cell.radius || undefined,
      overflow: cell.radius ? 'hidden' : undefined,
    },
    names: [
      cell.nightBackground && c.rules.nightGround(cell.nightBackground),
      night && c.rules.nightEdge(night),
    ],
    word: `${cell.background ? ` bgcolor="${cell.background}"` : ''}${cell.edges ? ` style="${css(edges)}"` : ''}`,
  }
}
const bare = (cell: Cell) => !cell.background && !cell.edges && !cell.radius && !cell.nightBackground

/** The only cell of a row: as wide as the row. */
function loneCell(cell: Cell, ground: string, c: BandContext): Element {
  const content = cellTable(cell, ground, c)
  if (bare(cell) && !padded(cell))
    return { ...content, properties: { ...content.properties, dataM: cell.id } }
  const shell = shellOf(cell, c)
  return layout(
    { width: '100%', dataM: cell.id, style: 'width:100%' },
    el(
      'td',
      {
        ...(cell.background ? { bgColor: cell.background } : {}),
        className: classes(
          ...shell.names,
          cell.narrow?.padding && c.rules.padding(flow(cell.narrow.padding, c.dir)),
        ),
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
        className: classes(cell.narrow?.padding && c.rules.padding(flow(cell.narrow.padding, c.dir))),
        style: css({ padding: box(flow(cell.padding, c.dir)) }),
      },
      content,
    ),
  )

const padded = ({ padding: p, narrow }: Cell) => !!(p.top || p.right || p.bottom || p.left || narrow?.padding)

/**
 * Columns that stay side by side on narrow: a real table row whose widths are percentages, so that it shrinks
 * whole; settled widths keep long words from pushing it apart.
 */
function keptRow(row: Pick<Row, 'cells' | 'gap'>, shared: number, ground: string, c: BandContext): Element {
  const percent = (px: number) => `${trim((px / shared) * 100)}%`
  return layout(
    { width: '100%', style: 'width:100%;table-layout:fixed' },
    ...row.cells.flatMap((cell, i) => {
      const outer = c.measures.get(cell.id)!.outer
      const shell = shellOf(cell, c)
      const td = el(
        'td',
        {
          width: percent(outer),
          vAlign: cell.valign,
          ...(cell.background ? { bgColor: cell.background } : {}),
          dataM: cell.id,
          className: classes(...shell.names),
          // Padding stands inside, since it would add to the share; an edge cannot.
          style: css({
            'box-sizing': !!cell.edges && 'border-box',
            width: percent(outer),
            ...shell.style,
            padding: '0',
            'vertical-align': cell.valign,
          }),
        },
        padded(cell) ? paddedTable(cell, cellTable(cell, ground, c), c) : cellTable(cell, ground, c),
      )
      return i && row.gap
        ? [
            el(
              'td',
              {
                width: percent(row.gap),
                style: css({ width: percent(row.gap), padding: '0', 'font-size': 0, 'line-height': 0 }),
              },
              '\u00a0',
            ),
            td,
          ]
        : [td]
    }),
  )
}

/**
 * Columns that stack: inline blocks with a greatest width, which wrap by themselves where there is no room
 * for both (no media query needed), held in a ghost table row for the Word engine. The container's letter
 * size is 0, so that white space between them takes no room. To stack in reverse, the source holds the narrow
 * order and the wide order comes from the opposite direction. An order of its own comes from a flex column on
 * narrow. Where a column has a ground or an edge, a flex row on wide makes all equally high.
 */
function stackingRow(
  row: Pick<Row, 'cells' | 'gap' | 'narrow'>,
  shared: number,
  ground: string,
  c: BandContext,
): ElementContent[] {
  const reversed = row.narrow === 'reverse'
  const cells = reversed ? [...row.cells].reverse() : row.cells
  const opposite = c.dir === 'rtl' ? 'ltr' : 'rtl'
  const ordered = !reversed && row.cells.some((cell) => cell.narrow?.place)
  const even = row.cells.some((cell) => !bare(cell))
  const out: ElementContent[] = [
    wordOnly(
      `<table role="presentation" width="100%"${reversed ? ` dir="${opposite}"` : ''} cellpadding="0" cellspacing="0" border="0"><tr>`,
    ),
  ]
  cells.forEach((cell, i) => {
    const outer = c.measures.get(cell.id)!.outer
    const place = ordered && c.rules.place(2 * (cell.narrow?.place ?? 10 + i))
    if (i && row.gap) {
      const between = c.rules.gap(row.gap)
      // In an order of one's own a gap belongs before every cell but the one that comes first.
      const first =
        ordered && cells.every((o, k) => (o.narrow?.place ?? 10 + k) >= (cell.narrow?.place ?? 10 + i))
      const after =
        ordered &&
        c.rules.place(
          2 *
            (first
              ? Math.min(
                  ...cells.filter((o) => o !== cell).map((o) => o.narrow?.place ?? 10 + cells.indexOf(o)),
                )
              : (cell.narrow?.place ?? 10 + i)) -
            1,
        )
      out.push(
        wordOnly(`<td width="${trim(row.gap)}"></td>`),
        el('div', {
          ariaHidden: 'true',
          className: classes(between, after),
          style: css({
            display: 'inline-block',
            width: row.gap,
            'max-width': row.gap,
            height: 1,
            'line-height': 0,
          }),
        }),
      )
    }
    const shell = shellOf(cell, c)
    const content = cellTable(cell, ground, { ...c, top: false })
    // Edges stand on the cell of a table, whose width they do not add to; it fills a column that was made
    // taller.
    const framed = cell.edges || cell.radius
    const inside =
      padded(cell) || framed
        ? layout(
            { width: '100%', style: css({ width: '100%', height: framed && '100%' }) },
            el(
              'td',
              {
                className: classes(
                  ...(framed ? shell.names : []),
                  cell.narrow?.padding && c.rules.padding(flow(cell.narrow.padding, c.dir)),
                ),
                style: css({
                  ...(framed ? shell.style : {}),
                  padding: box(flow(cell.padding, c.dir)),
                  'vertical-align': framed && cell.valign,
                }),
              },
              content,
            ),
          )
        : content
    out.push(
      wordOnly(`<td width="${trim(outer)}" valign="${cell.valign}"${shell.word}>`),
      el(
        'div',
        {
          className: classes(
            c.rules.stack(),
            place,
            ...(cell.radius ? [] : shell.names),
            even && !framed && cell.valign !== 'top' && c.rules.settle(cell.valign),
          ),
          ...(reversed ? { dir: c.dir } : {}),
          dataM: cell.id,
          style: css({
            display: 'inline-block',
            width: '100%',
            'max-width': floor(outer),
            'min-width': c.styles === 'inline' && c.top && fluid(shared, c),
            'vertical-align': cell.valign,
            'background-color': !cell.radius && cell.background,
          }),
        },
        inside,
      ),
      wordOnly('</td>'),
    )
  })
  out.push(wordOnly('</tr></table>'))
  return [
    el(
      'div',
      {
        className: classes(ordered && c.rules.ordered(), even && c.rules.even()),
        ...(reversed ? { dir: opposite } : {}),
        style: css({ 'text-align': 'center', 'font-size': 0 }),
      },
      out,
    ),
  ]
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
const fluid = (shared: number, c: BandContext): string =>
  `min(100%,(${trim(shared - Math.max(0, c.width - NARROW))}px - 100%)*999)`

/**
 * What a cell holds: a table with a row for each tile, since only a table cell is padded alike everywhere.
 */
function cellTable(cell: Cell, behind: string, c: BandContext): Element {
  const { content } = c.measures.get(cell.id)!
  const ground = cell.background ?? behind
  const rows = cell.items.flatMap((item) => itemRow(item, cell, content, ground, c))
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
    rows.length
      ? rows
      : [el('tr', null, el('td', { style: css({ 'font-size': 0, 'line-height': 0 }) }, '\u00a0'))],
  )
}

/**
 * Tiles that are blocks with margins of their own: the letter size 0 keeps the white space around them from
 * opening a gap.
 */
const flat = new Set(['picture', 'gap', 'divider', 'social'])

function itemRow(item: Item, cell: Cell, content: number, ground: string, c: BandContext): ElementContent[] {
  if (item.kind === 'row')
    return [
      el(
        'tr',
        null,
        el('td', { dataM: item.id, style: 'padding:0;font-size:0' }, rowContent(item, content, ground, c)),
      ),
    ]
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
          ...(flat.has(item.kind) ? { 'font-size': 0, 'line-height': 0 } : {}),
        }),
      },
      tileHtml(item, { ...c, available, ground }),
    ),
  )
  return item.show === 'narrow' ? notWord(row) : [row]
}
