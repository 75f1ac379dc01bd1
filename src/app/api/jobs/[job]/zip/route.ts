import { slug } from '@/core/text/slug'
import { fileResponse, route } from '@/server/api/respond'
import { deliver } from '@/server/destinations/deliveries'
import { zipOf } from '@/server/destinations/files'
import { jobOf } from '@/server/jobs/jobs'
import { emailOf } from '@/server/jobs/proof'

export const GET = route<{ job: string }>(async (_, { job }) => {
  let bytes = Buffer.alloc(0)
  await deliver(
    job,
    'zip',
    async () => {
      bytes = Buffer.from(await zipOf(job))
      return { revision: emailOf(job).revision, bytes: bytes.length }
    },
    (d) => `ZIP of ${(d.bytes / 1024).toFixed(0)} KB`,
  )
  return fileResponse(bytes, 'application/zip', `${slug(jobOf(job).name) || 'email'}.zip`)
})
