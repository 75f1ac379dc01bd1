import { emptyPlan, type CutPlan } from '@/core/cut/plan'
import { overlap } from '@/core/cut/raster'
import { Problem } from '../problem'
import { readDocument, saveDocument, type Saved } from './documents'
import { designOf, jobOf, type Job } from './jobs'

/** The cut plan of a job; an empty one at revision 0 where nothing has been saved. */
export function cutsOf(jobId: string): Saved<'cuts'> {
  jobOf(jobId)
  return readDocument(jobId, 'cuts') ?? { revision: 0, body: emptyPlan(), savedAt: '' }
}

/** Throws a Problem (422) where cuts leave the design or overlap. */
export function assertPlanFits(plan: CutPlan, job: Job): void {
  const { width, height } = designOf(job)
  const out = plan.cuts.find((c) => c.x + c.w > width || c.y + c.h > height)
  if (out)
    throw new Problem(
      422,
      'cut-outside',
      'A cut leaves the design',
      `Cut "${out.id}" reaches ${out.x + out.w} x ${out.y + out.h}, but the design has ${width} x ${height} px. Make it smaller.`,
    )
  const sorted = [...plan.cuts].sort((a, b) => a.y - b.y)
  for (const [i, a] of sorted.entries())
    for (let j = i + 1; j < sorted.length && sorted[j]!.y < a.y + a.h; j++) {
      if (overlap(a, sorted[j]!))
        throw new Problem(
          422,
          'cuts-overlap',
          'Two cuts overlap',
          `Cuts "${a.id}" and "${sorted[j]!.id}" share some of the design. Move an edge so that they only touch.`,
        )
    }
  const ids = new Set(plan.cuts.map((c) => c.id))
  if (ids.size !== plan.cuts.length)
    throw new Problem(
      422,
      'cut-ids',
      'Two cuts have the same id',
      'Each cut needs an id of its own, so that its words and links can be found again.',
    )
}

/** Saves a cut plan over the revision it started from. */
export function saveCuts(jobId: string, from: number, plan: CutPlan): Saved<'cuts'> {
  assertPlanFits(plan, jobOf(jobId))
  return saveDocument(jobId, 'cuts', from, plan)
}
