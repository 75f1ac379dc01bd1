import type { Element, ElementContent } from 'hast'
import { isolated } from '../bidi'
import { classes, type TileContext } from '../context'
import { css, el, text, type Declarations } from '../../html/element'
import { isPlain, letters, physical } from '../letters'
import type { RoleStyle } from '../../email/cascade'
import { safeFont } from '../../email/fonts'
import { sides, type TextStyle } from '../../email/styles'
import { lineWidth } from '../../email/widths'
import { box } from '../space'
import { replaceFields } from '../../text/fields'
import { phrasesOf } from '../../text/phrases'
import { card, cardHead, NARROW_BESIDE, scroll, scrollCell, tightCell } from './rules'
import type { RowLook, TableTile } from './schema'

/** The letters of a table: the role's paragraphs, then the tile's own values. */
export const tableStyle = (tile: Pick<TableTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  ...tile.style,
})

/** What the cells of one table share. */
interface Grid {
  tile: TableTile
  c: TileContext
  style: Declarations
  names: ReturnType<typeof letters>['names']
  /** Without the ink of the night, for cells that have their own. */
  inkless: ReturnType<typeof letters>['names']
  cards: boolean
}

/**
 * A table of data with header cells that know their scope (WHATWG HTML, 4.9.10), so that it is read aloud as
 * one. On narrow it scrolls in its place, or every row becomes a card whose cells bear their column's name.
 */
export function tableHtml(tile: TableTile, c: TileContext): ElementContent[] {
  const set = tableStyle(tile, c.look)
  const { style, names } = letters(set, c)
  const inkless = letters({ ...set, nightColor: undefined }, c).names
  const grid: Grid = { tile, c, style, names, inkless, cards: tile.compact === 'cards' }
  const first = tile.headRow ? 1 : 0
  const table = el(
    'table',
    {
      cellPadding: '0',
      cellSpacing: '0',
      width: '100%',
      // Numbers and words stay whole: the table scrolls, or turns to cards.
      style: 'border-collapse:collapse;overflow-wrap:normal',
    },
    captionOf(grid),
    first ? el('thead', null, rowOf(grid, tile.rows[0]!, 0)) : null,
    el(
      'tbody',
      null,
      tile.rows.slice(first).map((r, i) => rowOf(grid, r, i + first)),
    ),
  )
  const scrolls = tile.compact === 'scroll'
  const crowded = leastWidth(tile, c) > PHONE_ROOM
  if (!scrolls && !crowded) return [table]
  // It scrolls in its place without a style sheet, too.
  const inPlace = crowded ? SCROLLS : undefined
  if (!scrolls) return [el('div', { style: inPlace }, table)]
  return [
    el(
      'div',
      {
        className: classes(scroll(c.rules)),
        style: inPlace,
        tabIndex: 0,
        role: 'region',
        ariaLabel: replaceFields(tile.caption, c.fields).trim() || phrasesOf(c.lang).table,
      },
      table,
    ),
  ]
}

/** What an email leaves a table on a phone of 320 px, px (common practice, no source). */
const PHONE_ROOM = 280

/**
 * A box that scrolls instead of widening the email. A reader that does not know `min()` would not know what to do with a width of 0, and
 * keeps the whole width.
 */
const SCROLLS = 'width:min(0px,100%);min-width:100%;overflow-x:auto'

/** The least width of a table whose words stay whole, px. */
function leastWidth(tile: TableTile, c: TileContext): number {
  const s = tableStyle(tile, c.look)
  const font = safeFont(s.font, c.style.webFonts)
  const beside = 2 * (tile.spaceBeside ?? tile.space)
  const longest = (words: string) =>
    Math.max(
      0,
      ...replaceFields(words, c.fields)
        .split(/\s+/)
        .map((w) => lineWidth(w, font, s.size, s.bold)),
    )
  return tile.columns.reduce(
    (sum, _, k) => sum + beside + Math.max(0, ...tile.rows.map((row) => longest(row[k] ?? ''))),
    0,
  )
}

const captionOf = ({ tile, c, style, names }: Grid): Element | null =>
  tile.caption.trim()
    ? el(
        'caption',
        {
          className: classes(...names),
          style: css({
            padding: `0 0 ${tile.space}px`,
            ...style,
            'text-align': physical('left', c),
            'caption-side': 'top',
          }),
        },
        text(replaceFields(tile.caption, c.fields)),
      )
    : null

/** @param i counted from 0, the head row included */
const rowOf = (grid: Grid, cells: readonly string[], i: number): Element =>
  el(
    'tr',
    { className: classes(grid.cards && grid.tile.headRow && i === 0 && cardHead(grid.c.rules)) },
    grid.tile.columns.map((_, k) => cellOf(grid, cells[k] ?? '', i, k)),
  )

function cellOf(
  { tile, c, style, names, inkless, cards }: Grid,
  words: string,
  row: number,
  column: number,
): Element {
  const inHeadRow = tile.headRow && row === 0
  const inHeadColumn = tile.headColumn && column === 0
  const head = inHeadRow || inHeadColumn
  const spec = tile.columns[column]
  const at = physical(spec?.align ?? 'left', c)
  const zebra = inHeadRow ? undefined : zebraOf(tile, row)
  // The names of rows have the look of the head only where there is no head row.
  const dressed = inHeadRow || (inHeadColumn && !tile.headRow)
  const own = dressed ? undefined : rowLook(tile, row)
  const ground = dressed ? (tile.headBackground ?? zebra) : (own?.background ?? zebra)
  const name = tile.headRow ? (tile.rows[0]![column] ?? '') : ''
  const named = cards && row > 0 && !inHeadColumn && name.trim() !== ''
  return el(
    head ? 'th' : 'td',
    {
      scope: head ? (inHeadRow ? 'col' : 'row') : undefined,
      width: row === 0 && spec?.width ? `${spec.width}%` : undefined,
      className: classes(
        ...((dressed && tile.headColor) || own?.nightColor ? inkless : names),
        onNarrow(tile, c),
        ...atNight(tile, { head: dressed, striped: zebra !== undefined, own }, c),
      ),
      ...(ground ? { bgColor: ground } : {}),
      style: css({
        padding: spaceOf(tile),
        'background-color': ground,
        'border-bottom': lineBelow(tile, row),
        ...style,
        ...(inHeadRow ? {} : ownLetters(spec)),
        ...ownLetters(own),
        ...(head
          ? { 'font-weight': 'bold', ...(dressed && tile.headColor ? { color: tile.headColor } : {}) }
          : {}),
        // Heads stand in the middle unless told.
        'text-align': (head || !isPlain(at, c)) && at,
        'vertical-align': 'top',
      }),
    },
    named ? columnName(name, c) : null,
    isolated(words, c),
  )
}

/** How a row stands out, where it does. @param row counted from 0, the head row included */
export const rowLook = ({ rowLooks }: Pick<TableTile, 'rowLooks'>, row: number): RowLook | undefined =>
  rowLooks?.find((r) => r.row === row)

/** What the cells of a column or a row have of their own. */
const ownLetters = (spec: { color?: string; bold?: boolean } | undefined): Declarations => ({
  ...(spec?.color ? { color: spec.color } : {}),
  ...(spec?.bold ? { 'font-weight': 'bold' } : {}),
})

/** The ground of every other row below the head. */
function zebraOf({ zebra, zebraFirst, headRow }: TableTile, row: number): string | undefined {
  const below = row - (headRow ? 1 : 0)
  return zebra && below % 2 === (zebraFirst ? 0 : 1) ? zebra : undefined
}

const lineBelow = ({ edge, edgeBetween, rows }: TableTile, row: number): string | undefined =>
  edge && !(edgeBetween && row === rows.length - 1)
    ? `${edge.width}px ${edge.style} ${edge.color}`
    : undefined

const spaceOf = ({ space, spaceBeside }: TableTile): string | number =>
  spaceBeside === undefined || spaceBeside === space ? space : box(sides(space, spaceBeside))

/** Grounds and inks of the night of one cell. */
function atNight(
  tile: TableTile,
  { head, striped, own }: { head: boolean; striped: boolean; own: RowLook | undefined },
  { rules }: TileContext,
): (string | false | undefined)[] {
  const ground =
    head && tile.headBackground
      ? tile.nightHeadBackground
      : own?.background
        ? own.nightBackground
        : striped
          ? tile.nightZebra
          : undefined
  return [
    ground && rules.nightGround(ground),
    head && tile.nightHeadColor && rules.nightInk(tile.nightHeadColor),
    own?.nightColor && rules.nightInk(own.nightColor),
    tile.edge?.nightColor && rules.nightEdge(tile.edge.nightColor),
  ]
}

/** What a cell does on narrow. */
const onNarrow = (tile: TableTile, c: TileContext): string | undefined =>
  tile.compact === 'cards'
    ? card(c.rules)
    : tile.compact === 'scroll'
      ? scrollCell(c.rules)
      : (tile.spaceBeside ?? tile.space) > NARROW_BESIDE
        ? tightCell(c.rules)
        : undefined

/** The name of a column before its value, seen on cards only. */
const columnName = (name: string, c: TileContext): Element =>
  el(
    'span',
    { className: classes(c.rules.show('inline')), style: 'display:none' },
    text(`${replaceFields(name, c.fields)}: `),
  )
