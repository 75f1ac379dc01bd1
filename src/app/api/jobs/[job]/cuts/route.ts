import { serve } from '@/server/api/serve'
import { cutsOf, saveCuts } from '@/server/jobs/cuts'

export const GET = serve('GET /api/jobs/:job/cuts', ({ params }) => {
  const { revision, body } = cutsOf(params.job)
  return { revision, plan: body }
})

export const PUT = serve('PUT /api/jobs/:job/cuts', ({ params, body }) => {
  const saved = saveCuts(params.job, body.revision, body.plan)
  return { revision: saved.revision, plan: saved.body }
})
