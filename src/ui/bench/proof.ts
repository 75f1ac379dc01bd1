import { findingsByBand, findingsOf, type Finding } from '@/core/checks'
import { bandByBand, compile, printOf } from '@/core/compile'
import { styleOf } from '@/core/email/cascade'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { looks } from './looks'
import { src } from './src'

export { askForLooks } from './looks'

const encoder = new TextEncoder()

/** What the checks find in an email as it will be handed over. */
export function proof(email: Email, house: HouseStyle): { findings: Finding[]; bytes: number } {
  const html = compile(email, house, { src, print: printOf(email) })
  const bytes = encoder.encode(html).length
  return { findings: findingsOf(email, styleOf(house, email.styles), html, bytes, looks), bytes }
}

/** The longest part of that a band at a time; what it gives is remembered with each band. */
export function* proofByBand(email: Email, house: HouseStyle): Generator<void> {
  yield* bandByBand(email, house, { src, print: printOf(email) })
  yield* findingsByBand(email, styleOf(house, email.styles))
}
