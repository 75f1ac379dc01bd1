import { cropsBody } from '@/server/api/contracts'
import { longWork, readJson, route } from '@/server/api/respond'
import { assertPlanFits, cropJob, cutsOf, type CropFigure } from '@/server/jobs/build'
import { jobOf } from '@/server/jobs/jobs'

export const POST = route<{ job: string }>(async (request, { job: id }) => {
  const job = jobOf(id)
  const plan = (await readJson(request, cropsBody)).plan ?? cutsOf(id).body
  assertPlanFits(plan, job)
  return longWork(request, async (tell, signal) => {
    const crops: CropFigure[] = []
    await cropJob(
      job,
      plan.cuts,
      (figure, done, total) => {
        crops.push(figure)
        tell({ done, total, figure })
      },
      signal,
    )
    return {
      crops,
      bytes: crops.reduce((sum, c) => sum + c.picture.bytes + (c.narrow?.picture.bytes ?? 0), 0),
    }
  })
})
