import { ssimTo } from '../picture/ssim'
import { scaled } from './scale'
import { lengthOf, type Frame, type Sequence } from './sequence'

/** How alike a moving picture and what it was made from are: SSIM over moments evenly spread, the mean and the worst. */
export interface Alike {
  mean: number
  worst: number
}

/** Moments that are compared at most. */
const COMPARED = 16

/** The frame that is shown at a moment. @param t ms */
function frameAt(frames: readonly Frame[], t: number): Frame {
  let end = 0
  return frames.find((f) => (end += f.delay) > t) ?? frames.at(-1)!
}

/** Holds moving pictures against one sequence, whatever their size and rate. */
export function alikeTo(source: Sequence): (made: Pick<Sequence, 'width' | 'height' | 'frames'>) => Alike {
  const { width, height } = source
  const length = lengthOf(source.frames)
  const n = Math.min(COMPARED, source.frames.length)
  // Middles of frames, so that the rounding of delays decides nothing.
  const chosen = Array.from({ length: n }, (_, i) => Math.floor(((i + 0.5) * source.frames.length) / n))
  const moments = chosen.map((k) => lengthOf(source.frames.slice(0, k)) + source.frames[k]!.delay / 2)
  const against = chosen.map((k) => ssimTo({ width, height, data: onWhite(source.frames[k]!.data) }))
  return (made) => {
    const stretch = lengthOf(made.frames) / length
    const all = against.map((like, i) => {
      const frame = frameAt(made.frames, moments[i]! * stretch)
      const data = scaled({ ...made, data: frame.data }, width, height).data
      return like({ width, height, data: onWhite(data) })
    })
    return { mean: all.reduce((a, b) => a + b, 0) / all.length, worst: Math.min(...all) }
  }
}

/** Clear pixels are compared as they are seen on white. */
function onWhite(data: Frame['data']): Frame['data'] {
  let own: Uint8Array | null = null
  for (let i = 3; i < data.length; i += 4) {
    const a = data[i]!
    if (a === 255) continue
    own ??= Uint8Array.from(data)
    for (let c = 1; c <= 3; c++) own[i - c] = (data[i - c]! * a + 255 * (255 - a)) / 255
    own[i] = 255
  }
  return own ?? data
}
