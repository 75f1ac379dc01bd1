import { placesOf } from '../email/walk'
import { endWords, instantOf } from '../motion/countdown/moment'
import type { Check, Found } from './check'

/** A countdown that ended before its email is opened shows nothing but its end. */
export const countdownPast: Check = {
  name: 'countdown-past',
  about: 'A countdown to a moment has some time left.',
  email: ({ email }) => past(email, Date.now()),
}

/** @param now ms since 1970 */
export function past(email: Parameters<NonNullable<Check['email']>>[0]['email'], now: number): Found[] {
  return [...placesOf(email)].flatMap(({ band, tile }): Found[] => {
    const made = tile.kind === 'picture' ? tile.motion?.made : undefined
    if (made?.kind !== 'countdown' || made.until.kind !== 'moment' || left(made.until, now) > 0) return []
    return [
      {
        severity: 'mend',
        stage: 'motion',
        where: { band: band.id, tile: tile.id },
        what: 'The countdown has ended already',
        why: `It counts to ${endWords(made, email.lang)}, which is past. In Motion another moment is set; whoever opens the email now sees its end.`,
      },
    ]
  })
}

/** ms; a moment that cannot be read is another finding. */
function left(until: { at: string; zone: string }, now: number): number {
  try {
    return instantOf(until) - now
  } catch {
    return Infinity
  }
}
