import { difference, packed, type Raster } from './raster'

/** A row is no ground where this share of it is of another colour than the commonest, and by how much, channel difference. */
const MIXED = { share: 0.2, by: 24 }
/** What is above an edge goes on below it where no more than this share of the row changes by more than that. */
const CHANGED = { share: 0.06, by: 20 }
/** Rows compared, above and below the edge, px. */
const REACH = 2

/**
 * Whether what stands above a row goes on below it, as within a photograph: the row is no flat ground, and hardly anything changes there. No band ends in the midst of something.
 */
export function goesOn(raster: Raster, y: number): boolean {
  const { width, height } = raster
  if (y < REACH || y + REACH >= height) return false
  const px = packed(raster)
  const row = (at: number) => px.subarray(at * width, (at + 1) * width)
  const [above, below] = [row(y - REACH), row(y + REACH - 1)]
  let changed = 0
  for (let x = 0; x < width; x++) if (difference(above[x]!, below[x]!) > CHANGED.by) changed++
  if (changed > CHANGED.share * width) return false
  return isMixed(above) && isMixed(below)
}

function isMixed(row: Int32Array): boolean {
  const counts = new Map<number, number>()
  for (const p of row) {
    // The commonest colour, within a few levels of each channel.
    const key = p & 0x00f8f8f8
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  let [commonest, most] = [0, 0]
  for (const [key, n] of counts)
    if (n > most) {
      commonest = key | 0x00040404
      most = n
    }
  let other = 0
  for (const p of row) if (difference(p, commonest) > MIXED.by) other++
  return other > MIXED.share * row.length
}
