import { versionBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { jobOf } from '@/server/jobs/jobs'
import { keepVersion, listVersions } from '@/server/jobs/versions'

export const GET = route<{ job: string }>((_, { job }) => {
  jobOf(job)
  return Response.json({ versions: listVersions(job) })
})

export const POST = route<{ job: string }>(async (request, { job }) =>
  Response.json(keepVersion(job, (await readJson(request, versionBody)).name), { status: 201 }),
)
