import type { Frame } from '../sequence'
import { AXES, between, colorAt, LIGHTNESS, seen } from './eye'
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

  /** How far a colour and the next to it are apart, in steps of grey: the median. */
  get spacing(): number {
    const { seen } = this
    const far = this.neighbours.map(([n, next = n]) =>
      Math.sqrt(between(seen, n! * AXES, seen, next! * AXES)),
    )
    return (far.sort((a, b) => a - b)[far.length >> 1] ?? 0) / LIGHTNESS
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
  const size = points.length / AXES
  const far = new Float64Array(NEIGHBOURS)
  return Array.from({ length: size }, (_, a) => {
    const near = new Uint8Array(Math.min(NEIGHBOURS, size))
    let kept = 0
    for (let b = 0; b < size; b++) {
      const d = a === b ? -1 : between(points, a * AXES, points, b * AXES)
      if (kept === near.length && d >= far[kept - 1]!) continue
      let i = kept < near.length ? kept++ : kept - 1
      for (; i && far[i - 1]! > d; i--) {
        far[i] = far[i - 1]!
        near[i] = near[i - 1]!
      }
      far[i] = d
      near[i] = b
    }
    return near
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

/** Pixels as numbers of 32 bits, 0xAABBGGRR: so that many of one colour are passed over at once. */
export const wordsOf = ({ data }: Pick<Frame, 'data'>): Uint32Array =>
  data.byteOffset % 4
    ? new Uint32Array(Uint8Array.from(data).buffer)
    : new Uint32Array(data.buffer, data.byteOffset, data.length / 4)

/** The colours (0xRRGGBB) of some frames, as long as they are few; null where they are more. */
function exactly(frames: readonly Frame[], few: number): Set<number> | null {
  const exact = new Set<number>()
  for (const frame of frames) {
    let last = 0
    const words = wordsOf(frame)
    for (let p = 0; p < words.length; p++) {
      const word = words[p]!
      if (word === last) continue
      last = word
      if (word >>> 24 >= CLEAR && exact.add(colorOf(word)).size > few) return null
    }
  }
  return exact
}
const colorOf = (word: number): number => ((word & 255) << 16) | (word & 0xff00) | ((word >> 16) & 255)

/** Counts colours by small parts of the colour space. */
function binsOf(frames: readonly Frame[]): Bin[] {
  const pixels = frames.reduce((sum, f) => sum + f.data.length / 4, 0)
  const step = Math.max(1, Math.ceil(pixels / MOST_COUNTED))
  // The number of each part's bin, from 1 on, and the sums of its point and its pixels.
  const numbers = new Int32Array(PARTS)
  const sums: number[] = []
  const point = new Float64Array(AXES)
  const add = (word: number, times: number) => {
    if (word >>> 24 < CLEAR) return
    seen(word & 255, (word >> 8) & 255, (word >> 16) & 255, point, 0)
    const part = partAt(point)
    if (!numbers[part]) numbers[part] = sums.push(0, 0, 0, 0) / 4
    const o = (numbers[part]! - 1) * 4
    sums[o]! += point[0]! * times
    sums[o + 1]! += point[1]! * times
    sums[o + 2]! += point[2]! * times
    sums[o + 3]! += times
  }
  for (const frame of frames) {
    const words = wordsOf(frame)
    let last = 0
    let times = 0
    for (let p = 0; p < words.length; p += step) {
      const word = words[p]!
      if (word !== last) {
        add(last, times)
        last = word
        times = 0
      }
      times++
    }
    add(last, times)
  }
  return Array.from({ length: sums.length / 4 }, (_, i) => {
    const [y, u, v, n] = sums.slice(i * 4, i * 4 + 4) as [number, number, number, number]
    return { at: [y / n, u / n, v / n], n }
  })
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
  const exact = exactly(frames, colors)
  const pins = [...new Set(pinned)].slice(0, colors)
  const all = exact && [...new Set([...pins, ...exact])]
  if (all && all.length <= colors) return new Palette(bytesOf(all))
  const bins = binsOf(frames)
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
