import { saveEmailBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { saveDocument } from '@/server/jobs/documents'
import { jobOf } from '@/server/jobs/jobs'
import { emailOf } from '@/server/jobs/proof'

export const GET = route<{ job: string }>((_, { job }) => {
  const { body, revision, savedAt } = emailOf(job)
  return Response.json({ revision, email: body, savedAt })
})

export const PUT = route<{ job: string }>(async (request, { job }) => {
  jobOf(job)
  const { revision, email } = await readJson(request, saveEmailBody)
  const saved = saveDocument(job, 'email', revision, email)
  return Response.json({ revision: saved.revision, savedAt: saved.savedAt })
})
