import { toast } from '../../parts/toast'
import type { CutPlan } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'
import { ApiProblem } from '../../api'
import type { DesignedJob, CutSession } from '../../bench/types'
import { runTask } from '../../tasks/run'
import type { LongWorks } from './long-work'

/** An email that was built, and the plan it was built from. */
export interface Built {
  email: Email
  revision: number
  plan: CutPlan
  cutsRevision: number
  notes: string[]
}

/** Builds the email on the server; says what went wrong. @returns null where nothing was built */
export function buildOnServer(
  job: DesignedJob,
  session: CutSession,
  { during }: LongWorks,
): Promise<Built | null> {
  const stop = new AbortController()
  const total = session.store.getState().doc.cuts.length
  return during(
    { what: 'Building the email', total, cancel: () => stop.abort(), here: false },
    async (tell) => {
      try {
        await session.flush()
        return await runTask(
          'POST /api/jobs/:job/build',
          { params: { job: job.id } },
          { onProgress: tell, signal: stop.signal },
        )
      } catch (e) {
        if ((e as Error).name === 'AbortError') toast('Cancelled. Nothing was changed.')
        else
          toast.error(e instanceof ApiProblem ? e.title : 'The email could not be built', {
            description: e instanceof ApiProblem ? e.detail : (e as Error).message,
            duration: 9000,
          })
        return null
      }
    },
  )
}
