import { packHex, type Raster } from '../raster'
import { withoutStrikes } from './strikes'

/** Red, green and blue in parts of a channel. Luma: ITU-R BT.601. */
const CHANNELS: readonly (readonly [number, number, number])[] = [
  [0.299, 0.587, 0.114],
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]
/** Of what stands off the ground, what is at least this share of the furthest away tells where letters lie. */
const FAR = 0.6

/**
 * Letters dark on white, whatever their colours: seen through the channel, or along the way from the ground to the ink, that parts them
 * best (the greatest separability: Otsu, A threshold selection method from gray-level histograms, 1979). Where JPEG has blurred the
 * colours, or ink is as light as its ground, that is another than lightness.
 * @param ground the colour that letters stand on
 * @returns a level for each pixel, 0 ink to 255 ground
 */
export function lettersParted({ data }: Raster, ground: string): Uint8ClampedArray {
  const g = packHex(ground)
  const from = [g & 255, (g >>> 8) & 255, (g >>> 16) & 255] as const
  const ways = [...CHANNELS, wayToInk(data, from)]
  const seen = ways.map((way) => through(data, from, way))
  const best = seen.reduce((a, b) => (b.parted > a.parted ? b : a))
  const [white, black] = [best.ground, best.ink]
  const span = black - white || 1
  return Uint8ClampedArray.from(best.levels, (v) => 255 * (1 - (v - white) / span))
}

/** Ways to see a whole design before it is read: as it is, turned over, through one channel, and through another turned over. Each finds words that the others miss. */
export const readingWays = ['plain', 'over', 'red', 'blue over'] as const
export type ReadingWay = (typeof readingWays)[number]

/** Makes a picture grey as a way sees it, in place. @param data RGBA */
export function seenBy(data: Uint8ClampedArray | Uint8Array, way: ReadingWay): void {
  const [r, g, b] = CHANNELS[way === 'red' ? 1 : way === 'blue over' ? 3 : 0]!
  const over = way === 'over' || way === 'blue over'
  for (let i = 0; i < data.length; i += 4) {
    const level = r * data[i]! + g * data[i + 1]! + b * data[i + 2]!
    data.fill(over ? 255 - level : level, i, i + 3)
  }
}

/** How a single place may be seen as well: as dark letters on white, and these without the lines that are drawn through them. */
export type PlaceWay = 'parted' | 'unstruck'

/** Draws a picture as it is to be read, in place. @param ground the colour that letters stand on */
export function drawnFor(picture: Raster, way: ReadingWay | PlaceWay, ground: string): void {
  if (way !== 'parted' && way !== 'unstruck') return seenBy(picture.data, way)
  lettersParted(picture, ground).forEach((level, i) => picture.data.fill(level, 4 * i, 4 * i + 3))
  if (way === 'unstruck') withoutStrikes(picture, '#ffffff')
}

/** The direction of colour in which ink stands off its ground. */
function wayToInk(data: Raster['data'], from: readonly [number, number, number]): [number, number, number] {
  const off = (i: number) => [data[i]! - from[0], data[i + 1]! - from[1], data[i + 2]! - from[2]] as const
  let most = 1
  for (let i = 0; i < data.length; i += 4) most = Math.max(most, Math.hypot(...off(i)))
  const sum: [number, number, number] = [0, 0, 0]
  for (let i = 0; i < data.length; i += 4) {
    const d = off(i)
    if (Math.hypot(...d) < FAR * most) continue
    for (const k of [0, 1, 2] as const) sum[k] += d[k]
  }
  const length = Math.hypot(...sum) || 1
  return [sum[0] / length, sum[1] / length, sum[2] / length]
}

interface Seen {
  /** Of each pixel, how far it stands off the ground. */
  levels: Float32Array
  /** Mean of the ground and of the ink. */
  ground: number
  ink: number
  /** How well both are parted: variance between them, of all variance; 0 to 1. */
  parted: number
}

/** A picture through one channel. */
function through(
  data: Raster['data'],
  from: readonly [number, number, number],
  [r, g, b]: readonly [number, number, number],
): Seen {
  const levels = new Float32Array(data.length / 4)
  const counts = new Float64Array(512)
  for (let i = 0; i < levels.length; i++) {
    const d =
      r * (data[4 * i]! - from[0]) + g * (data[4 * i + 1]! - from[1]) + b * (data[4 * i + 2]! - from[2])
    levels[i] = Math.abs(d)
    counts[Math.min(511, Math.round(levels[i]!))]!++
  }
  return { levels, ...otsu(counts) }
}

/** The threshold that parts a histogram best, as the means on both sides of it, and how well it does. */
function otsu(counts: Float64Array): Omit<Seen, 'levels'> {
  let all = 0,
    sum = 0,
    squares = 0
  counts.forEach((n, v) => {
    all += n
    sum += n * v
    squares += n * v * v
  })
  const mean = sum / all
  const variance = squares / all - mean * mean || 1
  let best = { ground: 0, ink: 1, parted: 0 }
  let below = 0,
    belowSum = 0
  for (let v = 0; v < counts.length - 1; v++) {
    below += counts[v]!
    belowSum += counts[v]! * v
    if (!below || below === all) continue
    const [ground, ink] = [belowSum / below, (sum - belowSum) / (all - below)]
    const share = below / all
    const parted = (share * (1 - share) * (ink - ground) ** 2) / variance
    if (parted > best.parted) best = { ground, ink, parted }
  }
  return best
}
