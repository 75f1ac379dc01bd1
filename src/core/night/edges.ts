import { contrast } from '../color/contrast'
import { colorDifference } from '../color/difference'
import { toHex } from '../color/hex'
import type { Rgba } from '../picture/ssim'

/** What was measured at the edges of a picture. */
export interface Edges {
  /** Whether anything of it is clear. */
  clear: boolean
  /** The colour of a light, opaque, even border all around; null: there is none. */
  box: string | null
  /** Colours of opaque pixels beside clear ones, with how many of them there are. */
  rim: { color: string; count: number }[]
}

const OPAQUE = 200
const CLEAR = 56

const colorAt = ({ data }: Rgba, p: number): string =>
  toHex([data[p * 4]!, data[p * 4 + 1]!, data[p * 4 + 2]!])

/** Measures the edges of a picture. */
export function edgesOf(picture: Rgba): Edges {
  const { width, height, data } = picture
  const alpha = (x: number, y: number) =>
    x < 0 || y < 0 || x >= width || y >= height ? 0 : data[(y * width + x) * 4 + 3]!
  const counts = new Map<number, number>()
  let clear = false
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const a = alpha(x, y)
      if (a < CLEAR) clear = true
      if (a < OPAQUE) continue
      const inside = x > 1 && y > 1 && x < width - 2 && y < height - 2
      if (!inside) continue
      // Two away: between lie the pixels that are half covered.
      const beside = [alpha(x - 2, y), alpha(x + 2, y), alpha(x, y - 2), alpha(x, y + 2)].some(
        (b) => b < CLEAR,
      )
      if (!beside) continue
      const i = (y * width + x) * 4
      const bin = ((data[i]! >> 4) << 8) | ((data[i + 1]! >> 4) << 4) | (data[i + 2]! >> 4)
      counts.set(bin, (counts.get(bin) ?? 0) + 1)
    }
  const rim = [...counts]
    .map(([bin, count]) => ({
      color: toHex([(bin >> 8) * 17, ((bin >> 4) & 15) * 17, (bin & 15) * 17]),
      count,
    }))
    .sort((a, b) => b.count - a.count)
  return { clear, box: boxOf(picture), rim }
}

/** How much of a picture's rim cannot be told from a ground (contrast under 1.5; common practice, no source), 0 to 1. */
export function vanishes({ rim }: Pick<Edges, 'rim'>, ground: string): number {
  const all = rim.reduce((sum, r) => sum + r.count, 0)
  const gone = rim.filter((r) => contrast(r.color, ground) < 1.5).reduce((sum, r) => sum + r.count, 0)
  return all ? gone / all : 0
}

/** How much of a rim may vanish before the mark does (common practice, no source). */
export const GONE = 0.25

/** Pixels of a border may differ this much (CIEDE2000) and still be one colour: what JPEG does to a flat one. */
const EVEN = 4

/** The even, opaque, light colour of a picture's border; null where it has none. */
function boxOf(picture: Rgba): string | null {
  const { width, height, data } = picture
  if (width < 8 || height < 8) return null
  const first = colorAt(picture, 0)
  const border = [
    ...Array.from({ length: width }, (_, x) => [x, (height - 1) * width + x]).flat(),
    ...Array.from({ length: height }, (_, y) => [y * width, y * width + width - 1]).flat(),
  ]
  const even = border.every(
    (p) => data[p * 4 + 3]! > OPAQUE && colorDifference(colorAt(picture, p), first) < EVEN,
  )
  return even && contrast(first, '#000000') > 14 ? first : null
}
