import { asSample, asWritten } from '@/core/text/fields'
import { serveFile } from '@/server/api/serve'
import { compileJob } from '@/server/jobs/proof'

/** The markup may be a client's: whoever opens it directly gets it without scripts, forms or an origin. */
const policy = "sandbox; default-src 'none'; img-src 'self' data: https: http:; style-src 'unsafe-inline'"

export const GET = serveFile('GET /api/jobs/:job/html', ({ params, query }) => {
  const fields =
    query.fields === 'sample' ? asSample({ unsubscribe: 'https://unsubscribe.example/' }) : asWritten
  return new Response(compileJob(params.job, { fields, styles: query.styles, print: query.print }).html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': policy,
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache',
    },
  })
})
