import { designForm, takenFrom } from '@/server/api/forms'
import { route } from '@/server/api/respond'
import { jobOf, setNarrow } from '@/server/jobs/jobs'
import { replaceDesign } from '@/server/jobs/replace'

export const PUT = route<{ job: string }>(async (request, { job }) => {
  jobOf(job)
  const { form, bytes, name } = await designForm(request)
  const taken = await takenFrom(form, { bytes, name })
  if (form.get('role') === 'narrow')
    return Response.json({ job: setNarrow(job, { picture: taken.picture, name }), notes: taken.notes })
  const { cuts, ...done } = await replaceDesign(job, taken, name)
  return Response.json({ ...done, plan: cuts?.body ?? null, revision: cuts?.revision ?? 0 })
})

export const DELETE = route<{ job: string }>((_, { job }) => Response.json({ job: setNarrow(job, null) }))
