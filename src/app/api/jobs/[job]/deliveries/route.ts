import { serve } from '@/server/api/serve'
import { deliveriesOf } from '@/server/destinations/outbox'
import { jobOf } from '@/server/jobs/jobs'

export const GET = serve('GET /api/jobs/:job/deliveries', ({ params }) => {
  jobOf(params.job)
  return { deliveries: deliveriesOf(params.job) }
})
