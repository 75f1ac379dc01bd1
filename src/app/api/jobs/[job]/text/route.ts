import { route } from '@/server/api/respond'
import { compileJob } from '@/server/jobs/proof'

export const GET = route<{ job: string }>((request, { job }) => {
  const links =
    new URL(request.url).searchParams.get('links') === 'numbered'
      ? ('numbered' as const)
      : ('inline' as const)
  return new Response(compileJob(job, { links }).text, {
    headers: { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' },
  })
})
