import { serveFile } from '@/server/api/serve'
import { writtenJob } from '@/server/jobs/proof'

/** As plain text: it is not for a browser to show. */
export const GET = serveFile('GET /api/jobs/:job/amp', async ({ params, query, request: { signal } }) => {
  const writing = query.fields === 'sample' ? 'message' : 'document'
  const { amp } = await writtenJob(params.job, { writing, places: 'app' }, signal)
  return new Response(amp, {
    headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-cache' },
  })
})
