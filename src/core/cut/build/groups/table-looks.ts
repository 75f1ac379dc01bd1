import type { TileOf } from '../../../email/tile'
import { middle } from '../../ink'
import type { WordsOf } from '../../intent/lines'
import type { TableGroup } from '../../intent/tables'
import { around, differs, packHex } from '../../raster'
import type { RowLook } from '../../../tiles/table/schema'
import type { Building } from '../building'

/** A head is bold by more than this share of its cells, what it heads by less than that. */
const MOSTLY_BOLD = 0.6
const HARDLY_BOLD = 0.4

/** How the rows of a table look. */
export interface Looks {
  head: string | undefined
  zebra: { color: string; first: boolean } | undefined
  edge: { line: NonNullable<TileOf<'table'>['edge']>; between: boolean } | undefined
}

/** Rows that stand out by their ground, their weight or their ink: a marked one, a total. Where half of them do, they are no exception. */
export function rowLooksOf(rows: TableGroup['rows'], looks: Looks, headRow: boolean): RowLook[] {
  const from = headRow ? 1 : 0
  const own = rows.slice(from).map((r) => r.flatMap((c) => (c ? [c] : [])))
  const groundOf = (r: (typeof own)[number]) => r.find((c) => c.cut.ground)?.cut.ground ?? undefined
  const boldOf = (r: (typeof own)[number]) => r.every((c) => c.words.bold)
  const inkOf = (r: (typeof own)[number]) => r.at(-1)?.words.color
  const usual = commonest(own.map(groundOf))
  const plain = own.filter((r) => groundOf(r) === usual)
  const [bold, ink] = [commonest(plain.map(boldOf)), commonest(plain.map(inkOf))]
  const found = own.flatMap((r, i): RowLook[] => {
    const [ground, color] = [groundOf(r), inkOf(r)]
    const background = !looks.zebra && ground && ground !== usual ? ground : undefined
    // Inks of one colour are measured a little apart.
    const inked =
      color &&
      ink &&
      r.every((c) => c.words.color && differs(packHex(c.words.color), packHex(ink), OTHER_INK))
    const strong = boldOf(r) && !bold
    if (!background && !inked && !strong) return []
    return [
      {
        row: i + from,
        ...(background ? { background } : {}),
        ...(inked ? { color } : {}),
        ...(strong ? { bold: true } : {}),
      },
    ]
  })
  return found.length * 2 < own.length || own.length === 1 ? found : []
}

/** Inks are two from this channel difference on. */
const OTHER_INK = 60

/** What most of some values are. */
function commonest<T>(values: readonly T[]): T | undefined {
  const count = (v: T) => values.filter((o) => o === v).length
  return [...values].sort((a, b) => count(b) - count(a))[0]
}

/** Grounds of rows and the lines between them. */
export function looksOf(b: Building, { rows, rules }: TableGroup): Looks {
  const grounds = rows.map((r) => r.find((c) => c?.cut.ground)?.cut.ground ?? null)
  const head = headed({ rows }) && grounds[0] !== grounds[1] && grounds[0] !== grounds[2] ? grounds[0] : null
  const below = headed({ rows }) ? grounds.slice(1) : grounds
  const [a, c] = [below[0], below[1]]
  const striped = below.length > 1 && a !== c && below.every((g, i) => g === (i % 2 ? c : a))
  const zebra = striped && a && c ? zebraOf(b, rows, a, c) : undefined
  const last = centreOf(rows.at(-1)!)
  const inner = rules.filter((r) => r.y > centreOf(rows[0]!) && r.y < last)
  const rule = inner[0] ?? rules.find((r) => r.y > last)
  return {
    head: head ?? undefined,
    zebra,
    edge: rule && {
      line: {
        width: Math.max(1, Math.min(20, Math.round(rule.h / b.scale))),
        style: 'solid',
        color: b.input.groundOf(rule).color,
      },
      between: !rules.some((r) => r.y > last),
    },
  }
}

/** Which of two grounds that take turns is the stripe: the one that what surrounds the table is not. */
function zebraOf(b: Building, rows: TableGroup['rows'], first: string, second: string): Looks['zebra'] {
  const box = around(rows.flat().flatMap((c) => (c ? [c.words.box] : [])))
  const behind = b.input.groundOf({
    x: 0,
    y: Math.max(0, Math.round(box.y - (2 * box.h) / rows.length)),
    w: b.input.size.width,
    h: Math.max(1, Math.round(box.h / rows.length / 2)),
  }).color
  return first === behind ? { color: second, first: false } : { color: first, first: true }
}

/** Whether the first row names the columns: its words are set otherwise than those below. */
export function headed({ rows }: Pick<TableGroup, 'rows'>): boolean {
  if (rows.length < 2) return false
  const [head, ...body] = rows.map((r) => r.flatMap((c) => (c ? [c.words] : [])))
  const share = (list: WordsOf[]) => list.filter((w) => w.bold).length / Math.max(1, list.length)
  const below = body.flat()
  if (share(head!) > MOSTLY_BOLD && share(below) < HARDLY_BOLD) return true
  const colors = new Set(below.map((w) => w.color))
  return head!.every((w) => w.color !== undefined && !colors.has(w.color)) && colors.size <= 2
}

/** Whether the first column names the rows. */
const columnHeaded = ({ rows }: Pick<TableGroup, 'rows'>): boolean => {
  const first = rows.flatMap((r) => (r[0] ? [r[0].words] : []))
  const rest = rows.slice(1).flatMap((r) => r.slice(1).flatMap((c) => (c ? [c.words] : [])))
  return (
    first.length > 1 &&
    first.slice(1).every((w) => w.bold) &&
    rest.filter((w) => w.bold).length < HARDLY_BOLD * rest.length
  )
}

/** What the head of a table is. @param background of its own, where it has one */
export const headOf = (
  group: TableGroup,
  background: string | undefined,
): Pick<TileOf<'table'>, 'headRow' | 'headColumn' | 'headBackground' | 'headColor'> => {
  const headRow = headed(group)
  const inkOf = (row: number) => group.rows[row]!.find((c) => c?.words.color)?.words.color
  const color = headRow ? inkOf(0) : undefined
  return {
    headRow,
    headColumn: columnHeaded(group),
    ...(background ? { headBackground: background } : {}),
    ...(color && color !== inkOf(1) ? { headColor: color } : {}),
  }
}

/** The middle of a row's words, as their line boxes have it; design px. */
export const centreOf = (row: TableGroup['rows'][number]): number =>
  middle(
    row.flatMap((c) => {
      if (!c) return []
      const { rows, box } = c.words
      return rows.length ? [(rows[0]!.centre + rows.at(-1)!.centre) / 2] : [box.y + box.h / 2]
    }),
  )
