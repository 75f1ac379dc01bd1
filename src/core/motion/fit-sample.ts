import { brought, type Point, type Squeeze } from './brought'
import { writeGif, type GifSettings } from './gif/write'
import { alikeTo } from './likeness'
import { joinSame, type Frame, type Sequence } from './sequence'

/** A sample is taken from as many frames on, and from as many pixels of all of them. */
export const FROM = { frames: 12, pixels: 600_000 }
/** It holds runs of so many frames: halves and thirds of the rate fall on whole ones. */
const RUN = 6
/** Its rows come in bands of so many, of which it holds one in so many. */
const ROWS = 24
const ONE_IN = 3
/** Two pixels are others from this difference on in any channel: of less, little is written. */
const OTHER = 8

/** A sequence in small, and what is reckoned of the whole from it. */
export interface Sampled {
  /** What the whole would come to. */
  look: (squeeze: Squeeze) => Point
  /** How alike a size and rate are without any loss. */
  unlost: (grade: Pick<Squeeze, 'size' | 'rate'>) => number
}

/**
 * A sample of a sequence: two runs of neighbouring frames, since a frame costs what it differs from the one before, and of them some bands of rows. Both are chosen by how much
 * changes there: most, and as usual. What the first frame costs is as its area, what the others cost as the pixels that change. Null for a sequence so small that it is written as quickly.
 */
export function sampled(source: Sequence, pinned: GifSettings['pinned'], from = FROM): Sampled | null {
  const { width, height, frames } = source
  if (frames.length < from.frames || frames.length * width * height < from.pixels) return null
  const changes = changesOf(source)
  const bands = oneIn(ONE_IN, inAll(changes))
  const starts = [...runsOf(changes, frames.length)].sort((a, b) => a - b)
  const rows = bands
    .flatMap((b) => Array.from({ length: ROWS }, (_, i) => b * ROWS + i))
    .filter((y) => y < height)
  const small: Sequence = {
    ...source,
    height: rows.length,
    frames: starts.flatMap((at) => frames.slice(at, at + RUN).map((f) => onlyRows(f, width, rows))),
  }
  const alike = alikeTo(small)
  const all = total(changes.flat())
  const here = total(
    starts.flatMap((at) => changes.slice(at + 1, at + RUN).flatMap((c) => bands.map((b) => c[b]!))),
  )
  return {
    unlost: (grade) => alike(brought(small, grade)).mean,
    look: (squeeze) => {
      const made = brought(small, squeeze)
      const { bytes, sizes, shown } = writeGif(made, { ...squeeze, pinned })
      const head = bytes.length - total(sizes)
      const first = (sizes[0]! * height) / rows.length
      const others = total(followers(made, sizes, starts.length)) * (here ? all / here : 0)
      return { squeeze, bytes: Math.round(head + first + others), ...alike({ ...made, frames: shown }) }
    },
  }
}

const total = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0)

/** Pixels that differ from the frame before, by frame and band of rows. */
function changesOf({ width, height, frames }: Sequence): number[][] {
  const bands = Math.ceil(height / ROWS)
  return frames.map(({ data }, i) => {
    const out = Array<number>(bands).fill(0)
    const before = frames[i - 1]?.data
    if (!before) return out
    for (let y = 0, at = 0; y < height; y++) {
      let changed = 0
      for (let x = 0; x < width; x++, at += 4)
        if (
          Math.abs(data[at]! - before[at]!) > OTHER ||
          Math.abs(data[at + 1]! - before[at + 1]!) > OTHER ||
          Math.abs(data[at + 2]! - before[at + 2]!) > OTHER ||
          data[at + 3] !== before[at + 3]
        )
          changed++
      out[Math.floor(y / ROWS)]! += changed
    }
    return out
  })
}

/** For each band what changes in all frames. */
const inAll = (changes: readonly number[][]): number[] => changes.reduce((a, b) => a.map((v, i) => v + b[i]!))

/** The places of one in so many, from the most on, in their order. */
function oneIn(n: number, of: readonly number[]): number[] {
  const ranked = of.map((_, i) => i).sort((a, b) => of[b]! - of[a]! || a - b)
  return ranked.filter((_, i) => i % n === 0).sort((a, b) => a - b)
}

/** Where the two runs begin: the one in which most changes, and the one in the middle of all. */
function runsOf(changes: readonly number[][], frames: number): Set<number> {
  const starts = Array.from({ length: Math.floor(frames / RUN) }, (_, i) => i * RUN)
  const change = starts.map((from) => total(changes.slice(from + 1, from + RUN).flat()))
  const ranked = starts.map((_, i) => i).sort((a, b) => change[b]! - change[a]! || a - b)
  return new Set([ranked[0]!, ranked[ranked.length >> 1]!].map((i) => starts[i]!))
}

function onlyRows(frame: Frame, width: number, rows: readonly number[]): Frame {
  const data = new Uint8Array(rows.length * width * 4)
  rows.forEach((y, i) => data.set(frame.data.subarray(y * width * 4, (y + 1) * width * 4), i * width * 4))
  return { ...frame, data }
}

/** Bytes of the frames that follow another of their own run. A frame that shows what the one before shows is a part of it, and costs nothing. */
function followers(made: Sequence, sizes: readonly number[], runs: number): number[] {
  const perRun = made.frames.length / runs
  const joined = joinSame(made).frames
  const out: number[] = []
  let [at, begins, now] = [0, 0, 0]
  made.frames.forEach((frame, i) => {
    const own = Math.abs(begins - now) < 1e-6 && at < sizes.length
    if (i % perRun) out.push(own ? sizes[at]! : 0)
    if (own) begins += joined[at++]!.delay
    now += frame.delay
  })
  return out
}
