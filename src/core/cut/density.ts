/**
 * What a design's width lets one guess: how wide the email is, px, and how many of the design's pixels make
 * one of its.
 */
export interface SizeGuess {
  emailWidth: number
  density: number
  narrow: boolean
}

/**
 * Guesses density and email width from a design's width. Designs come at the email's own width (usually 600
 * to 700 px), at double or three times that, or at 375 px and its multiples for a phone; about 1000 px is
 * common too and counts as an email of 600 (common practice, no source). The person corrects.
 * @param width design px
 */
export function guessSize(width: number): SizeGuess {
  // 640 and 720 px are emails rather than phones of 320 and 360 at double size.
  if (width >= 560 && width <= 720) return { emailWidth: Math.round(width), density: 1, narrow: false }
  for (const density of [1, 2, 3]) {
    const w = width / density
    if (Number.isInteger(w) && [320, 360, 375, 390, 393, 412, 414, 428, 430].includes(w))
      return { emailWidth: w, density, narrow: true }
  }
  for (const density of [1, 2, 3]) {
    const w = width / density
    if (w >= 560 && w <= 720) return { emailWidth: Math.round(w), density, narrow: false }
  }
  if (width > 720 && width <= 900) return { emailWidth: width, density: 1, narrow: false }
  return { emailWidth: 600, density: Math.round((width / 600) * 1000) / 1000, narrow: false }
}
