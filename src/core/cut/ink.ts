import { difference, hexOf, packed, packHex, type Raster, type Rect } from './raster'

/** One line of letters: its box in design pixels, relative to the raster. */
export interface InkLine {
  x: number; y: number; w: number; h: number
  /** Row under the letters' feet, design px. */
  base: number
  /** Height of a small x (of capitals where there are only those), and of the tallest letters above their feet, design px. */
  small: number
  tall: number
  /** Mean length of the strokes a row meets, in heights of a small x: bold letters have longer ones. */
  stroke: number
  /** Width of its first word, and the usual space between two of its letters, design px. */
  word: number
  gap: number
}

/** What the letters of an area look like. */
export interface Ink { color: string | null; lines: InkLine[] }

/**
 * Reads letters as whatever stands off the ground: their lines as runs of inked rows, their colour as the commonest colour far from
 * the ground (the cores of the strokes; anti-aliased rims lie between).
 */
export function readInk(raster: Raster, rect: Rect, ground: string): Ink {
  const px = packed(raster)
  const g = packHex(ground)
  const counts = new Map<number, number>()
  const lines: InkLine[] = []
  let open: { y: number; from: number; to: number; rows: InkRow[] } | null = null
  const close = (y: number) => {
    if (open) withoutUnderline(open.rows, open.to - open.from + 1)
    if (open) lines.push({ x: open.from, y: open.y, w: open.to - open.from + 1, h: y - open.y, ...feet(open.y, open.rows), word: 0, gap: 0 })
    open = null
  }
  const bottom = Math.min(rect.y + rect.h, raster.height), right = Math.min(rect.x + rect.w, raster.width)
  let far = 40
  for (let y = rect.y; y < bottom; y++) {
    let from = -1, to = -1, ink = 0, runs = 0, weight = 0, was = false
    for (let x = rect.x; x < right; x++) {
      const p = px[y * raster.width + x]!
      const d = p === g ? 0 : difference(p, g)
      if (d <= 24) { was = false; continue }
      if (from < 0) from = x
      to = x
      weight += d
      if (d > 60) { ink++; if (!was) runs++; was = true } else was = false
      if (d > far) { counts.set(p, (counts.get(p) ?? 0) + 1); if (d > 2 * far) far = d / 2 }
    }
    if (from < 0) { close(y); continue }
    open ??= { y, from, to, rows: [] }
    open.from = Math.min(open.from, from)
    open.to = Math.max(open.to, to)
    open.rows.push({ ink, runs, weight })
  }
  close(bottom)
  let color: string | null = null, most = 0
  for (const [p, n] of counts) if (difference(p, g) >= far && n > most) { most = n; color = hexOf(p) }
  return { color, lines: joinedMarks(lines.filter((l) => l.h > 2)).map((l) => ({ ...l, ...spacesOf(px, raster.width, l, g) })) }
}

/** What a row of a line holds: inked pixels, stretches of them, and the sum of their differences to the ground. */
interface InkRow { ink: number; runs: number; weight: number }

/**
 * Where a line's letters stand and how tall the small ones are: the rows that hold most of its ink, their borders told between the rows by how much ink
 * each has, since rims are blended.
 */
function feet(top: number, rows: readonly InkRow[]): Pick<InkLine, 'base' | 'small' | 'tall' | 'stroke'> {
  const most = Math.max(...rows.map((r) => r.weight)), full = 0.45 * most
  let from = rows.findIndex((r) => r.weight >= full), to = rows.length - 1
  while (to > from && rows[to]!.weight < full) to--
  from = Math.max(0, from)
  // How far into the neighbouring row the level reaches.
  const beyond = (inside: number, outside: number) => { const [i, o] = [rows[inside]!.weight, rows[outside]?.weight ?? 0]; return i > o ? Math.min(1, (i - full) / (i - o)) : 0 }
  const up = beyond(from, from - 1), down = beyond(to, to + 1)
  const zone = rows.slice(from, to + 1)
  const ink = zone.reduce((s, r) => s + r.ink, 0), runs = zone.reduce((s, r) => s + r.runs, 0)
  // The first row of the tallest letters, by how much of a usual row of theirs it has.
  const ascending = rows.slice(0, from).map((r) => r.weight).sort((a, b) => a - b)
  const usual = ascending[ascending.length >> 1] ?? most
  const first = Math.min(1, (rows[0]?.weight ?? 0) / Math.max(1, usual))
  const base = top + to + 0.5 + down
  return { base: Math.round(base), small: to - from + up + down, tall: base - (top + 1 - first), stroke: runs ? ink / runs / (to - from + 1) : 0 }
}

/** Takes the line under a link out of a line's rows: a few rows in its lower half that are inked nearly throughout, as rows of letters never are. */
function withoutUnderline(rows: InkRow[], width: number): void {
  const under = rows.flatMap((r, i) => (i > 0.5 * rows.length && r.ink >= 0.68 * width && r.ink >= 6 * r.runs ? [i] : []))
  if (under.length && under.length <= Math.max(2, 0.15 * rows.length)) for (let i = under[0]! - 1; i <= under.at(-1)! + 1 && i < rows.length; i++) rows[i] = { ink: 0, runs: 0, weight: 0 }
}

/** How far the first word of a line reaches, to the first empty columns as wide as a space (about a quarter of the type's size; half a small x), and the middle of the narrower ones. */
function spacesOf(px: Int32Array, width: number, line: InkLine, ground: number): Pick<InkLine, 'word' | 'gap'> {
  const space = Math.max(2, 0.4 * line.small)
  const gaps: number[] = []
  let empty = 0, word = line.w
  for (let x = line.x; x < line.x + line.w; x++) {
    let inked = false
    for (let y = line.y; y < line.y + line.h && !inked; y++) inked = difference(px[y * width + x]!, ground) > 40
    if (inked) { if (empty) gaps.push(empty); empty = 0 } else if (++empty >= space && word === line.w) word = x - empty + 1 - line.x
  }
  return { word, gap: gaps.length >= 3 ? middle(gaps) : 0 }
}

/** Accents and dots that an empty row parts from their letters belong to the line below. */
function joinedMarks(lines: InkLine[]): InkLine[] {
  const out: InkLine[] = []
  for (const line of lines) {
    const last = out.at(-1)
    if (last && last.h < 0.45 * line.h && line.y - last.y - last.h <= 0.35 * line.h) {
      const x = Math.min(last.x, line.x), right = Math.max(last.x + last.w, line.x + line.w)
      out[out.length - 1] = { ...line, x, y: last.y, w: right - x, h: line.y + line.h - last.y }
    } else out.push(line)
  }
  return out
}

/** Lines that belong together: a paragraph, a heading. */
export interface InkBlock { lines: InkLine[]; /** Letter size, design px. */ size: number; /** Distance of baselines, design px; 0 for a single line. */ pitch: number; bold: boolean }

/** Height of capitals of the email-safe sans, em (fontStacks); round letters reach a little over a small x (measured on the drawn designs, 1 to 41 px). */
export const CAPITALS = 0.717
const OVERSHOOT = 1.02, SERIF_OVERSHOOT = 1.06
/**
 * Strokes of bold letters are longer than this many heights of a small x; of small letters blended rims make them longer. Between what was measured on seven
 * titles in three fonts from 12 to 120 px: regular up to 0.29, 0.28 and 0.25, bold from 0.30, 0.30 and 0.28.
 */
export const boldStroke = (small: number) => (small < 10 ? 0.31 : small < 20 ? 0.297 : 0.27)

/** Whether the lines of a block are bold. @param more by how much their strokes have to be longer than usual for it, in heights of a small x */
export const isBold = ({ lines }: Pick<InkBlock, 'lines'>, more = 0): boolean => middle(lines.map((l) => l.stroke)) > boldStroke(middle(lines.map((l) => l.small))) + more

/** Letter size of a line: from the heights of its tallest letters and of a small x, whichever it has. @param x height of a small x, em */
export function letterSize({ small, tall }: Pick<InkLine, 'small' | 'tall'>, x = 0.519): number {
  // Only letters of one height: capitals or figures.
  if (tall < 1.14 * small) return tall / CAPITALS
  const bySmall = small / ((x < 0.5 ? SERIF_OVERSHOOT : OVERSHOOT) * x)
  // How tall the tallest letters are differs more between fonts than the small ones; of sans families it is known.
  return Math.abs(x - 0.519) < 0.02 ? (bySmall + tall / CAPITALS) / 2 : bySmall
}

/** Groups lines into blocks by size and distance. @param x height of a small x of the font, em */
export function inkBlocks(lines: readonly InkLine[], x?: number): InkBlock[] {
  const groups: InkLine[][] = []
  for (const line of lines) {
    const last = groups.at(-1)
    const prev = last?.at(-1)
    const tall = last ? Math.max(...last.map((l) => l.h)) : 0
    const gap = prev ? line.y - (prev.y + prev.h) : 0
    const alike = last && (Math.max(line.h, tall) / Math.min(line.h, tall) < 1.5 || Math.max(line.small, prev!.small) <= 1.25 * Math.min(line.small, prev!.small))
    if (last && prev && alike && gap < 0.9 * Math.max(line.h, tall)) last.push(line)
    else groups.push([line])
  }
  return groups.map((g) => ({
    lines: g,
    size: middle(g.map((l) => letterSize(l, x))),
    pitch: g.length > 1 ? (g.at(-1)!.base - g[0]!.base) / (g.length - 1) : 0,
    bold: isBold({ lines: g }),
  }))
}

/** The median, 0 of nothing. */
export const middle = (v: number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1] ?? 0

/** How lines stand in a box: told by which of their edges vary least. One line counts as left unless it is centred or held by the right edge. */
export function alignmentOf(lines: readonly Pick<InkLine, 'x' | 'w'>[], box: { x: number; w: number }): 'left' | 'center' | 'right' {
  if (!lines.length) return 'left'
  const spread = (of: (l: Pick<InkLine, 'x' | 'w'>) => number) => { const v = lines.map(of); return Math.max(...v) - Math.min(...v) }
  const mid = box.x + box.w / 2
  const centred = lines.every((l) => Math.abs(l.x + l.w / 2 - mid) < Math.max(6, box.w * 0.012))
  if (centred && (lines.length === 1 ? lines[0]!.w < 0.9 * box.w : spread((l) => l.x) > 4 || lines.every((l) => l.w < 0.7 * box.w))) return 'center'
  if (lines.length === 1) { const l = lines[0]!; return box.x + box.w - l.x - l.w < 0.06 * box.w && l.x - box.x > 0.25 * box.w ? 'right' : 'left' }
  return spread((l) => l.x) <= spread((l) => l.x + l.w) ? 'left' : 'right'
}
