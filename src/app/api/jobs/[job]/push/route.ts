import { pushBody } from '@/server/api/contracts'
import { longWork, readJson, route } from '@/server/api/respond'
import { assertSendable, deliver } from '@/server/destinations/deliveries'
import { pushToPlatform } from '@/server/destinations/platform'
import { jobOf } from '@/server/jobs/jobs'

export const POST = route<{ job: string }>(async (request, { job }) => {
  jobOf(job)
  const { token } = await readJson(request, pushBody)
  assertSendable(job)
  return longWork(request, (tell, signal) =>
    deliver(
      job,
      'platform',
      () => pushToPlatform(job, token, tell, signal),
      (d) => `Template ${d.id.slice(0, 8)} with ${d.pictures} pictures`,
    ),
  )
})
