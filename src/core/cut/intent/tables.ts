import type { Cut } from '../plan'
import { around, type Rect } from '../raster'
import { middle } from '../ink'
import type { Line, LineCell } from './lines'

/** Words in common columns and rows: a table of data. All measures are design px. */
export interface TableGroup {
  kind: 'table'
  /** Cell by cell; null where a cell is empty. */
  rows: (LineCell | null)[][]
  /** Lines between its rows. */
  rules: Cut[]
  box: Rect
}

/** Fewer rows than this are no table; where lines part them, one less will do. */
const LEAST_ROWS = 3
/** Of its cells at least this share is of a single line. */
const SINGLE = 0.8
/** Letters of all rows are of one size within this; those of a head may be smaller or larger. */
const ONE_SIZE = 1.2
/** What stands in so many columns is a table, though small letters were told a px larger or smaller. */
const SURE_COLUMNS = 4
const ONE_SIZE_OF_MANY = 1.35
/** Words of fewer characters tell no size. */
const TELLING = 3
/** Rows stand at least this many sizes of their letters apart, from base to base: nearer ones are lines of running words. */
const LEAST_PITCH = 1.75
/** And no more than this. */
const MOST_PITCH = 6
/** Rows are as far apart as each other within this. */
const EVEN_PITCH = 1.45
/** Most columns of a table. */
const MOST_COLUMNS = 12

/**
 * Tables among the words of a design: lines that follow each other, with at least two cells in the same columns.
 * @param others cuts that are no words: a picture or a button between two rows parts them, a rule does not
 */
export function tablesIn(lines: readonly Line[], others: readonly Cut[]): TableGroup[] {
  const out: TableGroup[] = []
  for (let i = 0; i < lines.length;) {
    let end = i
    while (end < lines.length && follows(lines.slice(i, end), lines[end]!, others)) end++
    const found = tableOf(lines.slice(i, end), others)
    const table = found && isWhole(found, lines) ? found : null
    if (table) out.push(table)
    i = table ? end : i + 1
  }
  return out
}

/** Whether no cut stands partly in a table. */
const isWhole = ({ rows }: TableGroup, lines: readonly Line[]): boolean => {
  const inside = rows.flat().flatMap((c) => (c ? [c] : []))
  const cuts = new Set(inside.map((c) => c.cut.id))
  return lines.flatMap((l) => l.cells).filter((c) => cuts.has(c.cut.id)).length === inside.length
}

/** Whether a line goes on the rows above it. */
function follows(rows: readonly Line[], line: Line, others: readonly Cut[]): boolean {
  const last = rows.at(-1)
  // The cells of a table lead nowhere: what does stays words of its own.
  if (line.cells.length < 2 || line.cells.some((c) => c.link)) return false
  if (others.some((o) => o.kind !== 'rule' && o.kind !== 'flat' && inTheWay(o, last ?? line, line)))
    return false
  if (!last) return true
  const pitch = centre(line) - centre(last)
  const size = middle([...last.cells, ...line.cells].map((c) => c.words.size))
  const ruled = others.some((o) => o.kind === 'rule' && o.y >= last.bottom - 1 && o.y <= line.top + 1)
  if (pitch > MOST_PITCH * size || (!ruled && pitch < LEAST_PITCH * size)) return false
  const first = rows[1] && centre(rows[1]) - centre(rows[0]!)
  if (first && Math.max(pitch, first) > EVEN_PITCH * Math.min(pitch, first)) return false
  return columnsOf([...rows, line]) !== null
}

const centre = ({ top, bottom }: Line): number => (top + bottom) / 2

/** Whether a thing lies between two lines or beside the second. */
function inTheWay(o: Rect, above: Line, line: Line): boolean {
  const left = line.cells[0]!.words.box.x
  const end = line.cells.at(-1)!.words.box
  return o.y < line.bottom && o.y + o.h > above.top && o.x < end.x + end.w && o.x + o.w > left
}

/**
 * The columns that all lines share, as what each spans; null where a cell lies in two of them, or two of a line in one.
 */
function columnsOf(lines: readonly Line[]): { from: number; to: number }[] | null {
  const boxes = lines.flatMap((l) => l.cells.map((c) => c.words.box)).sort((a, b) => a.x - b.x)
  const columns: { from: number; to: number }[] = []
  for (const { x, w } of boxes) {
    const last = columns.at(-1)
    if (last && x < last.to) last.to = Math.max(last.to, x + w)
    else columns.push({ from: x, to: x + w })
  }
  const most = Math.max(...lines.map((l) => l.cells.length))
  // Every line has its own column for each cell, and not more than one cell is missing.
  const each = lines.every((l) => {
    const own = l.cells.map((c) => columns.findIndex((k) => c.words.box.x >= k.from && c.words.box.x < k.to))
    return new Set(own).size === own.length && l.cells.length >= columns.length - 1
  })
  return each && columns.length === most && columns.length <= MOST_COLUMNS ? columns : null
}

function tableOf(lines: readonly Line[], others: readonly Cut[]): TableGroup | null {
  const columns = lines.length >= 2 ? columnsOf(lines) : null
  if (!columns || columns.length < 2) return null
  const box = around(lines.flatMap((l) => l.cells.map((c) => c.words.box)))
  const rules = others.filter(
    (o) =>
      o.kind === 'rule' &&
      o.y > lines[0]!.top - (lines[1]!.top - lines[0]!.bottom) &&
      o.y < lines.at(-1)!.bottom + (lines[1]!.top - lines[0]!.bottom) &&
      o.x < box.x + box.w &&
      o.x + o.w > box.x,
  )
  const between = rules.filter((r) => r.y > lines[0]!.bottom && r.y < lines.at(-1)!.top)
  if (lines.length < LEAST_ROWS - (between.length ? 1 : 0)) return null
  const cells = lines.flatMap((l) => l.cells)
  if (cells.filter((c) => c.words.lines <= 1).length < SINGLE * cells.length) return null
  // Of a figure or two the size is hardly told.
  const sizes = lines
    .slice(lines.length < LEAST_ROWS ? 0 : 1)
    .flatMap((l) => l.cells.flatMap((c) => (c.said.trim().length < TELLING ? [] : [c.words.size])))
  const apart = columns.length >= SURE_COLUMNS ? ONE_SIZE_OF_MANY : ONE_SIZE
  if (Math.max(...sizes) > apart * Math.min(...sizes)) return null
  return {
    kind: 'table',
    rows: lines.map((l) =>
      columns.map((k) => l.cells.find((c) => c.words.box.x >= k.from && c.words.box.x < k.to) ?? null),
    ),
    rules,
    box: around([box, ...rules]),
  }
}
