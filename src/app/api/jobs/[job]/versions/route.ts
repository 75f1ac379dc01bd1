import { serve } from '@/server/api/serve'
import { jobOf } from '@/server/jobs/jobs'
import { keepVersion, listVersions } from '@/server/jobs/versions'

export const GET = serve('GET /api/jobs/:job/versions', ({ params }) => {
  jobOf(params.job)
  return { versions: listVersions(params.job) }
})

export const POST = serve('POST /api/jobs/:job/versions', ({ params, body }) =>
  keepVersion(params.job, body.name),
)
