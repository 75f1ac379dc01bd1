import { route } from '@/server/api/respond'
import { autocutJob } from '@/server/jobs/build'

export const POST = route<{ job: string }>(async (_, { job }) => Response.json(await autocutJob(job)))
