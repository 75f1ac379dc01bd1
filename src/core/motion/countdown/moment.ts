import { DateTime } from 'luxon'
import type { Countdown, CountdownUnit } from './schema'

/**
 * The instant of a wall time in a time zone, ms since 1970. A time that does not exist there, because clocks are put forward over it, is taken as far after the change as it
 * would have been; one that comes twice is the first. Throws a RangeError for a zone or a time that there is not.
 */
export function instantOf({ at, zone }: { at: string; zone: string }): number {
  const time = DateTime.fromISO(at, { zone })
  if (!time.isValid)
    throw new RangeError(
      time.invalidReason === 'unsupported zone'
        ? `There is no time zone "${zone}". Zones are named as "Europe/Vienna" (IANA).`
        : `"${at}" is no time. It is written 2026-12-24T18:00.`,
    )
  return Math.min(...time.getPossibleOffsets().map((t) => t.toMillis()))
}

const SECONDS: Record<CountdownUnit, number> = { days: 86_400, hours: 3600, minutes: 60, seconds: 1 }

/**
 * What is left, in the units that are shown: what the larger ones do not hold the smaller ones do. Of what is smaller than the smallest, nothing is
 * shown. @param left s
 */
export function leftIn(units: readonly CountdownUnit[], left: number): number[] {
  let rest = Math.max(0, Math.floor(left))
  return units.map((unit) => {
    const n = Math.floor(rest / SECONDS[unit])
    rest -= n * SECONDS[unit]
    return n
  })
}

/** What a countdown says as words: when it ends. @param lang BCP 47 */
export function endWords({ until }: Pick<Countdown, 'until'>, lang: string): string {
  if (until.kind === 'span') return ''
  const time = DateTime.fromMillis(instantOf(until), { zone: until.zone })
  return `${time.setLocale(!lang || lang === 'en' ? 'en-GB' : lang).toLocaleString({ ...DateTime.DATETIME_FULL, timeZoneName: 'short' })}`
}
