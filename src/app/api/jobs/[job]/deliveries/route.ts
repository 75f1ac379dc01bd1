import { route } from '@/server/api/respond'
import { deliveriesOf } from '@/server/destinations/deliveries'
import { jobOf } from '@/server/jobs/jobs'

export const GET = route<{ job: string }>((_, { job }) => {
  jobOf(job)
  return Response.json({ deliveries: deliveriesOf(job) })
})
