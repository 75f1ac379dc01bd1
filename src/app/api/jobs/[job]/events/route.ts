import { eventStream } from '@/server/api/events'
import { serveFile } from '@/server/api/serve'
import { jobOf } from '@/server/jobs/jobs'
import { onSaved } from '@/server/jobs/live'

export const GET = serveFile('GET /api/jobs/:job/events', ({ request, params }) => {
  jobOf(params.job)
  return eventStream(request, (send) => onSaved(params.job, send))
})
