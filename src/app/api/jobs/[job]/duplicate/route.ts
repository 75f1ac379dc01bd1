import { serve } from '@/server/api/serve'
import { duplicateJob } from '@/server/jobs/jobs'

export const POST = serve('POST /api/jobs/:job/duplicate', ({ params }) => duplicateJob(params.job))
