import { instantOf } from './moment'
import type { CountdownQuery } from './query'

/** A field that the sending platform did not fill in is no key. */
const UNFILLED = /^\s*$|[[\]{}]|^\*\|/

/**
 * Until a countdown's end, ms; 0 once it is over. One that runs for a span begins when it is first opened by whoever the key tells; without a key nobody is told
 * apart, and all of the span is left. Throws a RangeError for a time or a zone that there is not.
 * @param now ms since 1970
 * @param firstOpened when the recipient of this key opened it first, ms since 1970
 */
export function leftOf(
  { to, in: zone, span, key }: Pick<CountdownQuery, 'to' | 'in' | 'span' | 'key'>,
  now: number,
  firstOpened: (key: string) => number,
): number {
  if (span) {
    const from = key && !UNFILLED.test(key) ? firstOpened(key) : now
    return Math.max(0, from + span * 1000 - now)
  }
  if (!to || !zone) throw new RangeError('Say when it ends: "to" and "in", or "span".')
  return Math.max(0, instantOf({ at: to, zone }) - now)
}
