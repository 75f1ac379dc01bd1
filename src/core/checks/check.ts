import type { Edit } from '../email/edits'
import type { Email } from '../email/schema'
import type { Style } from '../email/cascade'

/** The stages a finding can be mended in. */
export type Stage = 'cut' | 'compose' | 'proof' | 'handover'

/** Where a finding is: a band, a tile in it, or one of the email's own values. */
export interface Where {
  band?: string
  tile?: string
  value?: 'subject' | 'preheader'
}

/** What a check found. */
export interface Finding {
  /** Stable for the same matter in the same place. */
  id: string
  check: string
  /** `mend`: the email should not leave so. `mind`: worth a thought. */
  weight: 'mend' | 'mind'
  stage: Stage
  /** What, one short sentence. */
  what: string
  /** Why it matters, and what to do. */
  why: string
  where: Where
  /** A change that mends it in one press. */
  fix?: { label: string; edit: Edit }
}

/** What checks may look at. */
export interface CheckContext {
  email: Email
  /** House style with the email's own values over it. */
  style: Style
  /** The compiled email as it will be handed over. */
  html: string
  /** Its size, bytes in UTF-8. */
  bytes: number
}

/** One rule: its name, one line on what it is for, and a function that looks. */
export interface Check {
  name: string
  about: string
  run: (c: CheckContext) => Omit<Finding, 'id' | 'check'>[]
}
