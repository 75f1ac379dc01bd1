import type { Parts } from '@/core/compile'
import type { Looking } from '@/core/readers/forecast'

/**
 * What each band weighs of the email as it leaves: its share of the text that the lenses show, which is longer in each of its parts alike.
 * @param bytes of the HTML that leaves
 */
export function weightsOf({ before, bands, after }: Parts, bytes: number): NonNullable<Looking['weights']> {
  const shown = before.length + after.length + bands.reduce((sum, b) => sum + b.html.length, 0)
  const part = (html: string) => (html.length / shown) * bytes
  return { around: part(before) + part(after), bands: new Map(bands.map((b) => [b.id, part(b.html)])) }
}
