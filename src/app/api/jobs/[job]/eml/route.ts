import { slug } from '@/core/text/slug'
import { fileResponse, route } from '@/server/api/respond'
import { deliver } from '@/server/destinations/deliveries'
import { emlOf } from '@/server/destinations/message'
import { jobOf } from '@/server/jobs/jobs'
import { emailOf } from '@/server/jobs/proof'

export const GET = route<{ job: string }>(async (_, { job }) => {
  let bytes = Buffer.alloc(0)
  await deliver(
    job,
    'eml',
    async () => {
      bytes = Buffer.from(await emlOf(job))
      return { revision: emailOf(job).revision, bytes: bytes.length }
    },
    (d) => `Message of ${(d.bytes / 1024).toFixed(0)} KB`,
  )
  return fileResponse(bytes, 'message/rfc822', `${slug(jobOf(job).name) || 'email'}.eml`)
})
