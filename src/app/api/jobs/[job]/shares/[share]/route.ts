import { serve } from '@/server/api/serve'
import { approvalOf, revokeShare } from '@/server/shares/shares'

export const DELETE = serve('DELETE /api/jobs/:job/shares/:share', ({ params }) => {
  revokeShare(params.job, params.share)
  return approvalOf(params.job)
})
