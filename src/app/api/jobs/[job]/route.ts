import { changeJobBody } from '@/server/api/contracts'
import { readJson, route } from '@/server/api/respond'
import { changeJob, summaryOf } from '@/server/jobs/jobs'

export const GET = route<{ job: string }>((_, { job }) => Response.json(summaryOf(job)))

export const PATCH = route<{ job: string }>(async (request, { job }) =>
  Response.json(changeJob(job, await readJson(request, changeJobBody))),
)
