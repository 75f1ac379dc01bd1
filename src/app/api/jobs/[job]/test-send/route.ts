import { serve } from '@/server/api/serve'
import { destinations } from '@/server/destinations'
import { deliver } from '@/server/destinations/outbox'
import { jobOf } from '@/server/jobs/jobs'

export const POST = serve('POST /api/jobs/:job/test-send', async ({ params, body, request }) => {
  jobOf(params.job)
  const key = request.headers.get('idempotency-key')
  const how = { tell: () => {}, signal: request.signal, key }
  return (await deliver(destinations['test-send'], params.job, body, how)).sent
})
