import { route } from '@/server/api/respond'
import { versionOf } from '@/server/jobs/versions'

export const GET = route<{ job: string; version: string }>((_, { job, version }) =>
  Response.json(versionOf(job, version)),
)
