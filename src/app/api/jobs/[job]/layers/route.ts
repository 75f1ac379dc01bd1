import { serve } from '@/server/api/serve'
import { jobOf, layersOf } from '@/server/jobs/jobs'

export const GET = serve('GET /api/jobs/:job/layers', ({ params }) => {
  jobOf(params.job)
  return { layers: layersOf(params.job) }
})
