import { emailSchema } from '@/core/tiles/document'
import { autocut, type Autocut } from '@/core/cut/autocut'
import { buildEmail } from '@/core/cut/build'
import { groundOf } from '@/core/cut/ground'
import { leftOut } from '@/core/cut/left-out'
import { readInk } from '@/core/cut/ink'
import { withLayers } from '@/core/cut/layers'
import { emptyPlan, orderedCuts, type Cut, type CutPlan } from '@/core/cut/plan'
import { PHONE } from '@/core/cut/small-words'
import { overlap, type Raster, type Rect } from '@/core/cut/raster'
import { type Email } from '@/core/email/schema'
import type { PictureRef } from '@/core/picture/ref'
import { cropOf, type Crop } from '../pictures/crops'
import { pictureRaster } from '../pictures/store'
import { Problem } from '../problem'
import { readDocument, saveDocument, type Saved } from './documents'
import { jobOf, layersOf, type Job } from './jobs'

/** How far long work is. */
export interface Progress {
  done: number
  total: number
  what: string
}
export type Tell = (p: Progress) => void

/** The cut plan of a job; an empty one at revision 0 where nothing has been saved. */
export function cutsOf(jobId: string): Saved<'cuts'> {
  jobOf(jobId)
  return readDocument(jobId, 'cuts') ?? { revision: 0, body: emptyPlan(), savedAt: '' }
}

/** Throws a Problem (422) where cuts leave the design or overlap. */
export function assertPlanFits(plan: CutPlan, job: Job): void {
  const { width, height } = job.design
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

/** Runs the autocut on a job's design, with what its file knows. Nothing is saved. */
export async function autocutJob(jobId: string): Promise<Autocut & { uncovered: Rect[] }> {
  const { design } = jobOf(jobId)
  const raster = await pictureRaster(design.id)
  const layers = layersOf(jobId)
  const found = autocut(raster, design.scale)
  const known = layers ? withLayers(found, layers, design.scale, design) : found
  return { ...known, uncovered: leftOut(raster, known.cuts, known.panels) }
}

/** What a picture cut comes to. */
export interface CropFigure extends Crop {
  cut: string
  /** The part that phones show instead. */
  narrow?: Crop
}

/** Encodes picture cuts of a job in the order they come in, telling of each as it is done. */
export async function cropJob(
  job: Job,
  cuts: readonly Cut[],
  each: (f: CropFigure, done: number, total: number) => void,
  signal?: AbortSignal,
): Promise<void> {
  const rasters = new Map<string, Promise<Raster>>()
  const rasterOf = (id: string) => () => {
    const known = rasters.get(id) ?? pictureRaster(id)
    rasters.set(id, known)
    return known
  }
  const wanted = cuts.filter((c) => c.kind === 'picture')
  for (const [i, cut] of wanted.entries()) {
    signal?.throwIfAborted()
    const crop = await cropOf(job.design.id, cut, job.design.scale, rasterOf(job.design.id), signal)
    each({ cut: cut.id, ...crop, ...(await narrowCrop(job, cut, rasterOf, signal)) }, i + 1, wanted.length)
  }
}

/**
 * What phones show instead of a cut: at twice the width they show it at, where the design has the pixels.
 * Nothing where the narrow design is gone or smaller now.
 */
async function narrowCrop(
  job: Job,
  { narrow, ground, encoding }: Cut,
  rasterOf: (id: string) => () => Promise<Raster>,
  signal?: AbortSignal,
): Promise<{ narrow?: Crop }> {
  const source = narrow?.of === 'narrow' ? job.narrow : job.design
  if (!narrow || !source || narrow.x + narrow.w > source.width || narrow.y + narrow.h > source.height)
    return {}
  const { width, density, ...how } = encoding ?? {}
  return {
    narrow: await cropOf(
      source.id,
      { ...narrow, ground, encoding: { ...how, width: 2 * PHONE } },
      job.design.scale,
      rasterOf(source.id),
      signal,
    ),
  }
}

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
  const raster = await pictureRaster(job.design.id)
  const pictures = new Map<string, PictureRef>(),
    narrowPictures = new Map<string, PictureRef>()
  tell({ done: 0, total: cuts.body.cuts.length, what: 'Cutting the pictures' })
  await cropJob(
    job,
    orderedCuts(cuts.body),
    (f, done, total) => {
      pictures.set(f.cut, f.picture)
      if (f.narrow) narrowPictures.set(f.cut, f.narrow.picture)
      tell({ done, total, what: 'Cutting the pictures' })
    },
    signal,
  )
  const previous = readDocument(jobId, 'email')
  const { email, plan, notes } = buildEmail({
    plan: cuts.body,
    size: job.design,
    emailWidth: job.width,
    pictures,
    narrowPictures,
    previous: previous?.body ?? null,
    house: job.client.house,
    groundOf: (r) => groundOf(raster, r),
    readInk: (r, g) => readInk(raster, r, g),
  })
  signal?.throwIfAborted()
  // What cannot be read again must never be saved.
  const titled: Email = emailSchema.parse(previous ? email : { ...email, title: job.name })
  return {
    email: saveDocument(jobId, 'email', previous?.revision ?? 0, titled),
    cuts: saveDocument(jobId, 'cuts', cuts.revision, plan),
    notes,
  }
}
