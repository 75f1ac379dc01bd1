import { looksOf, type Looks } from './looks'
import { fillOf, gapsOf, pixelsOf, stretches, tight, type Cells, type Mask, type Stretch } from './mask'
import type { PartKind } from './plan'
import { difference, packHex, type Raster } from './raster'

/** Height a line of letters may have, px of the email. */
export const TALLEST_LINE = 96

/** How far the middles of two or three marks may lie apart, of the height of all. */
const OFF_MIDDLE = 0.15

/** Several marks of like size, evenly apart, each more than a letter. */
export function iconRow(m: Mask, r: Cells): boolean {
  if (r.h < 12 || r.h > 72) return false
  const pieces = stretches(m, r, 'columns', 4)
  if (pieces.length < 2 || pieces.length > 12) return false
  // A word falls into letters, be they two; an icon hardly.
  if (stretches(m, r, 'columns', 1).length >= 2 * pieces.length) return false
  if (spacedLetters(m, r, pieces)) return false
  const widths = pieces.map((p) => p.to - p.from),
    gaps = gapsOf(pieces)
  const boxes = pieces.map((p) => tight(m, { ...r, x: p.from, w: p.to - p.from })!)
  const tall = boxes.map((b) => b.h)
  // Two or three short words: one hangs lower than another, marks have one middle.
  const middles = boxes.map((b) => b.y + b.h / 2)
  if (pieces.length <= 3 && Math.max(...middles) - Math.min(...middles) > OFF_MIDDLE * r.h) return false
  return (
    Math.max(...widths) <= 1.7 * Math.min(...widths) &&
    Math.min(...widths) >= 12 &&
    Math.max(...widths) <= 1.9 * r.h &&
    Math.min(...tall) >= 0.55 * r.h &&
    Math.max(...gaps) <= 1.6 * Math.min(...gaps) + 4 &&
    Math.min(...gaps) >= 0.25 * Math.min(...widths)
  )
}

/** Letters set wide apart: of one height, hardly two as wide, close enough to be read as a word, and thin. */
function spacedLetters(m: Mask, r: Cells, pieces: readonly Stretch[]): boolean {
  if (pieces.length < 4) return false
  const boxes = pieces.map((p) => tight(m, { ...r, x: p.from, w: p.to - p.from })!)
  const widths = boxes.map((b) => b.w),
    heights = boxes.map((b) => b.h)
  return (
    Math.min(...heights) >= 0.88 * Math.max(...heights) &&
    Math.max(...gapsOf(pieces)) <= 0.75 * r.h &&
    new Set(widths).size >= Math.min(3, pieces.length - 1) &&
    widths.reduce((a, b) => a + b, 0) / widths.length < 1.15 * r.h &&
    boxes.reduce((sum, b) => sum + fillOf(m, b), 0) / boxes.length < 0.72
  )
}

/**
 * What a stretch of cells is taken for, by its looks.
 * @param ground the colour it stands on @param noise channel difference that is still one colour
 */
export function judge(
  m: Mask,
  r: Cells,
  raster: Raster,
  ground: string,
  noise: number,
): { kind: PartKind; sure: number; looks: Looks } {
  const looks = looksOf(raster, pixelsOf(m, r, raster), packHex(ground), noise)
  const fill = fillOf(m, r)
  if (r.h <= 6 && r.w >= 24 && r.w >= 8 * r.h && fill > 0.4)
    return { kind: 'rule', sure: fill > 0.9 ? 0.97 : 0.75, looks }
  if (iconRow(m, r)) return { kind: 'icons', sure: 0.8, looks }
  const lines = stretches(m, r, 'rows', 1)
  if (lines.length === 1 && holdsMark(m, r)) return { kind: 'drawing', sure: 0.7, looks }
  const tallest = Math.max(...lines.map((l) => l.to - l.from))
  // Letters are many pieces; underlined they are one, but change as often.
  const sized = tallest <= TALLEST_LINE && tallest >= 4
  const wordy =
    sized &&
    (looks.mono >= 0.72 ||
      (lines.length === 1 && tallest <= 44 && severalInks(m, r, raster, ground, noise))) &&
    fill <= 0.78 &&
    (looks.pieces >= 2 || (looks.runs >= 0.4 && tallest <= 40 && r.w >= 2.5 * tallest)) &&
    (r.w >= 1.2 * tallest || lines.length > 1)
  if (wordy && looks.runs >= 0.25)
    return {
      kind: 'words',
      sure: Math.min(0.98, 0.35 + 0.5 * looks.mono + 0.15 * Math.min(1, looks.runs)),
      looks,
    }
  if (looks.colors >= 20 && fill > 0.5)
    return { kind: 'photo', sure: Math.min(0.97, 0.6 + looks.colors / 200), looks }
  return { kind: 'drawing', sure: 0.6, looks }
}

/** A mark is at least so high, px of the email, and this much of its line. */
const LEAST_MARK = 20
const MARK_HEIGHT = 0.6
/** It is this wide at least and at most, of its height, and this much of its box is filled. */
const MARK_WIDTH = [0.6, 1.7] as const
const MARK_FILL = 0.66
/** Across, it falls into no more runs than this: letters that touch have more. */
const MARK_RUNS = 1.6
/** It stands so far from what is beside it, of its height: letters of one word stand nearer. What no letter fills may be nearer. */
const MARK_GAP = 0.18
const SOLID = { fill: 0.76, gap: 0.04 }
/** And it is so much taller than the letters beside it. */
const TALLER = 1.2
/** What is in one piece across, stands well off and towers over the letters beside it may be this loosely filled: a leaf, a star. */
const LOOSE = { fill: 0.5, runs: 1.1, gap: 0.25, taller: 1.5 }
/** With no more than this beside it, of its height, it is a logo: lettering that belongs to the mark. */
const LOGO = 9

/** Whether a line is a logo: a filled shape that is no letter, alone, or first or last with lettering beside it. */
function holdsMark(m: Mask, r: Cells): boolean {
  if (r.h < LEAST_MARK || r.w > LOGO * r.h) return false
  const pieces = stretches(m, r, 'columns', 1)
  const gaps = gapsOf(pieces)
  return pieces.some(({ from, to }, i) => {
    if (i && i < pieces.length - 1) return false
    const box = tight(m, { ...r, x: from, w: to - from })
    const gap = i ? gaps.at(-1)! : (gaps[0] ?? Infinity)
    if (!box || box.h < MARK_HEIGHT * r.h) return false
    if (box.w < MARK_WIDTH[0] * box.h || box.w > MARK_WIDTH[1] * box.h) return false
    const [fill, runs] = [fillOf(m, box), runsOf(m, box)]
    if (runs > MARK_RUNS) return false
    if (fill >= SOLID.fill) return gap >= SOLID.gap * box.h
    const taller = box.h / Math.max(1, heightBeside(m, r, pieces, i))
    if (fill >= MARK_FILL) return gap >= MARK_GAP * box.h && taller >= TALLER
    return (
      pieces.length > 1 &&
      fill >= LOOSE.fill &&
      runs <= LOOSE.runs &&
      gap >= LOOSE.gap * box.h &&
      taller >= LOOSE.taller
    )
  })
}

/** The middle height of all pieces but one, cells. */
function heightBeside(m: Mask, r: Cells, pieces: readonly Stretch[], but: number): number {
  const heights = pieces
    .filter((_, i) => i !== but)
    .map(({ from, to }) => tight(m, { ...r, x: from, w: to - from })?.h ?? 0)
    .sort((a, b) => a - b)
  return heights[heights.length >> 1] ?? 0
}

/** Into how many runs of ink a row of cells falls, on average. */
function runsOf(m: Mask, r: Cells): number {
  let runs = 0
  for (let y = r.y; y < r.y + r.h; y++)
    for (let x = r.x; x < r.x + r.w; x++)
      if (m.ink[y * m.cols + x] && (x === r.x || !m.ink[y * m.cols + x - 1])) runs++
  return runs / r.h
}

/**
 * Words of several colours on one line, as a price beside the one crossed out: word by word of one ink each.
 */
function severalInks(m: Mask, r: Cells, raster: Raster, ground: string, noise: number): boolean {
  const words = stretches(m, r, 'columns', Math.max(2, Math.round(0.25 * r.h)))
  if (words.length < 2 || words.length > 12) return false
  const whole = words.map(({ from, to }) => tight(m, { ...r, x: from, w: to - from })!)
  // A mark beside words is none of them: it is taller than they are, or filled.
  const heights = whole.map((b) => b.h).sort((a, b) => a - b)
  if (heights.at(-1)! > 1.4 * heights[(heights.length - 1) >> 1]!) return false
  if (
    whole.some(
      (b) =>
        b.w >= 14 &&
        b.w >= 0.6 * b.h &&
        b.w <= 1.6 * b.h &&
        fillOf(m, b) >= 0.6 &&
        stretches(m, b, 'columns', 1).length === 1,
    )
  )
    return false
  return words.every(
    ({ from, to }) =>
      looksOf(raster, pixelsOf(m, tight(m, { ...r, x: from, w: to - from })!, raster), packHex(ground), noise)
        .mono >= 0.8,
  )
}

/** A stretch of rows, and what it was taken for. */
export interface Judged {
  cells: Cells
  looks: Looks
  kind: PartKind
  sure: number
  /** Height of its last line, cells. */ last: number
}

/** Whether what follows below belongs to what stands above. */
export function joins(a: Judged, b: Judged, gap: number, cell: number): boolean {
  const speck = (x: { cells: Cells }) => x.cells.h <= 3 && x.cells.w <= 40
  if (speck(a) || speck(b)) return gap <= 6
  const x = Math.max(a.looks.x, b.looks.x) / cell
  const oneInk = difference(a.looks.color, b.looks.color) <= 48
  // Letters of one size and ink, no further apart than a paragraph's space (of small letters' heights: about
  // half the size of the type each).
  const alike = (p: number, q: number, most: number) => Math.max(p, q) <= most * Math.min(p, q)
  // Of a last line of a word or two the small letters' height is told badly.
  const short = b.cells.w < 12 * x && b.cells.w < 0.5 * a.cells.w
  if (
    a.kind === 'words' &&
    b.kind === 'words' &&
    short &&
    gap <= 2.4 * x &&
    oneInk &&
    (alike(a.looks.x, b.looks.x, 1.6) || (alike(a.looks.x, b.looks.x, 2) && alike(a.last, b.cells.h, 1.5)))
  )
    return true
  // A bold title over words of nearly its size stands apart, where both are long enough to tell.
  const weights =
    a.cells.w >= 3.6 * x &&
    b.cells.w >= 5 * x &&
    a.cells.h <= 4 * x &&
    !alike(a.looks.stroke, b.looks.stroke, 1.35)
  if (a.kind === 'words' && b.kind === 'words' && weights) return false
  if (a.kind === 'words' && b.kind === 'words')
    return (
      (alike(a.looks.x, b.looks.x, 1.2) ||
        (alike(a.looks.x, b.looks.x, 1.35) && alike(a.last, b.cells.h, 1.06))) &&
      alike(a.last, b.cells.h, 1.65) &&
      gap <= 3.4 * x &&
      oneInk
    )
  // The line under a link.
  if (a.kind === 'words' && b.kind === 'rule')
    return (
      gap <= 4 &&
      b.cells.h <= 3 &&
      a.cells.h <= 40 &&
      Math.abs(b.cells.x - a.cells.x) <= 3 &&
      b.cells.w <= a.cells.w + 4 &&
      2 * b.cells.w >= a.cells.w &&
      oneInk
    )
  // A last line of one short word looks like a mark, but is of one ink with what stands above.
  const ax = a.looks.x / cell
  if (a.kind === 'words' && b.kind === 'drawing')
    return b.cells.h <= 2.6 * ax && b.cells.w <= 6 * ax && gap <= 2.6 * ax && b.looks.mono >= 0.7 && oneInk
  if ((a.kind === 'drawing' || a.kind === 'photo') && (b.kind === 'drawing' || b.kind === 'photo'))
    return gap <= 5
  return false
}
