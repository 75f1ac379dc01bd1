import { asSample, asWritten } from '@/core/text/fields'
import { htmlQuery } from '@/server/api/contracts'
import { route } from '@/server/api/respond'
import { compileJob } from '@/server/jobs/proof'

/** The markup may be a client's: whoever opens it directly gets it without scripts, forms or an origin. */
const policy = "sandbox; default-src 'none'; img-src 'self' data: https: http:; style-src 'unsafe-inline'"

export const GET = route<{ job: string }>((request, { job }) => {
  const query = htmlQuery.parse(Object.fromEntries(new URL(request.url).searchParams))
  const fields =
    query.fields === 'sample' ? asSample({ unsubscribe: 'https://unsubscribe.example/' }) : asWritten
  return new Response(compileJob(job, { fields, styles: query.styles, print: query.print }).html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': policy,
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache',
    },
  })
})
