import { route } from '@/server/api/respond'
import { compileJob } from '@/server/jobs/proof'

export const GET = route<{ job: string }>((_, { job }) => new Response(compileJob(job).text, { headers: { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' } }))
