import { placesOf } from '../email/walk'
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
    if (made?.kind !== 'countdown' || made.until.kind !== 'moment' || now < instantIn(made.until)) return []
    const { at, zone } = made.until
    return [
      {
        severity: 'mend',
        stage: 'motion',
        where: { band: band.id, tile: tile.id },
        what: 'The countdown has ended already',
        why: `It counts to ${at.replace('T', ', ')} in ${zone}, which is past. In Motion another moment is set; whoever opens the email now sees its end.`,
      },
    ]
  })
}

/**
 * The instant of a wall time in a zone, ms; a time or a zone that there is not lies ahead, since it is another finding. By the browser's own zones: the
 * library that draws countdowns is too heavy for a page that only opens. (`countdown/moment` says what is exact where clocks are changed.)
 */
function instantIn({ at, zone }: { at: string; zone: string }): number {
  const wall = Date.parse(`${at}Z`)
  try {
    const offset = (instant: number) => wallIn(instant, zone) - instant
    const first = wall - offset(wall)
    const instant = wall - offset(first)
    return Number.isFinite(instant) ? instant : Infinity
  } catch {
    return Infinity
  }
}

/** What clocks in a zone show at an instant, as if it were UTC, ms. Throws a RangeError for a zone that there is not. */
function wallIn(instant: number, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    ...{
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    },
  } as Intl.DateTimeFormatOptions).formatToParts(instant)
  const of = (type: string) => Number(parts.find((p) => p.type === type)?.value)
  return Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second'))
}
