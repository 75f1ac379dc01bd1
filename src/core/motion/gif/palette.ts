import type { Frame } from '../sequence'
import { AXES, between, colorAt, seen } from './eye'
import { Nearest } from './nearest'

/** Colours that are seen as clear: less than half of the ground is covered. */
export const CLEAR = 128

/** Pixels that are counted at most; of more, every n-th is. */
const MOST_COUNTED = 3_000_000

/** Colours that are remembered with their nearest. */
const REMEMBERED = 1 << 16

/** Colours by number, and the nearest of them to any colour. */
export class Palette {
  readonly size: number
  /** The colours as the eye takes them, AXES numbers each. */
  readonly seen: Float32Array
  private readonly nearby: Nearest
  private readonly keys = new Int32Array(REMEMBERED).fill(-1)
  private readonly known = new Uint8Array(REMEMBERED)
  private readonly point = new Float64Array(AXES)
  private next: readonly Uint8Array[] | null = null

  /** @param rgb 3 bytes a colour */
  constructor(readonly rgb: Uint8Array) {
    this.size = rgb.length / 3
    this.seen = new Float32Array(this.size * AXES)
    for (let i = 0; i < this.size; i++)
      seen(rgb[i * 3]!, rgb[i * 3 + 1]!, rgb[i * 3 + 2]!, this.seen, i * AXES)
    this.nearby = new Nearest(this.seen)
  }

  /** A colour by its number, 0xRRGGBB. */
  color(n: number): number {
    return (this.rgb[n * 3]! << 16) | (this.rgb[n * 3 + 1]! << 8) | this.rgb[n * 3 + 2]!
  }

  /** Whether a colour has exactly this number. */
  is(n: number, r: number, g: number, b: number): boolean {
    return this.rgb[n * 3] === r && this.rgb[n * 3 + 1] === g && this.rgb[n * 3 + 2] === b
  }

  /** For each colour some of those next to it, the nearest first: itself. */
  get neighbours(): readonly Uint8Array[] {
    this.next ??= neighboursOf(this.seen)
    return this.next
  }

  /** The number of the nearest colour: of itself where it is one of them. */
  nearest(r: number, g: number, b: number): number {
    const key = (r << 16) | (g << 8) | b
    const slot = (key ^ (key >> 8)) & (REMEMBERED - 1)
    if (this.keys[slot] === key) return this.known[slot]!
    seen(r, g, b, this.point, 0)
    const best = this.nearby.to(this.point[0]!, this.point[1]!, this.point[2]!)
    this.keys[slot] = key
    this.known[slot] = best
    return best
  }
}

/** So many neighbours are told of each colour. */
const NEIGHBOURS = 12

function neighboursOf(points: Float32Array): Uint8Array[] {
  const all = Array.from({ length: points.length / AXES }, (_, i) => i)
  return all.map((a) => {
    const far = all.map((b) => (a === b ? -1 : between(points, a * AXES, points, b * AXES)))
    return Uint8Array.from([...all].sort((i, k) => far[i]! - far[k]!).slice(0, NEIGHBOURS))
  })
}

/** Colours in one small part of the colour space: their mean as the eye takes it, and how much they weigh. */
interface Bin {
  at: readonly [number, number, number]
  n: number
}

/** Parts of the colour space: 128 steps of lightness, 32 of either hue. */
const PARTS = 128 * 32 * 32
const partAt = (point: Float64Array): number =>
  ((point[0]! / 6) << 10) | (((point[1]! + 256) >> 4) << 5) | ((point[2]! + 256) >> 4)

/** Counts colours: the exact ones as long as they are few, and all of them by small parts of the colour space. */
function count(frames: readonly Frame[], few: number): { exact: number[] | null; bins: Bin[] } {
  const pixels = frames.reduce((sum, f) => sum + f.data.length / 4, 0)
  const step = Math.max(1, Math.ceil(pixels / MOST_COUNTED)) * 4
  const parts = new Float64Array(PARTS * 4)
  const point = new Float64Array(AXES)
  let exact: Set<number> | null = new Set()
  for (const { data } of frames) {
    let last = -1
    let o = 0
    // Every pixel counts where the colours are few, so that none is missed.
    for (let i = 0; i < data.length; i += exact ? 4 : step) {
      if (data[i + 3]! < CLEAR) continue
      const rgb = (data[i]! << 16) | (data[i + 1]! << 8) | data[i + 2]!
      if (rgb !== last) {
        exact?.add(rgb)
        if (exact && exact.size > few) exact = null
        seen(rgb >> 16, (rgb >> 8) & 255, rgb & 255, point, 0)
        o = partAt(point) * 4
        last = rgb
      }
      parts[o]! += point[0]!
      parts[o + 1]! += point[1]!
      parts[o + 2]! += point[2]!
      parts[o + 3]! += 1
    }
  }
  const bins: Bin[] = []
  for (let o = 0; o < parts.length; o += 4) {
    const n = parts[o + 3]!
    if (n) bins.push({ at: [parts[o]! / n, parts[o + 1]! / n, parts[o + 2]! / n], n })
  }
  return { exact: exact && [...exact], bins }
}

/** A part of the bins with how much its colours differ. */
interface Box {
  bins: Bin[]
  spread: number
  /** Axis along which they differ most, and their mean. */
  along: number
  mean: number[]
}

function boxOf(bins: Bin[]): Box {
  let n = 0
  const sum = [0, 0, 0]
  const squares = [0, 0, 0]
  for (const bin of bins) {
    n += bin.n
    for (let c = 0; c < AXES; c++) {
      sum[c]! += bin.n * bin.at[c]!
      squares[c]! += bin.n * bin.at[c]! ** 2
    }
  }
  const spreads = squares.map((s, c) => s - sum[c]! ** 2 / n)
  const along = spreads.indexOf(Math.max(...spreads))
  const spread = bins.length > 1 ? spreads.reduce((a, b) => a + b, 0) : 0
  return { bins, spread, along, mean: sum.map((s) => s / n) }
}

/** Parts the colours, the most spread part first, at the mean of the axis along which it is spread most (after X. Wu, "Color quantization by dynamic programming and principal analysis", 1992, with axes for the principal one). */
function part(bins: Bin[], colors: number): Box[] {
  const boxes = [boxOf(bins)]
  while (boxes.length < colors) {
    let widest = 0
    boxes.forEach((b, i) => {
      if (b.spread > boxes[widest]!.spread) widest = i
    })
    const { bins: all, spread, along, mean } = boxes[widest]!
    if (spread <= 0) break
    const low = all.filter((b) => b.at[along]! <= mean[along]!)
    const high = all.filter((b) => b.at[along]! > mean[along]!)
    if (!low.length || !high.length) {
      boxes[widest] = { ...boxes[widest]!, spread: 0 }
      continue
    }
    boxes[widest] = boxOf(low)
    boxes.push(boxOf(high))
  }
  return boxes
}

/** Rounds of moving each colour to the mean of what is nearest to it. */
const ROUNDS = 4

/** Moves colours to the means of the pixels that are nearest to them (k-means). @param fixed so many of the first stay */
function settle(colors: Float64Array, bins: Bin[], fixed: number): void {
  const n = colors.length / AXES
  for (let round = 0; round < ROUNDS; round++) {
    const sums = new Float64Array(n * 4)
    const nearby = new Nearest(colors)
    for (const { at, n: weight } of bins) {
      const o = nearby.to(at[0], at[1], at[2]) * 4
      sums[o]! += at[0] * weight
      sums[o + 1]! += at[1] * weight
      sums[o + 2]! += at[2] * weight
      sums[o + 3]! += weight
    }
    for (let i = fixed; i < n; i++) {
      const weight = sums[i * 4 + 3]!
      if (weight) for (let c = 0; c < AXES; c++) colors[i * AXES + c] = sums[i * 4 + c]! / weight
    }
  }
}

/**
 * The colours that stand best for those of some frames. Where there are no more than may be, they are those of the frames exactly.
 * @param colors at most so many
 * @param pinned colours (0xRRGGBB) that have to be among them exactly, as the ground that the picture melts into
 */
export function paletteOf(frames: readonly Frame[], colors: number, pinned: readonly number[] = []): Palette {
  const { exact, bins } = count(frames, colors)
  const pins = [...new Set(pinned)].slice(0, colors)
  const all = exact && [...new Set([...pins, ...exact])]
  if (all && all.length <= colors) return new Palette(bytesOf(all))
  const boxes = part(bins, Math.max(1, colors - pins.length))
  const points = new Float64Array((pins.length + boxes.length) * AXES)
  pins.forEach((p, i) => seen(p >> 16, (p >> 8) & 255, p & 255, points, i * AXES))
  boxes.forEach(({ mean }, i) => points.set(mean, (pins.length + i) * AXES))
  settle(points, bins, pins.length)
  return new Palette(
    bytesOf(Array.from({ length: points.length / AXES }, (_, i) => pins[i] ?? colorAt(points, i * AXES))),
  )
}

const bytesOf = (colors: readonly number[]): Uint8Array =>
  Uint8Array.from((colors.length ? colors : [0]).flatMap((c) => [c >> 16, (c >> 8) & 255, c & 255]))
