import type { Parts } from '@/core/compile'
import { byDay, saysNight as says, withRules } from '@/core/night/page'

/** Whether an email says how it looks in the dark. */
export const saysNight = ({ before, bands }: Parts): boolean =>
  [before, ...bands.map((b) => b.html)].some(says)

/** An email whose rules for the dark hold always, as where a reader is dark and honours them. */
export function nightOf({ before, bands, after }: Parts): Parts {
  const dark = (html: string) => withRules(html, { rules: 'media' })
  return { before: dark(before), bands: bands.map((b) => ({ ...b, html: dark(b.html) })), after }
}

const days = new WeakMap<Parts, Parts>()

/** An email by day, whatever the window that shows it prefers; lenses of the same email share it. */
export function dayOf(parts: Parts): Parts {
  let day = days.get(parts)
  if (!day) {
    const { before, bands, after } = parts
    day = { before: byDay(before), bands: bands.map((b) => ({ ...b, html: byDay(b.html) })), after }
    days.set(parts, day)
  }
  return day
}
