import { luminanceOf } from '../color/contrast'
import type { Rgba } from '../picture/ssim'
import { edgesOf, type Edges } from './edges'

/** What is remembered of a picture's pixels: its edges, and how much of it is how light. */
export interface PictureLook extends Edges {
  /** Shares of its opaque pixels, from black to white in even steps of contrast. */
  tones: number[]
}

/** Steps from black to white. */
const TONES = 24
/** Of a large picture no more pixels than about this many are looked at for its tones. */
const MOST_PIXELS = 40_000
const OPAQUE = 200
/** The commonest colours of a rim, which say whether it vanishes. */
const RIM = 64

/** Contrast of white with black (WCAG 2.2, "contrast ratio"): its logarithm is what the steps part evenly. */
const MOST = Math.log(21)

/** The relative luminance at the middle of a step. */
export const luminanceOfTone = (tone: number): number => 0.05 * Math.exp((MOST * (tone + 0.5)) / TONES) - 0.05

/** Measures a picture once for all that is asked of it later. */
export function lookOf(picture: Rgba): PictureLook {
  const { width, height, data } = picture
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / MOST_PIXELS)))
  const tones = new Array<number>(TONES).fill(0)
  let all = 0
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      const i = (y * width + x) * 4
      if (data[i + 3]! < OPAQUE) continue
      const light = luminanceOf(data[i]!, data[i + 1]!, data[i + 2]!)
      const at = Math.floor((TONES * Math.log((light + 0.05) / 0.05)) / MOST)
      tones[Math.min(TONES - 1, at)]!++
      all++
    }
  const { clear, box, rim } = edgesOf(picture)
  return {
    clear,
    box,
    rim: rim.slice(0, RIM),
    tones: tones.map((count) => (all ? Math.round((1e4 * count) / all) / 1e4 : 0)),
  }
}
