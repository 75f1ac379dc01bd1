import { serveLong } from '@/server/api/serve'
import { cropJob } from '@/server/jobs/crops'
import { assertPlanFits, cutsOf } from '@/server/jobs/cuts'
import { jobOf } from '@/server/jobs/jobs'

export const POST = serveLong(
  'POST /api/jobs/:job/crops',
  ({ params }) => `Weighing the pictures of ${jobOf(params.job).name}`,
  async ({ params, body }, tell, signal) => {
    const job = jobOf(params.job)
    const plan = body.plan ?? cutsOf(job.id).body
    assertPlanFits(plan, job)
    const what = 'Cutting the pictures'
    const crops = await cropJob(
      job,
      plan.cuts,
      (figure, done, total) => tell({ done, total, what, figure }),
      signal,
    )
    const bytes = crops.reduce((sum, c) => sum + c.picture.bytes + (c.narrow?.picture.bytes ?? 0), 0)
    return { crops, bytes }
  },
)
