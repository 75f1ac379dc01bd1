import { serveFile } from '@/server/api/serve'
import { jobOf } from '@/server/jobs/jobs'
import { writtenJob } from '@/server/jobs/proof'

/**
 * The markup may be a client's: whoever opens it directly gets it without scripts, or forms; of the app's origin, so that its pictures are given to it behind a passphrase. Pictures and
 * fonts from elsewhere load where a person has let them, for this job.
 */
const policy = (elsewhere: string) =>
  `sandbox allow-same-origin; default-src 'none'; img-src 'self' data:${elsewhere}; font-src 'self' data:${elsewhere}; style-src 'unsafe-inline'${elsewhere}`

export const GET = serveFile('GET /api/jobs/:job/html', async ({ params, query, request: { signal } }) => {
  const { styles, print } = query
  const writing = query.fields === 'sample' ? 'preview' : 'document'
  const { html } = await writtenJob(params.job, { writing, places: 'app', styles, print }, signal)
  return new Response(html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': policy(jobOf(params.job).remote ? ' https: http:' : ''),
      'cache-control': 'no-cache',
    },
  })
})
