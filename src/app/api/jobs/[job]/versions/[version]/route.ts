import { serve } from '@/server/api/serve'
import { versionOf } from '@/server/jobs/versions'

export const GET = serve('GET /api/jobs/:job/versions/:version', ({ params }) =>
  versionOf(params.job, params.version),
)
