import { serve } from '@/server/api/serve'
import { approvalOf, settleRemark } from '@/server/shares/shares'

export const PATCH = serve('PATCH /api/jobs/:job/remarks/:remark', ({ params, body }) => {
  settleRemark(params.job, params.remark, body.settled)
  return approvalOf(params.job)
})
