import type { Pen, Slot } from '../pen'

/** A way to make a moving picture that stays editable: how long it is, and what it shows at any moment. */
export interface Recipe<M> {
  /** What it is called. */
  label: string
  /** Of one round, ms. */
  length: (made: M) => number
  /** What is shown at a moment. @param t ms from its beginning */
  draw: (pen: Pen, made: M, t: number, slot: Slot) => void
  /** Pictures that it draws. */
  pictures: (made: M) => string[]
  /** Why it may not be shown so, in words; null: nothing. */
  refused?: (made: M) => string | null
}

/** Checks a recipe while keeping the type of what it is made of. */
export const recipe = <M>(r: Recipe<M>): Recipe<M> => r

/** Fills the slot with a colour; `clear` leaves it clear. */
export function fillGround(pen: Pen, ground: string, { width, height }: Slot): void {
  pen.globalAlpha = 1
  if (ground === 'clear') pen.clearRect(0, 0, width, height)
  else {
    pen.fillStyle = ground
    pen.fillRect(0, 0, width, height)
  }
}

/** Slow, fast, slow: 0 to 1 for 0 to 1. */
export const eased = (t: number): number => {
  const at = Math.max(0, Math.min(1, t))
  return at * at * (3 - 2 * at)
}

/** Draws with part of the strength. @param strength 0 to 1 */
export function faintly(pen: Pen, strength: number, draw: () => void): void {
  if (strength <= 0) return
  pen.save()
  pen.globalAlpha = Math.min(1, strength)
  draw()
  pen.restore()
}
