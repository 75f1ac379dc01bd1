import { testSendBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { assertSendable, deliver } from '@/server/destinations/deliveries'
import { sendTest } from '@/server/destinations/message'
import { jobOf } from '@/server/jobs/jobs'

export const POST = route<{ job: string }>(async (request, { job }) => {
  jobOf(job)
  const envelope = await readJson(request, testSendBody)
  assertSendable(job)
  return Response.json(
    await deliver(
      job,
      'test-send',
      () => sendTest(job, envelope),
      (d) => `Sent to ${envelope.to}, ${(d.bytes / 1024).toFixed(0)} KB`,
    ),
  )
})
