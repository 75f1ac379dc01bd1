import { luminanceOf } from '../color/contrast'
import { lengthOf, type Sequence } from './sequence'

/** A change of this much of the greatest luminance counts, where the darker of both is under the other (WCAG 2.2, "general flash"). */
const CHANGE = 0.1
const DARK = 0.8

/** A quarter of ten degrees of vision on a usual screen, px (WCAG 2.2, note to "general flash and red flash thresholds": 341 x 256 px). */
const AREA = (341 * 256) / 4

/** Rounds that are looked at; the shortest have two frames of 20 ms. */
const MOST_ROUNDS = 26

/** Most flashes that any second may have (WCAG 2.2, 2.3.1). */
export const MOST_FLASHES = 3

/**
 * The most flashes that any second of a moving picture has (WCAG 2.2, 2.3.1): pairs of opposing changes of luminance in an area as large as harms. Frames may be
 * smaller than they are shown.
 * @param scale how many px a pixel of the frames stands for on each side, as shown
 */
export function flashesIn({ width, height, frames, loop }: Sequence, scale: number): number {
  // What is shown again and again flashes as often in the second that lies over its end.
  const rounds = loop === 1 ? 1 : Math.min(MOST_ROUNDS, Math.ceil(1000 / Math.max(1, lengthOf(frames))) + 1)
  const turns = turnsOf(frames, width * height, AREA / scale ** 2, rounds)
  let most = 0
  for (let from = 0, to = 0; to < turns.length; to++) {
    while (turns[to]!.t - turns[from]!.t >= 1000) from++
    let alternating = 1
    for (let i = from + 1; i <= to; i++) if (turns[i]!.way !== turns[i - 1]!.way) alternating++
    most = Math.max(most, Math.floor(alternating / 2))
  }
  return most
}

interface Turn {
  /** ms */
  t: number
  way: 1 | -1
}

/** When enough of the picture became lighter, or darker, since it last turned. @param rounds how often it is looked at, one after the other */
function turnsOf(frames: Sequence['frames'], pixels: number, enough: number, rounds: number): Turn[] {
  const turns: Turn[] = []
  // What each pixel was when it last turned.
  const since = new Float32Array(pixels)
  let t = 0
  for (let round = 0; round < rounds; round++)
    for (const [i, { data, delay }] of frames.entries()) {
      let lighter = 0
      let darker = 0
      for (let p = 0; p < pixels; p++) {
        const now = luminanceOf(data[p * 4]!, data[p * 4 + 1]!, data[p * 4 + 2]!)
        const off = now - since[p]!
        const first = !round && !i
        if (first || (Math.abs(off) >= CHANGE && Math.min(now, since[p]!) < DARK)) {
          if (!first) {
            if (off > 0) lighter++
            else darker++
          }
          since[p] = now
        }
      }
      if (lighter >= enough) turns.push({ t, way: 1 })
      if (darker >= enough) turns.push({ t, way: -1 })
      t += delay
    }
  return turns
}
