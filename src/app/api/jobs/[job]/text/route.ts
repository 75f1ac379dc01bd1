import { serveFile } from '@/server/api/serve'
import { writtenJob } from '@/server/jobs/proof'

export const GET = serveFile('GET /api/jobs/:job/text', async ({ params, query, request: { signal } }) => {
  const how = { writing: 'document', places: 'app', links: query.links ?? 'inline' } as const
  return new Response((await writtenJob(params.job, how, signal)).text, {
    headers: { 'content-type': 'text/plain; charset=utf-8' },
  })
})
