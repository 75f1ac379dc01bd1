import type { Cut } from '../plan'
import { around, overlap, type Rect } from '../raster'
import type { Line, LineCell } from './lines'
import type { TableGroup } from './tables'

/** A name and its price are set alike within this. */
const ONE_SIZE = 1.2
/** Larger letters are figures or titles, px of the email. */
const LARGEST = 22
/** Longest name, characters. */
const LONGEST = 60
/** A price stands at least this many sizes of its letters behind its name: nearer ones are words of one line. */
const APART = 2

/** Rows of one bill are no further apart than this, in sizes of their letters, and nothing stands between them. */
const MOST_PITCH = 4
/** Their prices end at one edge within this, px of the email. */
const SAME = 4

/**
 * One or two lines of a name and its price at the other end, as the sum of a bill: they stay lines on a phone. Where three or
 * more follow each other they are a table already (see tables).
 * @param lines all lines that are in no table @param others cuts that are no words @param scale design px for each px of the email
 */
export function pricesIn(lines: readonly Line[], others: readonly Cut[], scale: number): TableGroup[] {
  const out: TableGroup[] = []
  for (const line of lines) {
    const row = rowOf(line, lines, others, scale)
    if (!row) continue
    const last = out.at(-1)
    if (last && goesOn(last, row, [...lines.flatMap((l) => l.cells.map((c) => c.cut)), ...others], scale)) {
      last.rows.push(row)
      last.box = around([last.box, boxOf(row)])
    } else out.push({ kind: 'table', rows: [row], rules: [], box: boxOf(row) })
  }
  return out
}

type PriceRow = [LineCell, LineCell]

const boxOf = (row: PriceRow): Rect => around(row.map((c) => c.words.box))

/** A line as a name and its price; null where it is none. */
function rowOf(
  { cells }: Line,
  lines: readonly Line[],
  others: readonly Cut[],
  scale: number,
): PriceRow | null {
  const [name, price] = cells
  if (cells.length !== 2 || !priced(name!, price!, scale)) return null
  const elsewhere = lines.flatMap((l) => l.cells).filter((c) => c !== name && c !== price)
  if (elsewhere.some((c) => c.cut === name!.cut || c.cut === price!.cut)) return null
  const box = boxOf([name!, price!])
  return others.some((o) => o.kind !== 'flat' && overlap(o, box)) ? null : [name!, price!]
}

/** Whether a row goes on a bill. @param all cuts of the design */
function goesOn(bill: TableGroup, row: PriceRow, all: readonly Cut[], scale: number): boolean {
  const [, above] = bill.rows.at(-1) as PriceRow
  const [a, b] = [above.words.box, row[1].words.box]
  const pitch = b.y + b.h / 2 - a.y - a.h / 2
  const members = [...bill.rows.flat().flatMap((c) => (c ? [c.cut] : [])), ...row.map((c) => c.cut)]
  const box = around([bill.box, boxOf(row)])
  return (
    bill.rows.length < 2 &&
    pitch <= MOST_PITCH * row[1].words.size &&
    Math.abs(a.x + a.w - b.x - b.w) <= SAME * scale &&
    Math.max(above.words.size, row[1].words.size) <=
      ONE_SIZE * Math.min(above.words.size, row[1].words.size) &&
    !all.some((c) => !members.includes(c) && c.kind !== 'flat' && overlap(c, box))
  )
}

function priced(name: LineCell, price: LineCell, scale: number): boolean {
  const sizes = [name.words.size, price.words.size]
  return (
    isPrice(price.said) &&
    !isPrice(name.said) &&
    /\p{L}/u.test(name.said) &&
    name.said.length <= LONGEST &&
    [name, price].every((c) => c.words.lines === 1 && !c.link) &&
    Math.max(...sizes) <= Math.min(ONE_SIZE * Math.min(...sizes), LARGEST * scale) &&
    price.words.box.x - name.words.box.x - name.words.box.w >= APART * sizes[1]!
  )
}

/** Signs and codes of currencies (ISO 4217, those in wide use), before a sum or behind it. */
const SIGN =
  '\\p{Sc}|EUR|USD|GBP|CHF|SEK|NOK|DKK|ISK|PLN|CZK|HUF|RON|BGN|TRY|JPY|CNY|KRW|INR|AUD|NZD|CAD|MXN|BRL|ZAR|ILS|[Kk]r\\.?|Fr\\.?'
const BEFORE = new RegExp(`^(?:${SIGN})`, 'u')
const BEHIND = new RegExp(`(?:${SIGN})$`, 'u')

/** Whether words say a sum of money: with a currency, or with two places behind the point. */
export function isPrice(said: string): boolean {
  const sum = said
    .trim()
    .replace(/^[-\u2212+]/, '')
    .trim()
  const bare = sum.replace(BEFORE, '').replace(BEHIND, '').trim()
  return /^\d[\d.,'\u2019\u00a0 ]*$/.test(bare) && (bare !== sum || /[.,]\d{2}$/.test(bare))
}
