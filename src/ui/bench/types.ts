import type { HouseStyle } from '@/core/email/styles'
import type { CutPlan } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'
import type { DocumentSession } from '../session/document'

/** The picture that the designer sent. */
export interface Design {
  id: string
  name: string
  width: number
  height: number
  scale: number
  /** Whether its file carries words. */
  worded: boolean
}

/** A job as the bench works on it. */
export interface BenchJob {
  id: string
  name: string
  width: number
  due: string | null
  /** Whether its previews may load pictures and fonts from elsewhere. */
  remote: boolean
  client: { id: string; name: string; house: HouseStyle }
  /** Null where it began without one. */
  design: Design | null
  /** The narrow design of the same email, and the design that the present one replaced. */
  narrow: { id: string; name: string; width: number; height: number } | null
  before: { id: string; width: number; height: number } | null
}

/** A job that has a design to be cut. */
export type DesignedJob = BenchJob & { design: Design }

export type EmailSession = DocumentSession<Email>
export type CutSession = DocumentSession<CutPlan>

/** What a bench opens: a job and its documents as they are kept. */
export interface BenchProps {
  job: BenchJob
  cuts: { revision: number; plan: CutPlan; savedAt: string }
  email: { revision: number; email: Email; savedAt: string } | null
}
