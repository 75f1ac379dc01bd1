import type { Parts } from '@/core/compile'

const DARK = /\(prefers-color-scheme:\s?dark\)/g

/** Whether an email says how it looks in the dark. */
export const saysNight = ({ before, bands }: Parts): boolean =>
  [before, ...bands.map((b) => b.html)].some((html) => html.search(DARK) >= 0)

/** An email whose rules for the dark hold always, as where a reader is dark and honours them. */
export function nightOf({ before, bands, after }: Parts): Parts {
  const dark = (html: string) => html.replace(DARK, 'all')
  return { before: dark(before), bands: bands.map((b) => ({ ...b, html: dark(b.html) })), after }
}
