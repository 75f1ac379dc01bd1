import { differs, pack, packed, type Raster, type Rect } from './raster'

/** What an area looks like, told from its pixels: letters, a drawing or a photograph. */
export interface Looks {
  /** The commonest colour off the ground, packed: of letters, the cores of their strokes. */
  color: number
  /**
   * Share of the pixels off the ground that lie between ground and that colour: letters are of one ink, with
   * blended rims. 0 to 1.
   */
  mono: number
  /** How many of 4096 colours make up nine tenths of what is off the ground. */
  colors: number
  /** Changes between ground and ink along a row, for each height of a line's width: letters change often. */
  runs: number
  /** Stretches of columns with ink, parted by empty ones: letters and words. */
  pieces: number
  /** Mean length of what a row meets of it, px of the design: of letters, the width of their strokes. */
  stroke: number
  /** Height of the small letters of its lines, px of the design: of the rows that hold most ink. */
  x: number
}

// One sheet for all calls: a design asks hundreds of times, mostly about a few colours.
const counts = new Uint32Array(4096)
const sums = new Float64Array(4096 * 3)

/** A colour difference in three channels. */
type Axis = readonly [number, number, number]

/** What one pass over an area counts. */
interface Inked {
  total: number
  /** Changes between ground and ink along rows. */
  changes: number
  rows: number
  perRow: number[]
  /** Bins of the sheet that were used, 4 bits a channel. */
  bins: number[]
  /** Columns with ink. */
  filled: Uint8Array
}

/** A difference from the ground above this, 0 to 255, is ink; below it lie rims and the artefacts of JPEG. */
const INK = 24

/** Within this of the way from ground to ink a colour lies on it; where colour is halved (4:2:0) it bleeds. */
const SPREAD = 34
const SPREAD_HALVED = 70

/** @param ground packed @param noise channel difference that is still one colour */
export function looksOf(raster: Raster, rect: Rect, ground: number, noise = 8): Looks {
  // Large areas are told as well by some of their pixels.
  const across = Math.max(1, Math.round(rect.w / 420)),
    down = Math.max(1, Math.floor(rect.h / 64))
  const inked = countInk(raster, rect, ground, across, down)
  const { total, bins } = inked
  if (!total) return { color: ground, mono: 0, colors: 0, runs: 0, pieces: 0, stroke: 0, x: rect.h }
  bins.sort((a, b) => counts[b]! - counts[a]! || a - b)
  const axis = inkAxis(bins, ground)
  const between = countBetween(bins, ground, axis, noise > 8 ? SPREAD_HALVED : SPREAD)
  const colors = mostOf(bins, 0.9 * total)
  clear(bins)
  const x = smallLetters(inked.perRow) * down
  return {
    color: pack(
      Math.round((ground & 255) + axis[0]),
      Math.round(((ground >>> 8) & 255) + axis[1]),
      Math.round(((ground >>> 16) & 255) + axis[2]),
    ),
    mono: between / total,
    colors,
    runs: inked.changes / 2 / inked.rows / Math.max(1, rect.w / (2 * x)),
    pieces: inked.filled.reduce((n, on, i) => n + (on && !inked.filled[i - 1] ? 1 : 0), 0),
    stroke: (total * across) / Math.max(1, inked.changes / 2),
    x,
  }
}

/** Counts what is off the ground, on the sheet and beside it. @param across, down px between those looked at */
function countInk(raster: Raster, rect: Rect, ground: number, across: number, down: number): Inked {
  const px = packed(raster)
  const right = Math.min(rect.x + rect.w, raster.width),
    bottom = Math.min(rect.y + rect.h, raster.height)
  const filled = new Uint8Array(Math.ceil((right - rect.x) / across))
  const perRow: number[] = [],
    bins: number[] = []
  let total = 0,
    changes = 0
  for (let y = rect.y; y < bottom; y += down) {
    let was = false,
      inked = 0
    for (let x = rect.x, c = 0; x < right; x += across, c++) {
      const p = px[y * raster.width + x]!
      const on = differs(p, ground, INK)
      if (on !== was) {
        changes++
        was = on
      }
      if (!on) continue
      inked++
      filled[c] = 1
      const bin = ((p & 0xf0) >> 4) | ((p & 0xf000) >> 8) | ((p & 0xf00000) >> 12)
      if (counts[bin] === 0) bins.push(bin)
      counts[bin] = counts[bin]! + 1
      sums[bin * 3] = sums[bin * 3]! + (p & 255)
      sums[bin * 3 + 1] = sums[bin * 3 + 1]! + ((p >>> 8) & 255)
      sums[bin * 3 + 2] = sums[bin * 3 + 2]! + ((p >>> 16) & 255)
    }
    total += inked
    perRow.push(inked)
  }
  return { total, changes, rows: perRow.length, perRow, bins, filled }
}

/** How many of the commonest colours make up so many pixels. @param bins from the commonest on */
function mostOf(bins: readonly number[], pixels: number): number {
  let sum = 0
  for (const [i, b] of bins.entries()) {
    sum += counts[b]!
    if (sum >= pixels) return i + 1
  }
  return bins.length
}

/**
 * From the ground to the ink: among the common colours the one farthest from the ground, since rims lie
 * between. Plain numbers throughout: this runs for every line of a design.
 * @param bins from the commonest on
 */
function inkAxis(bins: readonly number[], ground: number): Axis {
  const gr = ground & 255,
    gg = (ground >>> 8) & 255,
    gb = (ground >>> 16) & 255
  let ax = 0,
    ay = 0,
    az = 0,
    most = -1
  for (let i = 0; i < Math.min(12, bins.length); i++) {
    const b = bins[i]!,
      n = counts[b]!
    if (n < 0.15 * counts[bins[0]!]!) continue
    const dx = sums[b * 3]! / n - gr,
      dy = sums[b * 3 + 1]! / n - gg,
      dz = sums[b * 3 + 2]! / n - gb
    const weight = Math.sqrt((dx * dx + dy * dy + dz * dz) * n)
    if (weight > most) {
      most = weight
      ax = dx
      ay = dy
      az = dz
    }
  }
  return [ax, ay, az]
}

/** How many pixels lie on the way from the ground to the ink. */
function countBetween(bins: readonly number[], ground: number, [ax, ay, az]: Axis, spread: number): number {
  const gr = ground & 255,
    gg = (ground >>> 8) & 255,
    gb = (ground >>> 16) & 255
  const length = Math.sqrt(ax * ax + ay * ay + az * az) || 1
  let between = 0
  for (let i = 0; i < bins.length; i++) {
    const b = bins[i]!,
      n = counts[b]!
    const dx = sums[b * 3]! / n - gr,
      dy = sums[b * 3 + 1]! / n - gg,
      dz = sums[b * 3 + 2]! / n - gb
    const along = (dx * ax + dy * ay + dz * az) / length
    if (along > 0 && along < length + 40 && dx * dx + dy * dy + dz * dz - along * along <= spread * spread)
      between += n
  }
  return between
}

/** Leaves the sheet clean for the next area. */
function clear(bins: readonly number[]): void {
  for (let i = 0; i < bins.length; i++) {
    const b = bins[i]!
    counts[b] = 0
    sums[b * 3] = 0
    sums[b * 3 + 1] = 0
    sums[b * 3 + 2] = 0
  }
}

/**
 * The middle height of the runs of rows that hold at least half the ink of a full row: in a line of letters
 * those between baseline and the top of a small x, since few letters reach further up or down. The fullest
 * rows (the bars of many an e) say too much: three quarters of all hold less than a full one.
 */
function smallLetters(perRow: readonly number[]): number {
  const inked = perRow.filter((n) => n > 0).sort((a, b) => a - b)
  const full = 0.5 * (inked[Math.floor(inked.length * 0.75)] ?? 0)
  const runs: number[] = []
  let run = 0
  for (const n of [...perRow, 0]) {
    if (n >= full) run++
    else {
      if (run > 1) runs.push(run)
      run = 0
    }
  }
  return runs.sort((a, b) => a - b)[runs.length >> 1] ?? 1
}
