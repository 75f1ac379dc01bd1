import { byHand } from './by-hand'
import { altMissing } from './alt-missing'
import type { Check, CheckContext, Finding } from './check'
import { contrastLow } from './contrast-low'
import { codeChanged } from './code-changed'
import { empty } from './empty'
import { fieldValue } from './field-value'
import { headingOrder } from './heading-order'
import { linkMissing } from './link-missing'
import { linkScheme } from './link-scheme'
import { preheaderMissing } from './preheader-missing'
import { subject } from './subject'
import { unsubscribeMissing } from './unsubscribe-missing'
import { weight } from './weight'
import { wordBroken } from './word-broken'
import { wordsSmall } from './words-small'

export type { Check, Finding, Where, Stage } from './check'

/** Every check, one line for each file beside this one. */
export const checks: readonly Check[] = [
  subject,
  preheaderMissing,
  unsubscribeMissing,
  weight,
  empty,
  altMissing,
  linkMissing,
  linkScheme,
  contrastLow,
  wordsSmall,
  headingOrder,
  fieldValue,
  codeChanged,
  wordBroken,
  byHand,
]

/** Runs every check. What has to be mended comes first, then in the email's own order. */
export function findingsOf(c: CheckContext): Finding[] {
  const order = new Map(c.email.bands.map((b, i) => [b.id, i]))
  const rank = (f: Finding) =>
    (f.weight === 'mend' ? 0 : 1e6) + (f.where.band ? 1 + (order.get(f.where.band) ?? 0) : 0)
  // An email written by hand or as plain text keeps its bands, but they are not what is sent.
  const seen = c.email.way === 'bands' ? c : { ...c, email: { ...c.email, bands: [] } }
  return checks
    .flatMap((check) =>
      check.run(seen).map((f, i): Finding => ({
        ...f,
        check: check.name,
        id: [check.name, f.where.tile ?? f.where.band ?? f.where.value ?? 'email', i].join(':'),
      })),
    )
    .sort((a, b) => rank(a) - rank(b))
}
