import { slug } from '@/core/text/slug'
import { fileResponse } from '@/server/api/respond'
import { serveFile } from '@/server/api/serve'
import { destinations } from '@/server/destinations'
import { emlOf } from '@/server/destinations/eml'
import { deliver } from '@/server/destinations/outbox'
import { jobOf } from '@/server/jobs/jobs'

const given = (job: string, bytes: Buffer) =>
  fileResponse(bytes, 'message/rfc822', `${slug(jobOf(job).name) || 'email'}.eml`)

export const GET = serveFile('GET /api/jobs/:job/eml', async ({ params: { job } }) =>
  given(job, (await emlOf(job)).bytes),
)

export const POST = serveFile('POST /api/jobs/:job/eml', async ({ params: { job }, request: { signal } }) => {
  const { file } = await deliver(destinations.eml, job, {}, { tell: () => {}, signal })
  return given(job, file!)
})
