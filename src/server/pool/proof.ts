import { findingsOf, type Finding } from '@/core/checks'
import { toMend } from '@/core/checks/to-mend'
import { HTML_LIMIT } from '@/core/checks/weight'
import { compile, printOf } from '@/core/compile'
import type { CutPlan } from '@/core/cut/plan'
import { styleOf } from '@/core/email/cascade'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { looksIn } from '../pictures/looks'

/** What the checks find in an email, and how much of the HTML limit is used. */
export interface Proof {
  bytes: number
  limit: number
  findings: Finding[]
}

export async function proof(email: Email, house: HouseStyle): Promise<Proof> {
  const looks = await looksIn(email)
  const html = compile(email, house, {
    src: ({ id }) => `/api/pictures/${id}`,
    print: printOf(email),
  })
  const bytes = Buffer.byteLength(html)
  const style = styleOf(house, email.styles)
  return { bytes, limit: HTML_LIMIT, findings: findingsOf(email, style, html, bytes, (id) => looks.get(id)) }
}

/** What a job's documents come to: figures of the wall. */
export interface Figures {
  cutCount: number
  toMend: number
  toMind: number
}

/** The same as it is kept, or why the documents cannot be looked at. */
export interface KnownFigures extends Figures {
  /** Why its email or plan cannot be read or compiled; null where all is well. */
  trouble: string | null
}

/** @param email, plan null where there is none yet */
export async function figures(
  email: Email | null,
  plan: CutPlan | null,
  house: HouseStyle,
): Promise<Figures> {
  const findings = email ? (await proof(email, house)).findings : []
  const left = toMend(findings).length
  return {
    cutCount: plan?.cuts.length ?? 0,
    toMend: left,
    toMind: findings.filter((f) => !f.muted).length - left,
  }
}
