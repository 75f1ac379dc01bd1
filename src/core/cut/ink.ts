import { fontStacks, type FontStack } from '../email/fonts'
import { difference, hexOf, pack, packed, packHex, type Raster, type Rect } from './raster'

/** One line of letters: its box in design pixels, relative to the raster. */
export interface InkLine {
  x: number
  y: number
  w: number
  h: number
  /** Row under the letters' feet, design px. */
  base: number
  /**
   * Height of a small x (of capitals where there are only those), and of the tallest letters above their
   * feet, design px.
   */
  small: number
  tall: number
  /** Mean length of the strokes a row meets, in heights of a small x: bold letters have longer ones. */
  stroke: number
  /** Whether a line runs under its letters, as under a link. */
  under: boolean
  /** How thick its thin strokes are, in thicknesses of its stems: letters with serifs have thin ones. */
  contrast: number
  /** By how many px its letters lean to the right for each px of height: italics do. */
  slant: number
  /** Width of its first word, and the usual space between two of its letters, design px. */
  word: number
  gap: number
}

/** What the letters of an area look like. */
export interface Ink {
  color: string | null
  lines: InkLine[]
}

/**
 * Reads letters as whatever stands off the ground: their lines as runs of inked rows, their colour as the
 * commonest colour far from the ground (the cores of the strokes; anti-aliased rims lie between).
 */
export function readInk(raster: Raster, rect: Rect, ground: string): Ink {
  const off = standOff(raster, rect, packHex(ground))
  const lines = linesOf(off)
  // A strip along a side that runs through all lines is no letter.
  if (lines.length === 1 && lines[0]!.h >= 0.9 * off.h && withoutStrips(off))
    lines.splice(0, 1, ...linesOf(off))
  return {
    color: colorOf(raster, off, packHex(ground)),
    lines: joinedMarks(lines.filter((l) => l.h > 2)).map((l) => ({
      ...l,
      ...spacesOf(off, l),
      slant: slantOf(off, l),
      contrast: contrastOf(off, l),
    })),
  }
}

/** How far each pixel of a rectangle stands off its ground, 0 to 255. */
interface StandOff extends Rect {
  d: Uint8Array
  noisy: boolean
  /** Whether letters end in clean rims: JPEG leaves faint pixels around them that are neither ground nor ink. */
  clean: boolean
}
const at = (o: StandOff, x: number, y: number): number => o.d[(y - o.y) * o.w + x - o.x]!

/**
 * How far pixels stand off a ground: by the channel that differs most. Where JPEG has scattered the ground,
 * by their lightness, since colours run over into what lies beside letters, and what is faint beside the
 * darkest letters is ringing.
 */
function standOff(raster: Raster, rect: Rect, ground: number): StandOff {
  const px = packed(raster)
  const x = Math.max(0, rect.x),
    y = Math.max(0, rect.y),
    w = Math.max(0, Math.min(rect.x + rect.w, raster.width) - x),
    h = Math.max(0, Math.min(rect.y + rect.h, raster.height) - y)
  const d = new Uint8Array(w * h)
  let same = 0,
    near = 0,
    inked = 0,
    full = 0
  for (let j = 0, i = 0; j < h; j++)
    for (let k = (y + j) * raster.width + x, end = k + w; k < end; k++, i++) {
      const v = difference(px[k]!, ground)
      d[i] = v
      if (v === 0) same++
      else if (v <= FAINT) near++
      else inked++
      if (v > full) full = v
    }
  if (near <= 0.15 * (near + same)) return { x, y, w, h, d, noisy: false, clean: near <= RIMS * inked }
  const g = lightness(ground),
    light = new Uint8Array(w * h)
  let most = 0
  for (let j = 0, i = 0; j < h; j++)
    for (let k = (y + j) * raster.width + x, end = k + w; k < end; k++, i++) {
      light[i] = Math.abs(lightness(px[k]!) - g)
      if (light[i]! > most) most = light[i]!
    }
  // Letters that are hardly lighter or darker than their ground are told by their colour after all.
  const by = most >= 0.4 * full ? light : d,
    scale = full / Math.max(1, by === light ? most : full),
    least = Math.max(FAINT, 0.14 * full)
  for (let i = 0; i < d.length; i++) {
    const v = by[i]! * scale
    d[i] = v > least ? v : 0
  }
  return { x, y, w, h, d, noisy: true, clean: false }
}

/** A channel difference up to this is hardly seen; from `INKED` on a pixel is inked. */
const FAINT = 24,
  INKED = 60

/** Of clean letters, faint pixels are no more than this share of the inked. */
const RIMS = 0.5

/** Luma (ITU-R BT.601), 0 to 255. */
const lightness = (p: number): number =>
  (77 * (p & 255) + 150 * ((p >>> 8) & 255) + 29 * ((p >>> 16) & 255)) >> 8

/** The runs of rows that hold ink. */
function linesOf(o: StandOff): InkLine[] {
  const lines: InkLine[] = []
  let open: { y: number; from: number; to: number; rows: InkRow[] } | null = null
  const close = (y: number) => {
    const under = open ? withoutUnderline(open.rows, open.to - open.from + 1) : false
    if (open)
      lines.push({
        x: open.from,
        y: open.y,
        w: open.to - open.from + 1,
        h: y - open.y,
        under,
        ...feet(open.y, open.rows),
        contrast: 1,
        slant: 0,
        word: 0,
        gap: 0,
      })
    open = null
  }
  for (let y = o.y; y < o.y + o.h; y++) {
    let from = -1,
      to = -1,
      ink = 0,
      runs = 0,
      weight = 0,
      was = false
    for (let x = o.x; x < o.x + o.w; x++) {
      const d = at(o, x, y)
      if (d <= FAINT) {
        was = false
        continue
      }
      if (from < 0) from = x
      to = x
      weight += d
      if (d > INKED) {
        ink++
        if (!was) runs++
        was = true
      } else was = false
    }
    if (from < 0) {
      close(y)
      continue
    }
    open ??= { y, from, to, rows: [] }
    open.from = Math.min(open.from, from)
    open.to = Math.max(open.to, to)
    open.rows.push({ ink, runs, weight })
  }
  close(o.y + o.h)
  return lines
}

/** Words keep at least this share of their height from a strip beside them. */
const STRIP_GAP = 0.2

/**
 * Takes strips along the left and the right side away: columns inked nearly throughout, and the rims beside
 * them. Whether there were any.
 */
function withoutStrips(o: StandOff): boolean {
  const share = (x: number) => {
    let n = 0
    for (let y = o.y; y < o.y + o.h; y++) if (at(o, x, y) > FAINT) n++
    return n / Math.max(1, o.h)
  }
  let any = false
  for (const [from, step] of [
    [o.x, 1],
    [o.x + o.w - 1, -1],
  ] as const) {
    let x = from
    while (x >= o.x && x < o.x + o.w && share(x) === 0) x += step
    let to = x
    while (to >= o.x && to < o.x + o.w && share(to) >= 0.85) to += step
    if (to === x || Math.abs(to - from) > 0.1 * o.w) continue
    // The stem of a letter has its letter right beside it.
    const beside = to + 2 * step
    const free = Array.from({ length: Math.ceil(STRIP_GAP * o.h) }, (_, i) => beside + i * step)
    if (!free.every((c) => c >= o.x && c < o.x + o.w && share(c) === 0)) continue
    for (; x !== to + 2 * step && x >= o.x && x < o.x + o.w; x += step)
      for (let y = 0; y < o.h; y++) o.d[y * o.w + x - o.x] = 0
    any = true
  }
  return any
}

const commonest = (counts: ReadonlyMap<number, number>): number | null => {
  let most: number | null = null
  for (const [p, n] of counts) if (most === null || n > counts.get(most)!) most = p
  return most
}

/** Into how many columns words are parted to see whether a colour stands all along them; and the share of them that may lack it. */
const COLUMNS = 12
const LACKING = 0.66
/** A core stands this many times as far off the ground as the commonest colour, at least and at most. */
const FURTHER = 1.05
const FURTHEST = 2.5
/** In the same direction, per channel, 0 to 255. */
const ASTRAY = 8

/**
 * The ink of strokes thinner than a pixel or two, most of which are rims: what pixels wholly inside a stroke have. They stand further
 * off the ground than the commonest colour, in its direction, and all along the words; a word in another ink stands in one place.
 * Null where the commonest is the ink itself.
 * @param far what ink is, distance off the ground
 */
function coreOf(raster: Raster, o: StandOff, rim: number, ground: number, far: number): number | null {
  const px = packed(raster)
  const channels = (p: number) => [p & 255, (p >>> 8) & 255, (p >>> 16) & 255]
  const from = channels(ground)
  const way = channels(rim).map((v, i) => v - from[i]!)
  const widest = way.reduce((best, v, i) => (Math.abs(v) > Math.abs(way[best]!) ? i : best), 0)
  /** How many times as far off as the rim; 0 in another direction. */
  const times = (p: number): number => {
    const own = channels(p).map((v, i) => v - from[i]!)
    const by = own[widest]! / way[widest]!
    return by <= FURTHEST && own.every((v, i) => Math.abs(v - by * way[i]!) <= ASTRAY) ? by : 0
  }
  const tops: { p: number; by: number }[] = []
  for (let y = o.y; y < o.y + o.h; y++)
    for (let x = o.x; x < o.x + o.w; x++) {
      if (at(o, x, y) < far) continue
      const p = px[y * raster.width + x]!
      const by = times(p)
      const column = Math.floor(((x - o.x) * COLUMNS) / o.w)
      if (by > (tops[column]?.by ?? -1)) tops[column] = { p, by }
    }
  const told = tops.filter(Boolean).sort((a, b) => a.by - b.by)
  const top = told[Math.floor(told.length * LACKING)]
  return top && top.by >= FURTHER ? top.p : null
}

/**
 * The commonest colour of what stands furthest off the ground; of JPEG, where hardly two pixels are alike,
 * its mean.
 */
function colorOf(raster: Raster, o: StandOff, ground: number): string | null {
  const px = packed(raster),
    counts = new Map<number, number>()
  let far = 40
  for (const d of o.d) if (d > 2 * far) far = d / 2
  if (o.noisy) far = Math.max(40, 1.7 * far)
  const sums = [0, 0, 0]
  let all = 0
  for (let y = o.y; y < o.y + o.h; y++)
    for (let x = o.x; x < o.x + o.w; x++) {
      if (at(o, x, y) < far) continue
      const p = px[y * raster.width + x]!
      if (!o.noisy) {
        counts.set(p, (counts.get(p) ?? 0) + 1)
        continue
      }
      all++
      for (const c of [0, 1, 2]) sums[c]! += (p >>> (8 * c)) & 255
    }
  if (o.noisy)
    return all ? hexOf(pack(...(sums.map((s) => Math.round(s / all)) as [number, number, number]))) : null
  const usual = commonest(counts)
  if (usual === null) return null
  return hexOf((o.clean ? coreOf(raster, o, usual, ground, far) : null) ?? usual)
}

/**
 * What a row of a line holds: inked pixels, stretches of them, and the sum of their differences to the
 * ground.
 */
interface InkRow {
  ink: number
  runs: number
  weight: number
}

/**
 * Where a line's letters stand and how tall the small ones are: the rows that hold most of its ink, their
 * borders told between the rows by how much ink each has, since rims are blended.
 */
function feet(top: number, rows: readonly InkRow[]): Pick<InkLine, 'base' | 'small' | 'tall' | 'stroke'> {
  // A single row may hold very much: the bars of many an e in a short word. Usual is what the fuller half of
  // the rows holds.
  const weights = rows.map((r) => r.weight).sort((a, b) => b - a),
    half = weights.slice(0, Math.ceil(weights.length / 2))
  const most = Math.min(weights[0]!, (1.4 * half.reduce((a, b) => a + b, 0)) / half.length),
    full = 0.45 * most
  let from = rows.findIndex((r) => r.weight >= full),
    to = rows.length - 1
  while (to > from && rows[to]!.weight < full) to--
  from = Math.max(0, from)
  // How far into the neighbouring row the level reaches.
  const beyond = (inside: number, outside: number) => {
    const [i, o] = [rows[inside]!.weight, rows[outside]?.weight ?? 0]
    return i > o ? Math.min(1, (i - full) / (i - o)) : 0
  }
  const up = beyond(from, from - 1),
    down = beyond(to, to + 1)
  const zone = rows.slice(from, to + 1)
  const ink = zone.reduce((s, r) => s + r.ink, 0),
    runs = zone.reduce((s, r) => s + r.runs, 0)
  // The first row of the tallest letters, by how much of a usual row of theirs it has.
  const ascending = rows
    .slice(0, from)
    .map((r) => r.weight)
    .sort((a, b) => a - b)
  const usual = ascending[ascending.length >> 1] ?? most
  const first = Math.min(1, (rows[0]?.weight ?? 0) / Math.max(1, usual))
  const base = top + to + 0.5 + down,
    small = to - from + up + down
  return {
    base: Math.round(base),
    small,
    tall: base - (top + 1 - first),
    stroke: runs ? ink / runs / (to - from + 1) : 0,
  }
}

/**
 * Thicknesses of the strokes that a stretch of pixels crosses, px: blended rims count by how much of them is
 * inked.
 * @param inked of each pixel, 0 to 1
 */
function strokes(count: number, inked: (i: number) => number, into: number[]): void {
  let thick = 0
  for (let i = 0; i <= count; i++) {
    const d = i < count ? inked(i) : 0
    if (d > 0.1) {
      thick += d
      continue
    }
    if (thick > 0.3) into.push(thick)
    thick = 0
  }
}

/**
 * The thin strokes of a line against its stems: a quarter of what its columns cross is thinner, half of what
 * the rows between the feet and the top of a small x cross.
 */
function contrastOf(o: StandOff, { x, y, w, h, base, small }: InkLine): number {
  let full = 1
  for (let j = y; j < y + h; j++) for (let i = x; i < x + w; i++) full = Math.max(full, at(o, i, j))
  const thin: number[] = [],
    stems: number[] = []
  const top = Math.max(y, Math.round(base - small) - 1),
    bottom = Math.min(y + h, base + 1)
  for (let i = x; i < x + w; i++) strokes(bottom - top, (j) => at(o, i, top + j) / full, thin)
  for (let j = Math.max(y, Math.round(base - 0.75 * small)); j < base - 0.25 * small && j < y + h; j++)
    strokes(w, (i) => at(o, x + i, j) / full, stems)
  const stem = middle(stems)
  return stem ? thin.sort((a, b) => a - b)[thin.length >> 2]! / stem : 1
}

/**
 * Steps in which letters are set upright to see how far they lean, px for each px of height: italics lean by
 * 0.15 to 0.25.
 */
const LEANS = [0, 0.13, 0.2, 0.27]

/**
 * How far the letters of a line lean: upright again, their stems stand one above the other, and columns hold
 * much ink or none.
 */
function slantOf(o: StandOff, { x, w, base, tall }: InkLine): number {
  const rows = Math.round(tall),
    top = Math.round(base - tall)
  if (rows < 5 || top < o.y || base > o.y + o.h) return 0
  const sharp = LEANS.map((lean) => {
    const columns = new Float64Array(w + rows + 2)
    for (let r = 0; r < rows; r++) {
      const by = lean * (r - rows / 2) + rows / 2,
        whole = Math.floor(by),
        part = by - whole
      for (let i = 0; i < w; i++) {
        const d = at(o, x + i, top + r)
        if (d <= FAINT) continue
        columns[i + whole]! += d * (1 - part)
        columns[i + whole + 1]! += d * part
      }
    }
    return columns.reduce((s, v) => s + v * v, 0)
  })
  return LEANS[sharp.indexOf(Math.max(...sharp))]!
}

/**
 * Takes lines under links out of a line's rows: a few rows in its lower half that are inked in long
 * stretches, as rows of letters never are. Whether there is one under the whole of it.
 */
function withoutUnderline(rows: InkRow[], width: number): boolean {
  const long = (r: InkRow, least: number) => r.ink >= Math.max(6, least * rows.length) * r.runs
  const under = rows.flatMap((r, i) =>
    i > 0.5 * rows.length &&
    ((r.ink >= 0.68 * width && long(r, 0.8)) || (r.ink >= 0.08 * width && long(r, 1.5)))
      ? [i]
      : [],
  )
  if (!under.length || under.length > Math.max(2, 0.15 * rows.length)) return false
  const whole = under.some((i) => rows[i]!.ink >= 0.68 * width)
  for (let i = under[0]! - 1; i <= under.at(-1)! + 1 && i < rows.length; i++)
    rows[i] = { ink: 0, runs: 0, weight: 0 }
  return whole
}

/**
 * How far the first word of a line reaches, to the first empty columns as wide as a space (about a quarter of
 * the type's size; half a small x), and the middle of the narrower ones.
 */
function spacesOf(o: StandOff, line: InkLine): Pick<InkLine, 'word' | 'gap'> {
  const space = Math.max(2, 0.4 * line.small)
  const gaps: number[] = []
  let empty = 0,
    word = line.w
  for (let x = line.x; x < line.x + line.w; x++) {
    let inked = false
    for (let y = line.y; y < line.y + line.h && !inked; y++) inked = at(o, x, y) > 40
    if (inked) {
      if (empty) gaps.push(empty)
      empty = 0
    } else if (++empty >= space && word === line.w) word = x - empty + 1 - line.x
  }
  return { word, gap: gaps.length >= 3 ? middle(gaps) : 0 }
}

/** Accents and dots that an empty row parts from their letters belong to the line below. */
function joinedMarks(lines: InkLine[]): InkLine[] {
  const out: InkLine[] = []
  for (const line of lines) {
    const last = out.at(-1)
    if (last && last.h < 0.45 * line.h && line.y - last.y - last.h <= 0.35 * line.h) {
      const x = Math.min(last.x, line.x),
        right = Math.max(last.x + last.w, line.x + line.w)
      out[out.length - 1] = { ...line, x, y: last.y, w: right - x, h: line.y + line.h - last.y }
    } else out.push(line)
  }
  return out
}

/** Lines that belong together: a paragraph, a heading. */
export interface InkBlock {
  lines: InkLine[]
  /** Letter size, design px. */ size: number
  /** Distance of baselines, design px; 0 for a single line. */ pitch: number
  bold: boolean
}

/** How letters of a font are drawn, em. */
export type LetterForm = Pick<FontStack, 'x' | 'cap'>

/** Whether all letters of a line are of one height: capitals or figures. */
export const even = ({ small, tall }: Pick<InkLine, 'small' | 'tall'>): boolean => tall < 1.14 * small

/**
 * Strokes of bold letters are longer than this, in heights of a small x (of capitals where there are only
 * those); of small letters blended rims make them longer. Halfway between regular and bold, as measured on
 * eleven texts in six fonts from 12 to 40 px at 1x and 2x.
 */
export function boldStroke(line: Pick<InkLine, 'small' | 'tall' | 'contrast'>): number {
  const { small } = line
  // Thin strokes and serifs make those of capitals shorter on the mean.
  if (even(line) && line.contrast < 0.62)
    return small < 10 ? 0.29 : small < 14 ? 0.26 : small < 20 ? 0.25 : 0.24
  return even(line)
    ? small < 8
      ? 0.33
      : small < 10
        ? 0.315
        : small < 14
          ? 0.29
          : 0.27
    : small < 8
      ? 0.37
      : small < 10
        ? 0.345
        : small < 14
          ? 0.33
          : small < 20
            ? 0.315
            : 0.295
}

/**
 * By how much the strokes of lines are longer than those of bold letters at least are, on the mean; below 0:
 * regular ones. Of a line of many figures, which count as small letters, the tall ones tell how small these
 * are.
 */
export const boldness = (lines: readonly InkLine[]): number =>
  lines.reduce(
    (s, l) => s + l.stroke * (even(l) ? 1 : Math.max(1, (1.25 * l.small) / l.tall)) - boldStroke(l),
    0,
  ) / Math.max(1, lines.length)

/** Round letters reach a little over a small x (measured on the drawn designs, 1 to 41 px). */
const OVERSHOOT = 1.02,
  SERIF_OVERSHOOT = 1.04

/**
 * Height of letters that are all capitals or figures, design px: between all of their ink and what stands
 * without the tips of round ones.
 */
export const capitalHeight = ({ h, tall }: Pick<InkLine, 'h' | 'tall'>): number =>
  (Math.min(h, 1.08 * tall) + tall) / 2

/** Letter size of a line: from the heights of its tallest letters and of a small x, whichever it has. */
export function letterSize(
  line: Pick<InkLine, 'small' | 'tall' | 'h'>,
  { x, cap }: LetterForm = fontStacks.sans,
): number {
  if (even(line)) return capitalHeight(line) / cap
  const bySmall = line.small / ((x < 0.5 ? SERIF_OVERSHOOT : OVERSHOOT) * x)
  // How tall the tallest letters are differs more between fonts than the small ones; of sans families it is
  // known.
  return Math.abs(x - 0.519) < 0.02 ? (bySmall + line.tall / cap) / 2 : bySmall
}

/** Groups lines into blocks by size and distance. */
export function inkBlocks(lines: readonly InkLine[], font?: LetterForm): InkBlock[] {
  const groups: InkLine[][] = []
  for (const line of lines) {
    const last = groups.at(-1)
    const prev = last?.at(-1)
    const tall = last ? Math.max(...last.map((l) => l.h)) : 0
    const gap = prev ? line.y - (prev.y + prev.h) : 0
    const alike =
      last &&
      (Math.max(line.h, tall) / Math.min(line.h, tall) < 1.5 ||
        Math.max(line.small, prev!.small) <= 1.25 * Math.min(line.small, prev!.small))
    if (last && prev && alike && gap < 0.9 * Math.max(line.h, tall)) last.push(line)
    else groups.push([line])
  }
  return groups.map((g) => ({
    lines: g,
    size: middle(g.map((l) => letterSize(l, font))),
    pitch: g.length > 1 ? (g.at(-1)!.base - g[0]!.base) / (g.length - 1) : 0,
    bold: boldness(g) > 0,
  }))
}

/** The median, 0 of nothing. */
export const middle = (v: number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1] ?? 0

/**
 * How lines stand in a box: told by which of their edges vary least. One line counts as left unless it is
 * centred or held by the right edge.
 */
export function alignmentOf(
  lines: readonly Pick<InkLine, 'x' | 'w'>[],
  box: { x: number; w: number },
): 'left' | 'center' | 'right' {
  if (!lines.length) return 'left'
  const spread = (of: (l: Pick<InkLine, 'x' | 'w'>) => number) => {
    const v = lines.map(of)
    return Math.max(...v) - Math.min(...v)
  }
  const mid = box.x + box.w / 2
  const centred = lines.every((l) => Math.abs(l.x + l.w / 2 - mid) < Math.max(6, box.w * 0.012))
  if (
    centred &&
    (lines.length === 1
      ? lines[0]!.w < 0.9 * box.w
      : spread((l) => l.x) > 4 || lines.every((l) => l.w < 0.7 * box.w))
  )
    return 'center'
  if (lines.length === 1) {
    const l = lines[0]!
    return box.x + box.w - l.x - l.w < 0.06 * box.w && l.x - box.x > 0.25 * box.w ? 'right' : 'left'
  }
  return spread((l) => l.x) <= spread((l) => l.x + l.w) ? 'left' : 'right'
}
