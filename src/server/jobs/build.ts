import { clearedOf } from '@/core/cut/cleared'
import { asBuilt, groundCut, orderedCuts } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'
import type { PictureRef } from '@/core/picture/ref'
import { emailSchema } from '@/core/tiles/document'
import { db } from '../db'
import { fileOf } from '../pictures/store'
import { compute } from '../pool'
import { Problem } from '../problem'
import type { Tell } from '../tasks/progress'
import { cropJob } from './crops'
import { cutsOf } from './cuts'
import { readDocument, saveDocument, type Saved } from './documents'
import { designOf, jobOf } from './jobs'

export interface BuiltJob {
  email: Saved<'email'>
  cuts: Saved<'cuts'>
  notes: string[]
}

/**
 * Builds the email of a job from its cut plan. Crops come first and may be cancelled; email and plan are then
 * saved over the revisions they were read at, so that a change made meanwhile is never lost.
 */
export async function buildJob(
  jobId: string,
  tell: Tell = () => {},
  signal?: AbortSignal,
): Promise<BuiltJob> {
  const job = jobOf(jobId)
  const cuts = cutsOf(jobId)
  if (!cuts.body.cuts.length)
    throw new Problem(
      409,
      'no-cuts',
      'There is nothing to build from',
      'The design has no cuts yet. Let Mosaicus find the bands, or draw cuts, then build.',
    )
  const pictures = new Map<string, PictureRef>(),
    narrowPictures = new Map<string, PictureRef>()
  // A picture behind a band is encoded like a cut, without what stands on it.
  const scale = designOf(job).scale
  const grounds = cuts.body.panels
    .filter((p) => p.picture)
    .map((p) => ({ ...groundCut(p), cleared: clearedOf(p, cuts.body, scale) }))
  const order = [...orderedCuts(cuts.body).map(asBuilt), ...grounds]
  tell({ done: 0, total: order.length, what: 'Cutting the pictures' })
  for (const f of await cropJob(
    job,
    order,
    (_, done, total) => tell({ done, total, what: 'Cutting the pictures' }),
    signal,
  )) {
    pictures.set(f.cut, f.picture)
    if (f.narrow) narrowPictures.set(f.cut, f.narrow.picture)
  }
  tell({ done: order.length, total: order.length, what: 'Composing the email' })
  const previous = readDocument(jobId, 'email')
  const { email, plan, notes } = await compute(
    'build',
    {
      plan: cuts.body,
      design: fileOf(designOf(job).id),
      ...(job.narrow ? { narrow: fileOf(job.narrow.id) } : {}),
      emailWidth: job.width,
      pictures,
      narrowPictures,
      previous: previous?.body ?? null,
      house: job.client.house,
    },
    { signal },
  )
  signal?.throwIfAborted()
  // What cannot be read again must never be saved.
  const titled: Email = emailSchema.parse(previous ? email : { ...email, title: job.name })
  return db().transaction(() => ({
    email: saveDocument(jobId, 'email', previous?.revision ?? 0, titled),
    cuts: saveDocument(jobId, 'cuts', cuts.revision, plan),
    notes,
  }))
}
