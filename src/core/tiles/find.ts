import type { Inline } from '../email/richtext'
import type { Band, Email, Item } from '../email/schema'
import type { Tile } from '../email/tile'

/** Where something is looked for. */
export type Kind = 'words' | 'alt' | 'link'

/** What is looked for: the characters as they are. */
export interface Sought {
  text: string
  matchCase: boolean
  /** Whole words only. */
  whole: boolean
  in: Readonly<Record<Kind, boolean>>
}

/** One place where it stands. */
export interface Hit {
  /** Null in the subject and the preheader. */
  band: string | null
  tile: string | null
  kind: Kind
  before: string
  match: string
  after: string
}

/** A stretch of a text, counted from 0, and what comes in its place. */
interface Swap {
  from: number
  to: number
  by: string
}
/** What is to be changed in a text, from its beginning to its end. */
type Change = (text: string, kind: Kind) => Swap[]

const swapped = (text: string, swaps: readonly Swap[]): string =>
  swaps.reduceRight((t, { from, to, by }) => t.slice(0, from) + by + t.slice(to), text)

/** Keys of a tile whose text is read, is said of a picture, or leads somewhere. Markup of code tiles is neither. */
const KINDS: Readonly<Record<string, Kind>> = {
  text: 'words',
  label: 'words',
  caption: 'words',
  rows: 'words',
  why: 'words',
  who: 'words',
  about: 'words',
  sender: 'words',
  address: 'words',
  alt: 'alt',
  title: 'alt',
  link: 'link',
  href: 'link',
  share: 'link',
}

const isRun = (v: unknown): v is Inline =>
  typeof v === 'object' && v !== null && 'type' in v && (v.type === 'text' || v.type === 'hardBreak')

/** A value with its texts changed; the same value where none was. */
function mapped<T>(value: T, key: string, change: Change): T {
  if (typeof value === 'string') {
    const kind = KINDS[key]
    return (kind ? swapped(value, change(value, kind)) : value) as T
  }
  if (Array.isArray(value)) {
    const next =
      value.length && value.every(isRun)
        ? changedRuns(value, change)
        : value.map((v: unknown) => mapped(v, key, change))
    return next.length === value.length && next.every((v: unknown, i: number) => v === value[i])
      ? value
      : (next as T)
  }
  if (typeof value !== 'object' || value === null) return value
  let next: Record<string, unknown> | undefined
  for (const [k, v] of Object.entries(value)) {
    const now = mapped(v, k, change)
    if (now !== v) {
      next ??= { ...value } as Record<string, unknown>
      next[k] = now
    }
  }
  return (next ?? value) as T
}

/**
 * The runs of a paragraph with their words changed as a whole: a word may be half bold. What is put in takes the marks of the run in which what
 * it replaces began.
 */
function changedRuns(runs: readonly Inline[], change: Change): Inline[] {
  const linked = runs.map((run): Inline => mappedMarks(run, change))
  const joined = linked.map((r) => (r.type === 'text' ? r.text : '\n')).join('')
  const swaps = change(joined, 'words')
  if (!swaps.length) return linked.every((r, i) => r === runs[i]) ? [...runs] : linked
  return swaps.reduceRight<Inline[]>(laid, linked)
}

const mappedMarks = (run: Inline, change: Change): Inline => {
  const marks = mapped(run.marks, '', change)
  return marks === run.marks ? run : ({ ...run, marks } as Inline)
}

/** Runs with one stretch of their words replaced; it takes the marks of the run in which it began. */
function laid(runs: readonly Inline[], { from, to, by }: Swap): Inline[] {
  let at = 0
  let put = false
  return runs.flatMap((run): Inline[] => {
    const begin = at
    at += run.type === 'text' ? run.text.length : 1
    if (at <= from || begin >= to) return [run]
    if (run.type !== 'text') return []
    const middle = put ? '' : by
    put = true
    const text =
      run.text.slice(0, Math.max(0, from - begin)) + middle + run.text.slice(Math.max(0, to - begin))
    return text ? [{ ...run, text }] : []
  })
}

/** What finds it. Written characters stand for themselves. */
function patternOf({ text, matchCase, whole }: Sought): RegExp {
  const literal = text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  const bounded = whole ? `(?<![\\p{L}\\p{N}])${literal}(?![\\p{L}\\p{N}])` : literal
  return new RegExp(bounded, matchCase ? 'gu' : 'giu')
}

/** How much of what stands around it is shown, characters. */
const AROUND = 28

/** Every place where something stands in an email of bands, in reading order. */
export function findIn(email: Email, sought: Sought): Hit[] {
  if (!sought.text) return []
  const pattern = patternOf(sought)
  const hits: Hit[] = []
  const see =
    (band: string | null, tile: string | null): Change =>
    (text, kind) => {
      if (sought.in[kind])
        for (const m of text.matchAll(pattern))
          hits.push({
            band,
            tile,
            kind,
            before: text.slice(Math.max(0, m.index - AROUND), m.index),
            match: m[0],
            after: text.slice(m.index + m[0].length, m.index + m[0].length + AROUND),
          })
      return []
    }
  see(null, null)(email.subject, 'words')
  see(null, null)(email.preheader, 'words')
  for (const band of email.bands) changedBand(band, (tile) => see(band.id, tile.id))
  return hits
}

/** An email with what is sought replaced everywhere; only the bands that hold it are others. @param tile in this tile alone */
export function replacedIn(email: Email, sought: Sought, by: string, tile?: string): Email {
  if (!sought.text) return email
  const pattern = patternOf(sought)
  const change: Change = (text, kind) =>
    sought.in[kind]
      ? [...text.matchAll(pattern)].map((m) => ({ from: m.index, to: m.index + m[0].length, by }))
      : []
  const bands = email.bands.map((band) =>
    changedBand(band, (t) => (tile === undefined || t.id === tile ? change : null)),
  )
  const line = (text: string) => (tile === undefined ? swapped(text, change(text, 'words')) : text)
  const next = { subject: line(email.subject), preheader: line(email.preheader) }
  const same = bands.every((b, i) => b === email.bands[i])
  return same && next.subject === email.subject && next.preheader === email.preheader
    ? email
    : { ...email, ...next, bands: same ? email.bands : bands }
}

/** A band with its tiles changed. @param how what changes a tile; null: nothing does */
function changedBand(band: Band, how: (tile: Tile) => Change | null): Band {
  const items = (list: Item[]): Item[] => {
    const next = list.map((item): Item => {
      if (item.kind === 'row') {
        const cells = item.cells.map((c) => withItems(c, items(c.items)))
        return cells.every((c, i) => c === item.cells[i]) ? item : { ...item, cells }
      }
      const change = how(item)
      return change ? mapped(item, '', change) : item
    })
    return next.every((x, i) => x === list[i]) ? list : next
  }
  const cells = band.cells.map((c) => withItems(c, items(c.items)))
  return cells.every((c, i) => c === band.cells[i]) ? band : { ...band, cells }
}

const withItems = <C extends { items: Item[] }>(cell: C, items: Item[]): C =>
  items === cell.items ? cell : { ...cell, items }
