import { route } from '@/server/api/respond'
import { duplicateJob } from '@/server/jobs/jobs'

export const POST = route<{ job: string }>((_, { job }) => Response.json(duplicateJob(job), { status: 201 }))
