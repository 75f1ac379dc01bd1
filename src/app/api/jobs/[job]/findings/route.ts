import { route } from '@/server/api/respond'
import { proofOf } from '@/server/jobs/proof'

export const GET = route<{ job: string }>((_, { job }) => Response.json(proofOf(job)))
