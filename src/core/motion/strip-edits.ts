import type { Strip, StripFrame } from './made'

/** Changes of a strip, as pure functions; frames are named by their places, counted from 0. A strip always keeps a frame. */

/** How long a frame of a picture that says nothing is shown, ms (common practice, no source). */
export const UNSAID = 100

const chosen = (strip: Strip, at: readonly number[]): StripFrame[] =>
  strip.frames.filter((_, i) => at.includes(i))

/** Puts a copy behind each of some frames. */
export const duplicateFrames = (strip: Strip, at: readonly number[]): Strip => ({
  ...strip,
  frames: strip.frames.flatMap((f, i) => (at.includes(i) ? [f, f] : [f])),
})

/** Takes some frames out; one stays, whatever is chosen. */
export function removeFrames(strip: Strip, at: readonly number[]): Strip {
  const left = strip.frames.filter((_, i) => !at.includes(i))
  return { ...strip, frames: left.length ? left : strip.frames.slice(0, 1) }
}

/** Brings some frames before the one at a place. @param to counted before they are taken out */
export function moveFrames(strip: Strip, at: readonly number[], to: number): Strip {
  const before = strip.frames.filter((_, i) => i < to && !at.includes(i))
  const after = strip.frames.filter((_, i) => i >= to && !at.includes(i))
  return { ...strip, frames: [...before, ...chosen(strip, at), ...after] }
}

/** Turns some frames around; without any, all. */
export function reverseFrames(strip: Strip, at: readonly number[]): Strip {
  if (at.length < 2) return { ...strip, frames: strip.frames.toReversed() }
  const turned = chosen(strip, at).toReversed()
  let n = 0
  return { ...strip, frames: strip.frames.map((f, i) => (at.includes(i) ? turned[n++]! : f)) }
}

/** Sets how long some frames are shown, ms. */
export const setDelays = (strip: Strip, at: readonly number[], delay: number): Strip => ({
  ...strip,
  frames: strip.frames.map((f, i) => (at.includes(i) ? { ...f, delay: Math.max(0, Math.round(delay)) } : f)),
})

/** Which frame of a strip is shown at a moment of it, ms: whatever way it runs, and where neighbours that look alike are shown as one. */
export function frameOf({ frames }: Strip, t: number): number {
  let end = 0
  const at = frames.findIndex((f) => (end += f.delay) > t + 1e-6)
  return at < 0 ? frames.length - 1 : at
}
