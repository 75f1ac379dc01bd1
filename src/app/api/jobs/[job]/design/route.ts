import { serve, serveLong } from '@/server/api/serve'
import { takeInBoard } from '@/server/designs/take-in'
import { jobOf, setNarrow, summaryOf } from '@/server/jobs/jobs'
import { replaceDesign } from '@/server/jobs/replace'

export const PUT = serveLong(
  'PUT /api/jobs/:job/design',
  ({ params }) => `Taking in a design of ${jobOf(params.job).name}`,
  async ({ params: { job }, form, fields }, _, signal) => {
    const { content, name } = form!.file('design')
    const taken = await takeInBoard(content, name, fields.board, signal)
    if (fields.role !== 'narrow') {
      const replaced = await replaceDesign(job, taken, name, signal)
      return { ...replaced, job: await summaryOf(job) }
    }
    setNarrow(job, { picture: taken.picture, name })
    const same = { plan: null, revision: 0, kept: 0, moved: 0, changed: 0 }
    return { ...same, job: await summaryOf(job), notes: taken.notes }
  },
)

export const DELETE = serve('DELETE /api/jobs/:job/design', async ({ params: { job } }) => {
  setNarrow(job, null)
  return { job: await summaryOf(job) }
})
