import { serve, serveLong } from '@/server/api/serve'
import { takeInBoard } from '@/server/designs/take-in'
import { clientOf } from '@/server/jobs/clients'
import { countJobs, createJob, listJobs, summaryOf } from '@/server/jobs/jobs'

export const GET = serve('GET /api/jobs', async ({ query }) => ({
  jobs: await listJobs(query.archived === 'true'),
  count: countJobs(),
}))

export const POST = serveLong(
  'POST /api/jobs',
  ({ fields }) => `Taking in the design of ${fields.name}`,
  async ({ form, fields }, _, signal) => {
    clientOf(fields.clientId)
    const sent = form!.maybe('design')
    if (!sent) return { ...(await summaryOf(createJob(fields).id)), notes: [] }
    const { content, name } = sent
    const taken = await takeInBoard(content, name, fields.board, signal)
    const second = form!.maybe('narrow')
    const narrow = second && {
      picture: (await takeInBoard(second.content, second.name, fields.narrowBoard, signal)).picture,
      name: second.name,
    }
    const job = createJob({
      ...fields,
      design: taken.picture,
      designName: name,
      layers: taken.layers,
      narrow,
    })
    return { ...(await summaryOf(job.id)), notes: taken.notes }
  },
)
