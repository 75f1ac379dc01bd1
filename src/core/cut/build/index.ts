import { languageOf } from '../reading/languages'
import { newEmail } from '../../email/defaults'
import type { Email } from '../../email/schema'
import { carry, deletedCuts, harvest } from '../carry'
import type { CutPlan } from '../plan'
import { bandsOf } from './bands'
import { mirrored } from './mirrored'
import { Building, type BuildInput } from './building'

export type { BuildInput } from './building'
export { shapeText } from './headings'

export interface BuildResult {
  email: Email
  /** The plan with what was written in the email since the last build, and with this build remembered. */
  plan: CutPlan
  /** What the person should know, one sentence each. */
  notes: string[]
}

/**
 * Turns a cut plan into bands and tiles at their measured places. Built again, it keeps the words, alt texts
 * and links already written, wherever they were written last, and everything added by hand.
 */
export function buildEmail(input: BuildInput): BuildResult {
  const plan = input.previous ? harvest(input.plan, input.previous) : input.plan
  const language = plan.language && languageOf(plan.language.code)
  const base = input.previous ?? {
    ...newEmail(input.emailWidth),
    ...(language ? { lang: language.tag, dir: language.dir } : {}),
  }
  const seen = { ...input, plan }
  const building = new Building(base.dir === 'rtl' ? mirrored(seen) : seen)
  const bands = bandsOf(building)
  const taken = base.way !== 'bands' && plan.cuts.length > 0
  if (taken)
    building.notes.push(
      `The email is composed from bands again. ${base.way === 'hand' ? 'The HTML written by hand' : 'The plain text'} is kept: it can be taken up in Compose.`,
    )
  const email: Email = {
    ...base,
    ...(taken ? { way: 'bands' as const } : {}),
    subject: base.subject || (plan.says?.subject ?? ''),
    preheader: base.preheader || (plan.says?.preheader ?? ''),
    width: input.emailWidth,
    bands: input.previous ? carry(input.previous, bands, plan) : bands,
  }
  if (input.narrow) {
    const { bands: some, of } = input.narrow.found
    building.notes.push(
      `Phones follow the narrow design, in which ${some === of ? `all ${of}` : `${some} of ${of}`} bands were found. Bands that were built before keep what they have on phones.`,
    )
  }
  const left = input.previous ? deletedCuts(input.previous, plan).size : 0
  if (left)
    building.notes.push(
      `${left === 1 ? 'One cut stays' : `${left} cuts stay`} out of the email, since what was made of ${left === 1 ? 'it' : 'them'} was deleted there. Change a cut's kind or place to bring it back.`,
    )
  const built = Object.fromEntries(
    plan.cuts.map(({ id, x, y, w, h, kind, alt, link, words, narrow }) => [
      id,
      { x, y, w, h, kind, alt, link, words, ...(narrow ? { narrow } : {}) },
    ]),
  )
  return { email, plan: { ...plan, built, onNarrow: input.narrow?.stretches }, notes: building.notes }
}
