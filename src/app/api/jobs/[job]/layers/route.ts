import { route } from '@/server/api/respond'
import { jobOf, layersOf } from '@/server/jobs/jobs'

export const GET = route<{ job: string }>((_, { job }) => {
  jobOf(job)
  return Response.json({ layers: layersOf(job) })
})
