import type { Sequence } from './sequence'

/** The part of a sequence that changes, if it is small enough that the rest is better a still: px of the file. @param most part of the picture, 0 to 1 */
export function movingPart(
  { width, height, frames }: Sequence,
  most = 0.6,
): { x: number; y: number; w: number; h: number } | null {
  const [base, ...others] = frames
  if (!base || !others.length) return null
  let [left, right, top, bottom] = [width, -1, height, -1]
  for (const { data } of others)
    for (let p = 0, i = 0; i < data.length; p++, i += 4) {
      if (data[i] === base.data[i] && data[i + 1] === base.data[i + 1] && data[i + 2] === base.data[i + 2])
        continue
      const [x, y] = [p % width, Math.floor(p / width)]
      left = Math.min(left, x)
      right = Math.max(right, x)
      top = Math.min(top, y)
      bottom = Math.max(bottom, y)
    }
  if (right < 0) return null
  const part = { x: left, y: top, w: right - left + 1, h: bottom - top + 1 }
  return (part.w * part.h) / (width * height) <= most ? part : null
}

/** A stripe of a sequence in which all that changes lies. */
export interface Stripe {
  /** Where it lies, px as shown: stripes begin and end at whole ones. */
  top: number
  bottom: number
  /** The part of the picture that never changes, 0 to 1. */
  still: number
  sequence: Sequence
}

/**
 * The stripe that moves, if most pixels never change and the rest can stand above and below it as stills: stripes alone keep together at any width, since each grows
 * by the same factor.
 * @param shown height of the whole, px as shown
 */
export function movingStripe(whole: Sequence, shown: number): Stripe | null {
  const part = movingPart(whole)
  if (!part) return null
  const { width, height, frames } = whole
  const scale = height / shown
  const top = Math.floor(part.y / scale)
  const bottom = Math.min(shown, Math.ceil((part.y + part.h) / scale))
  if (top === 0 && bottom === shown) return null
  const [from, to] = [Math.round(top * scale), Math.round(bottom * scale)]
  const rows = frames.map((f) => ({ ...f, data: f.data.subarray(from * width * 4, to * width * 4) }))
  const still = 1 - (part.w * part.h) / (width * height)
  return { top, bottom, still, sequence: { ...whole, height: to - from, frames: rows } }
}
