import { slug } from '@/core/text/slug'
import { fileResponse } from '@/server/api/respond'
import { serveFile } from '@/server/api/serve'
import { destinations } from '@/server/destinations'
import { zipOf } from '@/server/destinations/zip/files'
import { deliver } from '@/server/destinations/outbox'
import { jobOf } from '@/server/jobs/jobs'

const given = (job: string, bytes: Buffer) =>
  fileResponse(bytes, 'application/zip', `${slug(jobOf(job).name) || 'email'}.zip`)

export const GET = serveFile('GET /api/jobs/:job/zip', async ({ params: { job } }) =>
  given(job, (await zipOf(job)).bytes),
)

export const POST = serveFile('POST /api/jobs/:job/zip', async ({ params: { job }, request: { signal } }) => {
  const { file } = await deliver(destinations.zip, job, {}, { tell: () => {}, signal })
  return given(job, file!)
})
