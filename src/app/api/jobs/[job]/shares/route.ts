import { serve } from '@/server/api/serve'
import { approvalOf, makeShare } from '@/server/shares/shares'

export const GET = serve('GET /api/jobs/:job/shares', ({ params }) => approvalOf(params.job))

export const POST = serve('POST /api/jobs/:job/shares', ({ params, body }) =>
  makeShare(params.job, body.days),
)
