import { wordsWidth } from '../../../email/widths'
import type { Align } from '../../../email/styles'
import type { Tile, TileOf } from '../../../email/tile'
import { middle } from '../../ink'
import type { LineCell } from '../../intent/lines'
import type { TableGroup } from '../../intent/tables'
import type { Cut } from '../../plan'
import { around, type Rect } from '../../raster'
import type { Building, Placed } from '../building'
import { NARROW_BESIDE } from '../../../tiles/table/rules'
import { centreOf, headOf, headed, looksOf, rowLooksOf, type Looks } from './table-looks'
import { spaceAround, type Base, type Spot } from './place'

/** The narrowest window that an email is meant for, less the space at its sides, px. */
const NARROWEST = 280
/** Most space inside a cell, px. */
const MOST_SPACE = 40
/** Edges or middles of a column's cells are the same within this, px of the email. */
const SAME = 3

/** Room behind the words of a last column without lines: so much of their width, and px of the email. */
const SPARE = 0.1
const SPARE_PX = 8

/** What the columns of a table are like, px of the email. */
interface Columns {
  aligns: Align[]
  /** Where each begins and where the last ends. */
  bounds: number[]
  /** Space beside the words of a cell. */
  beside: number
}

/** A table of data. */
export function tableTile(b: Building, group: TableGroup, base: Base, spot: Spot): Placed<Tile> {
  const { rows } = group
  const looks = looksOf(b, group)
  const rowLooks = rowLooksOf(rows, looks, headed(group))
  // Letters are told by a row that stands out from no other.
  const usual = rows.filter((_, i) => !rowLooks.some((r) => r.row === i))
  const body = cellsOf(usual.length > 1 ? usual.slice(1) : rows)
  // Signs say nothing of letters.
  const told = body.filter((c) => /[\p{L}\p{N}]/u.test(c.said))
  const telling = told[Math.min(1, told.length - 1)] ?? body[0]!
  const set = b.lettering.of(telling.cut, body[0]!.cut.ground ?? spot.behind)
  const columns = columnsOf(b, group)
  const { line, space } = rowHeight(
    (pitchOf(b, rows) ?? set.line) - (looks.edge?.line.width ?? 0),
    set.line,
    set.size,
  )
  const [left, right] = [columns.bounds[0]!, columns.bounds.at(-1)!]
  const begins = topOf(b, group, line, space)
  const box = { x: left * b.scale, y: begins, w: (right - left) * b.scale, h: 1 }
  const padding = spaceAround(b, box, spot)
  const { color } = body[0]!.words
  const words = rows.map((r) => r.map((c) => c?.said ?? ''))
  const made: TileOf<'table'> = {
    ...base,
    cuts: rows.flatMap((r) => r.map((c) => c?.cut.id ?? '')),
    ...(group.rules.length ? { covers: group.rules.map((r) => r.id) } : {}),
    kind: 'table',
    padding,
    caption: '',
    columns: widthsFor(columns, rows, set).map((width, i) => ({
      align: columns.aligns[i]!,
      width: percent(width / (right - left)),
      ...columnLetters(rows, i, color),
    })),
    rows: words,
    ...headOf(group, looks.head),
    ...(looks.zebra ? { zebra: looks.zebra.color, ...(looks.zebra.first ? { zebraFirst: true } : {}) } : {}),
    ...(rowLooks.length ? { rowLooks } : {}),
    ...(looks.edge ? { edge: looks.edge.line, ...(looks.edge.between ? { edgeBetween: true } : {}) } : {}),
    space,
    ...(columns.beside === space ? {} : { spaceBeside: columns.beside }),
    compact: fits(words, set, Math.min(columns.beside, NARROW_BESIDE))
      ? 'whole'
      : headed(group)
        ? 'cards'
        : 'scroll',
    style: {
      size: set.size,
      line,
      // A head or a column of names is bold by itself; a single row has neither.
      bold: rows.length === 1 && body.every((c) => c.words.bold),
      ...(color && { color }),
      ...(set.font && { font: set.font }),
    },
  }
  const height = heightOf(rows, line + 2 * space, line, looks.edge)
  return { made, top: spot.top, bottom: spot.top + (padding.top + height) * b.scale }
}

/** Letters of another machine run so much wider, of their width, and px. */
const RUN = 0.02
const RUN_PX = 1

/**
 * How wide the columns are, px: as the design has them, but that what is one line there stays one beside the space in its cell. What a
 * column lacks its nearest neighbours give, as far as they have more than they need.
 */
function widthsFor(
  { bounds, beside }: Columns,
  rows: TableGroup['rows'],
  set: ReturnType<Building['lettering']['of']>,
): number[] {
  const needs = rows[0]!.map((_, k) =>
    Math.max(
      0,
      ...rows.flatMap((r) => {
        const cell = r[k]
        if (!cell || cell.words.lines > 1) return []
        const width = wordsWidth(cell.said, set.stack, set.size, { bold: cell.words.bold })
        return [width * (1 + RUN) + RUN_PX + 2 * beside]
      }),
    ),
  )
  const widths = needs.map((_, k) => bounds[k + 1]! - bounds[k]!)
  for (const [k, need] of needs.entries())
    for (let far = 1; far < widths.length && widths[k]! < need; far++)
      for (const other of [k - far, k + far]) {
        const has = widths[other]
        if (has === undefined) continue
        const given = Math.max(0, Math.min(need - widths[k]!, has - needs[other]!))
        widths[other] = has - given
        widths[k]! += given
      }
  return widths
}

/** Where a table begins, design px: the line under its first row is exact, its letters are nearly so. @param line px @param space px */
function topOf(b: Building, { rows, rules }: TableGroup, line: number, space: number): number {
  const middle = centreOf(rows[0]!)
  // The line under a row is no part of its middle.
  const begins = middle - (line / 2 + space) * b.scale
  const under = rules.find((r) => rows[1] && r.y > middle && r.y < centreOf(rows[1]))
  const single = rows[0]!.every((c) => !c || c.words.lines <= 1)
  const exact = under && single ? under.y - (line + 2 * space) * b.scale : begins
  return Math.abs(exact - begins) <= SAME * b.scale ? exact : begins
}

/** Ink and weight that the cells of a column share and the table has otherwise. @param ink of the table */
function columnLetters(
  rows: TableGroup['rows'],
  column: number,
  ink: string | undefined,
): Pick<TileOf<'table'>['columns'][number], 'color' | 'bold'> {
  const cells = (rows.length > 1 ? rows.slice(1) : rows).flatMap((r) => r[column] ?? [])
  const color = cells[0]?.words.color
  const same = color && color !== ink && cells.every((c) => c.words.color === color)
  const bold = column > 0 && rows.length > 1 && cells.length > 0 && cells.every((c) => c.words.bold)
  return { ...(same ? { color } : {}), ...(bold ? { bold } : {}) }
}

const cellsOf = (rows: TableGroup['rows']): LineCell[] => rows.flat().flatMap((c) => (c ? [c] : []))

/** A share in %, to a tenth. */
const percent = (share: number): number => Math.max(1, Math.round(share * 1000) / 10)

/** Height of a table, px. @param single that of a row of one line @param line that of each further line */
function heightOf(rows: TableGroup['rows'], single: number, line: number, edge: Looks['edge']): number {
  const lines = rows.map((r) => Math.max(1, ...r.map((c) => c?.words.lines ?? 1)))
  const edges = edge ? edge.line.width * (rows.length - (edge.between ? 1 : 0)) : 0
  return lines.reduce((sum, n) => sum + single + (n - 1) * line, edges)
}

/** Line height and space that make a row as high as the design's. @param height px */
function rowHeight(height: number, line: number, size: number): { line: number; space: number } {
  const wanted = Math.max(Math.round(size * 1.2), Math.min(line, Math.round(height)))
  const even = (Math.round(height) - wanted) % 2 === 0 ? wanted : wanted + 1
  return { line: even, space: Math.max(0, Math.min(MOST_SPACE, Math.round((height - even) / 2))) }
}

/** How far apart rows are, px of the email; null for a single one. */
const pitchOf = (b: Building, rows: TableGroup['rows']): number | null =>
  rows.length > 1 ? middle(rows.slice(1).map((r, i) => centreOf(r) - centreOf(rows[i]!))) / b.scale : null

/** Alignment of each column and where it begins: told by the edges that its cells share. */
function columnsOf(b: Building, { rows, rules }: TableGroup): Columns {
  const s = b.scale
  const inks = rows[0]!.map((_, k) => rows.flatMap((r) => (r[k] ? [r[k].words.box] : [])))
  const aligns = inks.map((boxes, k): Align => {
    // A single row has a name at its left and a price at its right.
    if (rows.length === 1) return k ? 'right' : 'left'
    const spread = (of: (r: Rect) => number) => Math.max(...boxes.map(of)) - Math.min(...boxes.map(of))
    const [l, c, r] = [spread((x) => x.x), spread((x) => x.x + x.w / 2), spread((x) => x.x + x.w)]
    if (l <= SAME * s || boxes.length < 2) return 'left'
    return r <= Math.min(c, SAME * s) || (r < c && r < l) ? 'right' : c < l ? 'center' : 'left'
  })
  const from = inks.map((boxes) => Math.min(...boxes.map((x) => x.x)) / s)
  const to = inks.map((boxes) => Math.max(...boxes.map((x) => x.x + x.w)) / s)
  // Rules and stripes reach as far as the table does.
  const wide = widest(b, rows, rules)
  const left = Math.min(from[0]!, wide ? wide.x / s : from[0]!)
  const right = Math.max(to.at(-1)!, wide ? (wide.x + wide.w) / s : to.at(-1)!)
  const beside = Math.max(0, Math.min(MOST_SPACE, Math.round(wide ? from[0]! - left : 0)))
  const bounds = from.map((x, i) => {
    if (!i) return left
    if (aligns[i] === 'left') return x - beside
    return aligns[i - 1] === 'right' ? to[i - 1]! + beside : (to[i - 1]! + x) / 2
  })
  // Without lines the last column ends with its words, and a little room for other letters.
  const room = aligns.at(-1) === 'left' && !wide ? SPARE * (to.at(-1)! - from.at(-1)!) + SPARE_PX : beside
  return { aligns, bounds: [...bounds, wide ? right : Math.min(b.input.emailWidth, right + room)], beside }
}

/** The widest thing that shows how far a table reaches: a rule, or the stripe of a row; null where it has neither. */
function widest(b: Building, rows: TableGroup['rows'], rules: readonly Cut[]): Rect | null {
  const stripes = b.input.plan.panels.filter((p) =>
    rows.some((r) => {
      const y = centreOf(r)
      const box = around(r.flatMap((c) => (c ? [c.words.box] : [])))
      return p.y < y && p.y + p.h > y && p.h < 4 * box.h && p.x <= box.x && p.x + p.w >= box.x + box.w
    }),
  )
  const all = [...rules, ...stripes]
  return all.length ? around(all) : null
}

/** Whether a table's longest words fit beside each other on the narrowest phone. */
function fits(
  words: readonly string[][],
  set: ReturnType<Building['lettering']['of']>,
  beside: number,
): boolean {
  const columns = words[0]!.map((_, k) =>
    Math.max(
      ...words.map((r) =>
        Math.max(0, ...r[k]!.split(/\s+/).map((w) => wordsWidth(w, set.stack, set.size, { bold: true }))),
      ),
    ),
  )
  return columns.reduce((sum, w) => sum + w + 2 * beside, 0) <= NARROWEST
}
