import { eq } from 'drizzle-orm'
import { replan } from '@/core/cut/compare'
import { db } from '../db'
import { jobs } from '../db/schema'
import type { TakenDesign } from '../designs/intake'
import { pictureRaster } from '../pictures/store'
import { readDocument, saveDocument, type Saved } from './documents'
import { jobOf, summaryOf, type JobSummary } from './jobs'

/** What replacing a design did to its cuts. */
export interface Replaced {
  job: JobSummary
  cuts: Saved<'cuts'> | null
  kept: number
  moved: number
  changed: number
  notes: string[]
}

/**
 * Puts a new version of a design in place of the old one. Cuts whose place still fits stay, those whose part
 * moved go along, and both moved and changed ones are flagged in the plan. The former design is kept, to be
 * looked at beside it.
 */
export async function replaceDesign(jobId: string, taken: TakenDesign, name: string): Promise<Replaced> {
  const job = jobOf(jobId)
  const plan = readDocument(jobId, 'cuts')
  const same = taken.picture.id === job.design.id
  const [before, after] = await Promise.all([pictureRaster(job.design.id), pictureRaster(taken.picture.id)])
  const fate = plan && replan(plan.body, before, after)
  return db().transaction((tx) => {
    tx.update(jobs)
      .set({
        designId: taken.picture.id,
        designName: name.slice(0, 200),
        layers: taken.layers,
        ...(same ? {} : { beforeId: job.design.id }),
        updatedAt: new Date().toISOString(),
      })
      .where(eq(jobs.id, jobId))
      .run()
    const cuts = plan && fate ? saveDocument(jobId, 'cuts', plan.revision, fate.plan) : null
    return {
      job: summaryOf(jobId),
      cuts,
      kept: fate?.kept ?? 0,
      moved: fate?.moved ?? 0,
      changed: fate?.changed ?? 0,
      notes: taken.notes,
    }
  })
}
