import { difference, differs, packed, type Raster } from './raster'

/** What each pixel row of a design is like: the raw material of the autocut. */
export interface RowFacts {
  /** Width of the design, px. */
  width: number
  /** Packed colour of the left and right margins. */
  left: Int32Array
  right: Int32Array
  /** Share of the row, 0 to 1, that is not the left margin's colour. */
  ink: Float32Array
  /** First and last pixel (inclusive) that is not the left margin's colour; -1 where the row is flat. */
  from: Int32Array
  to: Int32Array
  /** Share of the row that changes plainly against the row above, 0 to 1. */
  change: Float32Array
  /** Mean difference to the row above, 0 to 255. */
  step: Float32Array
  /**
   * Share of sixteen blocks of the row in which at least half the pixels change plainly against the row
   * above.
   */
  coverage: Float32Array
}

/** A channel difference above this is seen as another colour; below it lie the artefacts of JPEG. */
export const PLAIN = 10
const BLOCKS = 16

/** One pass over all pixels. Calls `progress` with 0 to 1 now and then. */
export function rowFacts(raster: Raster, progress?: (done: number) => void): RowFacts {
  const { width, height } = raster
  const px = packed(raster)
  const facts: RowFacts = {
    width,
    left: new Int32Array(height),
    right: new Int32Array(height),
    ink: new Float32Array(height),
    from: new Int32Array(height).fill(-1),
    to: new Int32Array(height).fill(-1),
    change: new Float32Array(height),
    step: new Float32Array(height),
    coverage: new Float32Array(height),
  }
  const margin = Math.max(2, Math.round(width * 0.012))
  // Whether most of a row changes is told as well by some of its pixels.
  const stride = width >= 1000 ? 4 : width >= 800 ? 2 : 1
  for (let y = 0; y < height; y++) {
    // Most rows of a design are like the row above.
    if (y > 0 && same(px, y * width, width, stride, margin)) {
      for (const of of alike) facts[of][y] = facts[of][y - 1]!
      continue
    }
    readInk(facts, px, y, stride, margin)
    if (y > 0) readChange(facts, px, y, stride)
    if (progress && (y & 255) === 0) progress(y / height)
  }
  return facts
}

/** The facts that a row shares with one that is the same. */
const alike = ['left', 'right', 'ink', 'from', 'to'] as const

/** Margins of a row, and where it differs from the left one. */
function readInk(facts: RowFacts, px: Int32Array, y: number, stride: number, margin: number): void {
  const { width } = facts
  const row = y * width
  const ground = majority(px, row, margin)
  facts.left[y] = ground
  facts.right[y] = majority(px, row + width - margin, margin)
  let ink = 0,
    from = -1,
    to = -1
  for (let x = 0; x < width; x += stride)
    if (differs(px[row + x]!, ground, PLAIN)) {
      ink += stride
      to = x
      if (from < 0) from = x
    }
  facts.ink[y] = ink / width
  facts.from[y] = from
  facts.to[y] = to
}

/** How much of a row changes against the one above. */
function readChange(facts: RowFacts, px: Int32Array, y: number, stride: number): void {
  const { width } = facts
  const row = y * width
  let changed = 0,
    sum = 0,
    seen = 0,
    covered = 0
  for (let b = 0; b < BLOCKS; b++) {
    const start = Math.floor((b * width) / BLOCKS),
      end = Math.floor(((b + 1) * width) / BLOCKS)
    let count = 0
    for (let x = start; x < end; x += stride) {
      const p = px[row + x]!,
        above = px[row + x - width]!
      if (p === above) continue
      const d = difference(p, above)
      sum += d
      if (d > PLAIN) count++
    }
    changed += count
    const looked = Math.ceil((end - start) / stride)
    seen += looked
    if (count * 2 >= looked) covered++
  }
  facts.change[y] = changed / seen
  facts.step[y] = sum / seen
  facts.coverage[y] = covered / BLOCKS
}

/** Whether a row is like the one above wherever it would be looked at. */
function same(px: Int32Array, row: number, width: number, stride: number, margin: number): boolean {
  const end = row + width
  for (let i = row; i < end; i += stride) if (px[i] !== px[i - width]) return false
  for (let i = 0; i < margin; i++)
    if (px[row + i] !== px[row + i - width] || px[end - 1 - i] !== px[end - 1 - i - width]) return false
  return true
}

/** The colour that most of a short run has: Boyer and Moore's majority vote. */
function majority(px: Int32Array, from: number, length: number): number {
  let winner = px[from]!,
    votes = 0
  for (let i = from; i < from + length; i++) {
    const p = px[i]!
    if (votes === 0) {
      winner = p
      votes = 1
    } else votes += p === winner ? 1 : -1
  }
  return winner
}
