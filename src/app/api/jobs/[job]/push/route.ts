import { serveLong } from '@/server/api/serve'
import { destinations } from '@/server/destinations'
import { deliver } from '@/server/destinations/outbox'
import { jobOf } from '@/server/jobs/jobs'

export const POST = serveLong(
  'POST /api/jobs/:job/push',
  ({ params }) => `Pushing ${jobOf(params.job).name}`,
  async ({ params, body, request }, tell, signal) => {
    const key = request.headers.get('idempotency-key')
    return (await deliver(destinations.platform, params.job, body, { tell, signal, key })).sent
  },
)
