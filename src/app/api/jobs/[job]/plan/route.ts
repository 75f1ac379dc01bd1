import { fileResponse } from '@/server/api/respond'
import { serveFile, serveLong } from '@/server/api/serve'
import { jobOf } from '@/server/jobs/jobs'
import { planFile, planMap, planZip } from '@/server/jobs/plan-files'

export const GET = serveFile('GET /api/jobs/:job/plan', async ({ params: { job }, query, request }) => {
  jobOf(job)
  if (query.as === 'svg')
    return new Response(planMap(job), {
      headers: {
        'content-type': 'image/svg+xml',
        'content-security-policy': "default-src 'none'; img-src 'self'; style-src 'unsafe-inline'; sandbox",
        'content-disposition': 'attachment; filename="cuts.svg"',
      },
    })
  if (query.as === 'zip')
    return fileResponse(await planZip(job, undefined, request.signal), 'application/zip', 'cuts.zip')
  return Response.json(planFile(job))
})

export const POST = serveLong(
  'POST /api/jobs/:job/plan',
  ({ params }) => `Cutting the pictures of ${jobOf(params.job).name}`,
  async ({ params }, tell, signal) => ({ bytes: (await planZip(params.job, tell, signal)).length }),
)
