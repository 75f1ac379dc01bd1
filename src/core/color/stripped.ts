import { toRgb } from './hex'

/*
 * What a desktop program does in the dark, by its source (Thunderbird 153, message display) and as seen in pictures of it: it takes
 * away inks that are not light, and grounds that are, element by element, and leaves an ink alone that stands on one element with a
 * ground that carries it.
 */

/** How bright a colour counts there, 0 to 255: plain weights on the values as written. */
const weighed = (hex: string): number => {
  const [r, g, b] = toRgb(hex)
  return 0.2125 * r + 0.7154 * g + 0.0721 * b
}

/** Above this a ground is too light to stay, and an ink light enough. */
const LIGHT = 200

/** How far an ink has to stand off the ground on the same element for either to stay. */
const APART = 3.5

/** Whether an ink is left where no ground stands on the same element. */
export const staysAlone = (ink: string): boolean => weighed(ink) > LIGHT

/** Whether a ground is left. @param ink on the same element, if any */
export function groundStays(ground: string, ink?: string | null): boolean {
  const behind = weighed(ground)
  if (behind > LIGHT) return false
  if (!ink) return true
  const [a, b] = [weighed(ink), behind].sort((x, y) => y - x) as [number, number]
  return (a + 0.05) / (b + 0.05) >= APART
}

/** Whether an ink is left. @param ground on the same element, if any */
export const inkStays = (ink: string, ground?: string | null): boolean =>
  staysAlone(ink) || (!!ground && groundStays(ground, ink))
