import { longWork, route } from '@/server/api/respond'
import { buildJob } from '@/server/jobs/build'
import { jobOf } from '@/server/jobs/jobs'

export const POST = route<{ job: string }>(async (request, { job }) => {
  jobOf(job)
  return longWork(request, async (tell, signal) => {
    const { email, cuts, notes } = await buildJob(job, tell, signal)
    return {
      email: email.body,
      revision: email.revision,
      plan: cuts.body,
      cutsRevision: cuts.revision,
      notes,
    }
  })
})
