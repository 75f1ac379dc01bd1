import { saveCutsBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { cutsOf, saveCuts } from '@/server/jobs/build'

export const GET = route<{ job: string }>((_, { job }) => {
  const { revision, body } = cutsOf(job)
  return Response.json({ revision, plan: body })
})

export const PUT = route<{ job: string }>(async (request, { job }) => {
  cutsOf(job)
  const { revision, plan } = await readJson(request, saveCutsBody)
  const saved = saveCuts(job, revision, plan)
  return Response.json({ revision: saved.revision, plan: saved.body })
})
