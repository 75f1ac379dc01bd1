import { serveFile } from '@/server/api/serve'
import { compileJob } from '@/server/jobs/proof'

export const GET = serveFile(
  'GET /api/jobs/:job/text',
  ({ params, query }) =>
    new Response(compileJob(params.job, { links: query.links ?? 'inline' }).text, {
      headers: { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' },
    }),
)
