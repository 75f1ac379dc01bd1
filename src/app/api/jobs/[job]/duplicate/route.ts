import { serve } from '@/server/api/serve'
import { duplicateJob, summaryOf } from '@/server/jobs/jobs'

export const POST = serve('POST /api/jobs/:job/duplicate', ({ params }) =>
  summaryOf(duplicateJob(params.job).id),
)
