import { trim } from '../html/element'

/** Windows between which a measure grows without a media query, px: a phone, and the widest email. */
const PHONE = 375
const FULL = 600

/**
 * A length that is smaller on narrow without any style sheet (CSS Values 4, 10.2: `min()`): some readers drop the head of a message. It stands after
 * the plain value, which readers without the function keep.
 * @param wide px @param narrow px, less than on wide
 */
export function shrinking(wide: number, narrow: number): string {
  // Up: at full width nothing may be missing.
  const slope = Math.ceil(((wide - narrow) / (FULL - PHONE)) * 1e4) / 1e4
  const rest = narrow - slope * PHONE
  return `min(${trim(wide)}px,${trim(slope * 100)}vw ${rest < 0 ? '-' : '+'} ${trim(Math.abs(rest))}px)`
}

/** Letters too small for a phone (common practice, no source: 12 px). */
const LEAST = 12
/** The last window that is narrow, px. */
const NARROW = 480

/** A size of letters under the least for phones, which grows to it on narrow without any style sheet. @param size px */
export function growing(size: number): string {
  const slope = (LEAST - size) / (FULL - NARROW)
  return `clamp(${trim(size)}px,${trim(LEAST + slope * NARROW)}px - ${trim(slope * 100)}vw,${LEAST}px)`
}

/** Whether letters of a size want to grow. @param size px */
export const tooSmall = (size: number): boolean => size < LEAST
