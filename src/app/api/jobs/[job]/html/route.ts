import { asSample, asWritten } from '@/core/handover/fields'
import { route } from '@/server/api/respond'
import { compileJob } from '@/server/jobs/proof'

/** The markup may be a client's: whoever opens it directly gets it without scripts, forms or an origin. */
const policy = "sandbox; default-src 'none'; img-src 'self' data: https: http:; style-src 'unsafe-inline'"

export const GET = route<{ job: string }>((request, { job }) => {
  const fields = new URL(request.url).searchParams.get('fields') === 'sample' ? asSample({ unsubscribe: 'https://unsubscribe.example/' }) : asWritten
  return new Response(compileJob(job, { fields }).html, { headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy, 'x-content-type-options': 'nosniff', 'cache-control': 'no-cache' } })
})
