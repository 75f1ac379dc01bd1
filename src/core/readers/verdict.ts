import type { Forecast } from './forecast'
import { profiles } from './profiles'
import type { Share } from './versions'

/** How an email is seen by a client's people. */
export interface Verdict {
  /** The part that sees it as it was made, 0 to 1. */
  asMade: number
  /** What the others see otherwise, with the part that does, the largest first. A person counts for each difference. */
  otherwise: { says: string; share: number }[]
  /** The part whose reader is known here; of the rest nothing is said. */
  known: number
}

/** @param shares of the client, by readers' names */
export function verdictOf(forecasts: ReadonlyMap<string, Forecast>, shares: readonly Share[]): Verdict {
  let [asMade, known] = [0, 0]
  const by = new Map<string, number>()
  for (const { reader, share } of shares) {
    const forecast = forecasts.get(profiles.find((p) => p.name === reader)?.id ?? '')
    if (!forecast) continue
    known += share
    if (!forecast.effects.length) asMade += share
    for (const { says } of forecast.effects) by.set(says, (by.get(says) ?? 0) + share)
  }
  const otherwise = [...by].map(([says, share]) => ({ says, share })).sort((a, b) => b.share - a.share)
  return { asMade, otherwise, known }
}
