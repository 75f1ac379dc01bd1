import type { Parts } from '@/core/compile'
import { saysNight as says, withRules } from '@/core/night/page'

/** Whether an email says how it looks in the dark. */
export const saysNight = ({ before, bands }: Parts): boolean =>
  [before, ...bands.map((b) => b.html)].some(says)

/** An email whose rules for the dark hold always, as where a reader is dark and honours them. */
export function nightOf({ before, bands, after }: Parts): Parts {
  const dark = (html: string) => withRules(html, { rules: 'media' })
  return { before: dark(before), bands: bands.map((b) => ({ ...b, html: dark(b.html) })), after }
}
