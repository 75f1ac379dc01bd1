import { eq } from 'drizzle-orm'
import type { CutPlan } from '@/core/cut/plan'
import { db } from '../db'
import { jobs } from '../db/schema'
import type { TakenDesign } from '../designs/take-in'
import { fileOf } from '../pictures/store'
import { compute } from '../pool'
import { readDocument, saveDocument } from './documents'
import { jobOf } from './jobs'

/** What replacing a design did to its cuts. */
export interface Replaced {
  plan: CutPlan | null
  /** Of the plan. */
  revision: number
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
export async function replaceDesign(
  jobId: string,
  taken: TakenDesign,
  name: string,
  signal?: AbortSignal,
): Promise<Replaced> {
  const job = jobOf(jobId)
  const plan = readDocument(jobId, 'cuts')
  const former = job.design?.id
  const after = fileOf(taken.picture.id)
  const fate =
    plan && former
      ? await compute('replan', { plan: plan.body, before: fileOf(former), after }, { signal })
      : null
  return db().transaction((tx) => {
    tx.update(jobs)
      .set({
        designId: taken.picture.id,
        designName: name.slice(0, 200),
        layers: taken.layers,
        ...(former && former !== taken.picture.id ? { beforeId: former } : {}),
        updatedAt: new Date().toISOString(),
      })
      .where(eq(jobs.id, jobId))
      .run()
    const cuts = plan && fate ? saveDocument(jobId, 'cuts', plan.revision, fate.plan) : null
    return {
      plan: cuts?.body ?? null,
      revision: cuts?.revision ?? 0,
      kept: fate?.kept ?? 0,
      moved: fate?.moved ?? 0,
      changed: fate?.changed ?? 0,
      notes: taken.notes,
    }
  })
}
