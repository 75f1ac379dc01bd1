import type { Sides } from '../email/styles'

/** Paddings around and inside one another, px. */
export const plus = (a: Sides, b: Sides): Sides => ({
  top: a.top + b.top,
  right: a.right + b.right,
  bottom: a.bottom + b.bottom,
  left: a.left + b.left,
})
/** Paddings within what the schema allows: whole px. */
export const clamp = (p: Sides): Sides => ({
  top: clampInt(p.top, 0, 400),
  right: clampInt(p.right, 0, 400),
  bottom: clampInt(p.bottom, 0, 400),
  left: clampInt(p.left, 0, 400),
})

/** A whole number between two. */
export const clampInt = (n: number, least: number, most: number) =>
  Math.max(least, Math.min(most, Math.round(n)))
/** A share such as `50%` of a room, px. */
export const percent = (value: string, room: number) => {
  const m = /^([\d.]+)%$/.exec(value.trim())
  return m ? (parseFloat(m[1]!) * room) / 100 : undefined
}
