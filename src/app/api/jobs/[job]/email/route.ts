import { serve } from '@/server/api/serve'
import { saveDocument } from '@/server/jobs/documents'
import { jobOf } from '@/server/jobs/jobs'
import { emailOf } from '@/server/jobs/proof'
import { keepHourly } from '@/server/jobs/versions'

export const GET = serve('GET /api/jobs/:job/email', ({ params }) => {
  const { body, revision, savedAt } = emailOf(params.job)
  return { revision, email: body, savedAt }
})

export const PUT = serve('PUT /api/jobs/:job/email', ({ params, body }) => {
  jobOf(params.job)
  keepHourly(params.job)
  return saveDocument(params.job, 'email', body.revision, body.email)
})
