import type { Motion } from './schema'

/** A moment that is shown, and how long. */
export interface Moment {
  /** ms of what the picture is made of */
  t: number
  /** ms */
  delay: number
}

type Timing = Pick<Motion, 'rate' | 'speed' | 'reverse' | 'back' | 'rest' | 'trim' | 'first'>

/** Most frames of a sequence that is made here. */
export const MOST_MOMENTS = 400

/**
 * The moments of what a picture is made of, in the order in which they are shown.
 * @param length of one round, ms
 * @param cuts the only moments at which something changes, ms, where they are known, as of a strip; otherwise `rate` says how often one looks
 */
export function momentsOf(timing: Timing, length: number, cuts?: readonly number[]): Moment[] {
  const from = Math.min(timing.trim?.from ?? 0, length)
  const to = Math.max(from + 1, Math.min(timing.trim?.to ?? length, length))
  const even = () => {
    const n = Math.max(1, Math.min(MOST_MOMENTS, Math.round(((to - from) * timing.rate) / 1000)))
    return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / n)
  }
  const starts = cuts ? [from, ...cuts.filter((t) => t > from && t < to)] : even()
  let moments = starts.map((t, i): Moment => ({ t, delay: ((starts[i + 1] ?? to) - t) / timing.speed }))
  if (timing.reverse) moments = moments.toReversed()
  // There and back: the two ends are shown once.
  if (timing.back) moments = [...moments, ...moments.slice(1, -1).toReversed()]
  const first = Math.min(timing.first ?? 0, moments.length - 1)
  moments = [...moments.slice(first), ...moments.slice(0, first)]
  const last = moments.length - 1
  return moments.map((m, i) => (i === last ? { ...m, delay: m.delay + (timing.rest ?? 0) } : m))
}
