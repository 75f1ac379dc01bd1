import { newJobForm } from '@/server/api/contracts'
import { designForm, fileOf, takenFrom } from '@/server/api/forms'
import { route } from '@/server/api/respond'
import { clientOf } from '@/server/jobs/clients'
import { createJob, listJobs } from '@/server/jobs/jobs'

export const GET = route((request) =>
  Response.json({ jobs: listJobs(new URL(request.url).searchParams.get('archived') === 'true') }),
)

export const POST = route(async (request) => {
  const { form, bytes, name } = await designForm(request)
  const fields = newJobForm.parse(
    Object.fromEntries([...form].filter(([, v]) => typeof v === 'string' && v !== '')),
  )
  clientOf(fields.clientId)
  const taken = await takenFrom(form, { bytes, name })
  const second = await fileOf(form, 'narrow')
  const narrow = second
    ? { picture: (await takenFrom(form, second, 'narrowBoard')).picture, name: second.name }
    : null
  const job = createJob({ ...fields, design: taken.picture, designName: name, layers: taken.layers, narrow })
  return Response.json({ ...job, notes: taken.notes }, { status: 201 })
})
