import type { Frame } from '../sequence'

/** Colours that are seen as clear: less than half of the ground is covered. */
export const CLEAR = 128

/** Pixels that are counted at most; of more, every n-th is. */
const MOST_COUNTED = 3_000_000

/** How far two colours are apart, as squares weighed by what the eye sees of each channel (2, 4, 3; common practice, no source). */
export const apart = (r: number, g: number, b: number, r2: number, g2: number, b2: number): number =>
  2 * (r - r2) ** 2 + 4 * (g - g2) ** 2 + 3 * (b - b2) ** 2

/** Colours by number, and the nearest of them to any colour. */
export class Palette {
  readonly size: number
  private readonly exact = new Map<number, number>()
  /** The nearest by the upper six bits of each channel; -1: not looked for yet. */
  private readonly known = new Int16Array(1 << 18).fill(-1)

  /** @param rgb 3 bytes a colour */
  constructor(readonly rgb: Uint8Array) {
    this.size = rgb.length / 3
    for (let i = this.size - 1; i >= 0; i--)
      this.exact.set((rgb[i * 3]! << 16) | (rgb[i * 3 + 1]! << 8) | rgb[i * 3 + 2]!, i)
  }

  /** The number of exactly this colour; -1 where it is none of them. */
  exactly(r: number, g: number, b: number): number {
    return this.exact.get((r << 16) | (g << 8) | b) ?? -1
  }

  /** The number of the nearest colour. */
  nearest(r: number, g: number, b: number): number {
    const key = ((r >> 2) << 12) | ((g >> 2) << 6) | (b >> 2)
    const known = this.known[key]!
    if (known >= 0) return known
    let best = 0
    let least = Infinity
    for (let i = 0, o = 0; i < this.size; i++, o += 3) {
      const d = apart(r, g, b, this.rgb[o]!, this.rgb[o + 1]!, this.rgb[o + 2]!)
      if (d < least) {
        least = d
        best = i
      }
    }
    this.known[key] = best
    return best
  }
}

/** Colours in one small cube of the colour space: their mean, and how many pixels have them. */
interface Bin {
  r: number
  g: number
  b: number
  n: number
}

/** Counts colours: the exact ones as long as they are few, and all of them by cubes of 8 x 8 x 8. */
function count(frames: readonly Frame[], few: number): { exact: number[] | null; bins: Bin[] } {
  const pixels = frames.reduce((sum, f) => sum + f.data.length / 4, 0)
  const step = Math.max(1, Math.ceil(pixels / MOST_COUNTED)) * 4
  const cubes = new Float64Array(32768 * 4)
  let exact: Set<number> | null = new Set()
  for (const { data } of frames) {
    let last = -1
    // Every pixel counts where the colours are few, so that none is missed.
    for (let i = 0; i < data.length; i += exact ? 4 : step) {
      if (data[i + 3]! < CLEAR) continue
      const r = data[i]!
      const g = data[i + 1]!
      const b = data[i + 2]!
      const rgb = (r << 16) | (g << 8) | b
      if (exact && rgb !== last) {
        exact.add(rgb)
        if (exact.size > few) exact = null
      }
      last = rgb
      const o = (((r >> 3) << 10) | ((g >> 3) << 5) | (b >> 3)) * 4
      cubes[o]! += r
      cubes[o + 1]! += g
      cubes[o + 2]! += b
      cubes[o + 3]! += 1
    }
  }
  const bins: Bin[] = []
  for (let o = 0; o < cubes.length; o += 4) {
    const n = cubes[o + 3]!
    if (n) bins.push({ r: cubes[o]! / n, g: cubes[o + 1]! / n, b: cubes[o + 2]! / n, n })
  }
  return { exact: exact && [...exact], bins }
}

/** A part of the bins with how much its colours differ. */
interface Box {
  bins: Bin[]
  spread: number
  /** Channel along which they differ most, and their mean in it. */
  along: 'r' | 'g' | 'b'
  at: number
}

const WEIGHTS = { r: 2, g: 4, b: 3 }

function boxOf(bins: Bin[]): Box {
  let n = 0
  const sum = { r: 0, g: 0, b: 0 }
  const squares = { r: 0, g: 0, b: 0 }
  for (const bin of bins) {
    n += bin.n
    for (const c of ['r', 'g', 'b'] as const) {
      sum[c] += bin.n * bin[c]
      squares[c] += bin.n * bin[c] ** 2
    }
  }
  let along: Box['along'] = 'g'
  let most = -1
  let spread = 0
  for (const c of ['r', 'g', 'b'] as const) {
    const s = WEIGHTS[c] * (squares[c] - sum[c] ** 2 / n)
    spread += s
    if (s > most) {
      most = s
      along = c
    }
  }
  return { bins, spread: bins.length > 1 ? spread : 0, along, at: sum[along] / n }
}

/** Parts the colours, the most spread part first, at the mean of the channel in which it is spread most (after X. Wu, "Color quantization by dynamic programming and principal analysis", 1992, with axes for the principal one). */
function part(bins: Bin[], colors: number): Box[] {
  const boxes = [boxOf(bins)]
  while (boxes.length < colors) {
    let widest = 0
    boxes.forEach((b, i) => {
      if (b.spread > boxes[widest]!.spread) widest = i
    })
    const { bins: all, spread, along, at } = boxes[widest]!
    if (spread <= 0) break
    const low = all.filter((b) => b[along] <= at)
    const high = all.filter((b) => b[along] > at)
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
const ROUNDS = 3

/** Moves colours to the means of the pixels that are nearest to them (k-means). @param fixed so many of the first stay */
function settle(colors: Float64Array, bins: Bin[], fixed: number): void {
  const n = colors.length / 3
  for (let round = 0; round < ROUNDS; round++) {
    const sums = new Float64Array(n * 4)
    for (const bin of bins) {
      let best = 0
      let least = Infinity
      for (let i = 0, o = 0; i < n; i++, o += 3) {
        const d = apart(bin.r, bin.g, bin.b, colors[o]!, colors[o + 1]!, colors[o + 2]!)
        if (d < least) {
          least = d
          best = i
        }
      }
      sums[best * 4]! += bin.r * bin.n
      sums[best * 4 + 1]! += bin.g * bin.n
      sums[best * 4 + 2]! += bin.b * bin.n
      sums[best * 4 + 3]! += bin.n
    }
    for (let i = fixed; i < n; i++) {
      const weight = sums[i * 4 + 3]!
      if (weight) for (let c = 0; c < 3; c++) colors[i * 3 + c] = sums[i * 4 + c]! / weight
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
  const means = boxes.map((box) => {
    const n = box.bins.reduce((sum, b) => sum + b.n, 0)
    const mean = (c: 'r' | 'g' | 'b') => box.bins.reduce((sum, b) => sum + b.n * b[c], 0) / n
    return [mean('r'), mean('g'), mean('b')]
  })
  const start = Float64Array.from([
    ...pins.flatMap((p) => [p >> 16, (p >> 8) & 255, p & 255]),
    ...means.flat(),
  ])
  settle(start, bins, pins.length)
  return new Palette(Uint8Array.from(start, (v) => Math.round(v)))
}

const bytesOf = (colors: readonly number[]): Uint8Array =>
  Uint8Array.from((colors.length ? colors : [0]).flatMap((c) => [c >> 16, (c >> 8) & 255, c & 255]))
