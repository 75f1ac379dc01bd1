import { fileResponse, longWork, route } from '@/server/api/respond'
import { jobOf } from '@/server/jobs/jobs'
import { planFile, planMap, planZip } from '@/server/jobs/plan-files'

export const GET = route<{ job: string }>(async (request, { job: id }) => {
  const job = jobOf(id)
  const as = new URL(request.url).searchParams.get('as') ?? 'json'
  if (as === 'svg')
    return new Response(planMap(id), {
      headers: {
        'content-type': 'image/svg+xml',
        'content-security-policy': "default-src 'none'; img-src 'self'; style-src 'unsafe-inline'; sandbox",
        'content-disposition': 'attachment; filename="cuts.svg"',
      },
    })
  if (as === 'zip')
    return fileResponse(await planZip(id, undefined, request.signal), 'application/zip', 'cuts.zip')
  return Response.json(planFile(job.id))
})

export const POST = route<{ job: string }>(async (request, { job }) =>
  longWork(request, async (tell, signal) => {
    const bytes = await planZip(job, tell, signal)
    return { bytes: bytes.length }
  }),
)
