import type { Element, ElementContent } from 'hast'
import { elementsOf } from '../html/elements'
import { edgeOf, paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Align, Edge, Sides, TextStyleOverride } from '../email/styles'
import { sides } from '../email/styles'
import type { TileOf } from '../email/tile'
import { groundPictureOf, handDown, ownGround, type Inherited } from './css'
import { clampInt } from './measures'
import { NORMAL } from './leaves'
import { cellsOfRow, hidden, isElement, rowsOf, textOf, visible } from './source'
import type { Taking } from './taking'
import { isInline } from './words'

type Table = TileOf<'table'>

/** A cell of a table of data: its words and how they are set. */
interface Cell {
  words: string
  head: boolean
  align: Align
  color?: string
  bold: boolean
  ground?: string
  padding: Sides
  below: Edge | null
  letters: Inherited
}

const MOST_COLUMNS = 12
const MOST_ROWS = 200

/**
 * A table of data, with header cells, as a table tile; null where the tile could not say what the table says or how it looks: cells
 * that span others, pictures, links or several lines in a cell, edges on all sides, letters of several kinds.
 */
export function dataTable(
  taking: Taking,
  table: Element,
  inherited: Inherited,
  room: number,
): TileOf<'table'> | null {
  const rows = gridOf(table, handDown(table, inherited))
  if (!rows) return null
  const headRow = rows.length > 1 && rows[0]!.every((c) => c.head)
  const body = headRow ? rows.slice(1) : rows
  const headColumn = body.every((r) => r[0]!.head)
  if (body.some((r) => r.some((c, i) => c.head && !(headColumn && i === 0)))) return null
  const columns = columnsOf(rows, body, headColumn)
  const looks = columns && looksOf(rows, body, { headRow, headColumn })
  const placed = placeOf(table, inherited, room)
  if (!looks || !placed) return null
  const caption = table.children.find((c) => isElement(c) && c.tagName === 'caption')
  return {
    ...taking.base(),
    kind: 'table',
    caption: caption ? plainIn(caption).slice(0, 300) : '',
    columns,
    rows: rows.map((r) => r.map((c) => c.words)),
    headRow,
    headColumn,
    compact: 'whole',
    ...looks,
    padding: placed,
  }
}

const plainIn = (n: ElementContent): string => textOf(n).replace(/\s+/g, ' ').trim()

/** The cells of a table row by row, as long as each row has as many; null where something else stands there. */
function gridOf(table: Element, from: Inherited): Cell[][] | null {
  const groups = table.children.filter(isElement)
  if (groups.some((e) => !/^(caption|colgroup|thead|tbody|tfoot|tr)$/.test(e.tagName))) return null
  if ((pxOf(table.properties.border) ?? 0) > 0 || edgeOf(styleOfElement(table).border)) return null
  const spaced = pxOf(table.properties.cellPadding)
  const rows = rowsOf(table)
  const grid = rows.map((tr) => {
    const group = groups.find((g) => g !== tr && g.children.includes(tr))
    const own = handDown(tr, group ? handDown(group, from) : from)
    return cellsOfRow(tr).map((td) => cellOf(td, tr, own, spaced))
  })
  const wide = grid[0]?.length ?? 0
  const whole = grid.every((r) => r.length === wide && r.every((c) => c !== null))
  if (!wide || wide > MOST_COLUMNS || rows.length > MOST_ROWS || !whole) return null
  return grid as Cell[][]
}

/** A cell that holds one line of plain words, else null. */
function cellOf(td: Element, tr: Element, from: Inherited, spaced: number | undefined): Cell | null {
  const s = styleOfElement(td)
  const spans = [td.properties.colSpan, td.properties.rowSpan].some((n) => Number(n ?? 1) > 1)
  const inside = [...elementsOf(td)].filter((e) => e !== td)
  const plain = inside.every((e) => /^(span|b|strong|font|p|small)$/.test(e.tagName))
  const lines = td.children.filter((c) => isElement(c) && !isInline(c)).length
  const mixed = lines > 0 && td.children.some((c) => c.type === 'text' && visible(c.value))
  const beside = ['border', 'border-left', 'border-right'].some((name) => edgeOf(s[name]))
  if (spans || hidden(td) || !plain || lines > 1 || mixed || beside || groundPictureOf(td)) return null
  const head = td.tagName === 'th'
  const own = handDown(td, { bold: head, ...(head ? { ...from, bold: from.bold ?? true } : from) })
  const letters = inside.reduce((l, e) => ({ ...handDown(e, l), ...boldIn(e) }), own)
  const words = plainIn(td)
  if (words.length > 1000) return null
  const padded = Object.keys(s).some((name) => name.startsWith('padding'))
  const edge = edgeOf(s['border-bottom']) ?? edgeOf(styleOfElement(tr)['border-bottom'])
  return {
    words,
    head,
    // Heads stand in the middle unless told (WHATWG HTML, 15.3.8).
    align: letters.align ?? (head ? 'center' : 'left'),
    color: letters.color,
    bold: !!letters.bold,
    ground: ownGround(td) ?? ownGround(tr),
    padding: padded ? paddingOf(s) : sides(spaced ?? 1),
    below: edge && { color: edge.color, width: clampInt(edge.width, 1, 20), style: lineOf(edge.line) },
    letters,
  }
}

const boldIn = (e: Element): Inherited => (/^(b|strong)$/.test(e.tagName) ? { bold: true } : {})

const lineOf = (line: string): Edge['style'] => (line === 'dashed' || line === 'dotted' ? line : 'solid')

/** How each column is set; null where its cells differ. */
function columnsOf(rows: Cell[][], body: Cell[][], headColumn: boolean): Table['columns'] | null {
  const base = body[0]?.at(-1)
  const columns = rows[0]!.map((_, i) => {
    const own = body.map((r) => r[i]!)
    const [first] = own
    const alike = rows.every((r) => r[i]!.align === first!.align)
    const setAlike = own.every((c) => c.color === first!.color && c.bold === first!.bold)
    if (!alike || !setAlike) return null
    const isHead = headColumn && i === 0
    return {
      align: first!.align,
      ...(!isHead && first!.color && first!.color !== base!.color ? { color: first!.color } : {}),
      ...(!isHead && first!.bold ? { bold: true } : {}),
    }
  })
  return columns.every((c) => c !== null) ? columns : null
}

type Looks = Pick<
  Table,
  | 'space'
  | 'spaceBeside'
  | 'headBackground'
  | 'headColor'
  | 'zebra'
  | 'zebraFirst'
  | 'edge'
  | 'edgeBetween'
  | 'style'
>

/** Spaces, grounds, lines and letters that all cells share; null where they do not. */
function looksOf(
  rows: Cell[][],
  body: Cell[][],
  has: { headRow: boolean; headColumn: boolean },
): Looks | null {
  const all = rows.flat()
  const [first] = all
  const { top, left, bottom, right } = first!.padding
  const spaced = all.every((c) => JSON.stringify(c.padding) === JSON.stringify(first!.padding))
  if (!spaced || top !== bottom || left !== right) return null
  const letters = all.map(({ letters: l }) => [l.font, l.size, l.line, !!l.italic].join())
  if (new Set(letters).size > 1) return null
  const head = has.headRow ? rows[0]! : has.headColumn ? body.map((r) => r[0]!) : []
  const grounds = stripesOf(body)
  const lines = linesOf(rows)
  if (!grounds || !lines || !one(head.map((c) => c.ground)) || !one(head.map((c) => c.color))) return null
  const { color } = body[0]!.at(-1)!
  const own = head[0]
  return {
    space: clampInt(top, 0, 40),
    ...(left === top ? {} : { spaceBeside: clampInt(left, 0, 80) }),
    ...(own?.ground ? { headBackground: own.ground } : {}),
    ...(own?.color && own.color !== color ? { headColor: own.color } : {}),
    ...grounds,
    ...lines,
    style: styleOf(body[0]!.at(-1)!.letters),
  }
}

const one = (values: readonly unknown[]): boolean => new Set(values).size <= 1

function styleOf({ font, size = 16, line, color }: Inherited): TextStyleOverride {
  return {
    ...(font ? { font } : {}),
    size: clampInt(size, 6, 120),
    line: clampInt(line ?? size * NORMAL, 6, 200),
    ...(color ? { color } : {}),
  }
}

/** The ground of every other row; null where grounds follow no such rule. A head column has its own. */
function stripesOf(body: Cell[][]): Pick<Table, 'zebra' | 'zebraFirst'> | null {
  const grounds = body.map((r) => r.at(-1)!.ground)
  if (body.some((r, i) => r.some((c) => !c.head && c.ground !== grounds[i]))) return null
  const zebra = grounds.find((g) => g !== undefined)
  if (!zebra) return {}
  const from = grounds.indexOf(zebra)
  const isStriped = from < 2 && grounds.every((g, i) => g === (i % 2 === from ? zebra : undefined))
  return isStriped ? { zebra, ...(from === 0 ? { zebraFirst: true } : {}) } : null
}

/** The line beneath rows: beneath each, between them, or none; null where it is another way. */
function linesOf(rows: Cell[][]): Pick<Table, 'edge' | 'edgeBetween'> | null {
  const keys = rows.map((r) => new Set(r.map((c) => JSON.stringify(c.below))))
  if (keys.some((k) => k.size > 1)) return null
  const edges = rows.map((r) => r[0]!.below)
  if (edges.every((e) => !e)) return {}
  const but = edges.slice(0, -1)
  if (!one(but.map((e) => JSON.stringify(e))) || !but[0]) return null
  const last = edges.at(-1)
  if (last && JSON.stringify(last) !== JSON.stringify(but[0])) return null
  return { edge: but[0], ...(last ? {} : { edgeBetween: true }) }
}

/** The space beside a table that says its width, px: a table tile fills its cell. Null where it says none. */
function placeOf(table: Element, inherited: Inherited, room: number): Sides | null {
  const said = String(styleOfElement(table).width ?? table.properties.width ?? '')
  const width = said.endsWith('%') ? (parseFloat(said) / 100) * room : pxOf(said)
  if (width === undefined || Number.isNaN(width)) return null
  const rest = clampInt(room - width, 0, 400)
  const align = table.properties.align ?? inherited.align
  if (align === 'center') return sides(0, Math.floor(rest / 2))
  return { ...sides(0), [align === 'right' ? 'left' : 'right']: rest }
}
