import { serve } from '@/server/api/serve'
import { changeJob, summaryOf } from '@/server/jobs/jobs'

export const GET = serve('GET /api/jobs/:job', ({ params }) => summaryOf(params.job))

export const PATCH = serve('PATCH /api/jobs/:job', ({ params, body }) => {
  changeJob(params.job, body)
  return summaryOf(params.job)
})
