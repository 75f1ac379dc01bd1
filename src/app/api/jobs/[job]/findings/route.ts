import { serve } from '@/server/api/serve'
import { proofOf } from '@/server/jobs/proof'

export const GET = serve('GET /api/jobs/:job/findings', ({ params, request: { signal } }) =>
  proofOf(params.job, signal),
)
