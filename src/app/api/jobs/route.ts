import { newJobForm } from '@/server/api/contracts'
import { route } from '@/server/api/respond'
import { clientOf } from '@/server/jobs/clients'
import { createJob, listJobs } from '@/server/jobs/jobs'
import { MOST_BYTES, takeInDesign } from '@/server/pictures/intake'
import { Problem } from '@/server/problem'

export const GET = route((request) => Response.json({ jobs: listJobs(new URL(request.url).searchParams.get('archived') === 'true') }))

export const POST = route(async (request) => {
  // What is too heavy is refused before it is read.
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES + 1024 * 1024) throw new Problem(413, 'design-too-heavy', 'The design is too heavy', 'At most 60 MB can be taken in. Export it as PNG or JPEG at double size.')
  const form = await request.formData().catch(() => null)
  const file = form?.get('design')
  if (!form || !(file instanceof File)) throw new Problem(400, 'no-design', 'No design came with the job', 'Send multipart/form-data with the picture in the field "design", and the fields "clientId", "name" and "width".')
  const fields = newJobForm.parse(Object.fromEntries([...form].filter(([, v]) => typeof v === 'string' && v !== '')))
  clientOf(fields.clientId)
  const design = await takeInDesign(Buffer.from(await file.arrayBuffer()), file.name)
  return Response.json(createJob({ ...fields, design, designName: file.name.slice(0, 200) }), { status: 201 })
})
