import type { Cut } from '@/core/cut/plan'
import { PHONE } from '@/core/cut/small-words'
import { cropOf, type Crop, type Croppable } from '../pictures/crops'
import { designOf, type Job } from './jobs'

/** Crops that are encoded at once: as many as there are threads would starve everything else of them. */
const AT_ONCE = 2

/** What a picture cut comes to. */
export interface CropFigure extends Crop {
  cut: string
  /** The part that phones show instead. */
  narrow?: Crop
}

/**
 * Encodes picture cuts of a job, telling of each as it is done. @returns what they come to, in the order the cuts came in
 */
export async function cropJob(
  job: Job,
  cuts: readonly (Cut & Pick<Croppable, 'cleared'>)[],
  each: (f: CropFigure, done: number, total: number) => void = () => {},
  signal?: AbortSignal,
): Promise<CropFigure[]> {
  const wanted = cuts.filter((c) => c.kind === 'picture')
  const figures: CropFigure[] = []
  let next = 0,
    done = 0
  const work = async (): Promise<void> => {
    while (next < wanted.length) {
      signal?.throwIfAborted()
      const at = next++
      const cut = wanted[at]!
      const crop = await cropOf(designOf(job).id, cut, designOf(job).scale, signal)
      const figure = { cut: cut.id, ...crop, ...(await narrowCrop(job, cut, signal)) }
      figures[at] = figure
      each(figure, ++done, wanted.length)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, work))
  return figures
}

/**
 * What phones show instead of a cut: at twice the width they show it at, where the design has the pixels.
 * Nothing where the narrow design is gone or smaller now.
 */
async function narrowCrop(
  job: Job,
  { narrow, ground, encoding }: Cut,
  signal?: AbortSignal,
): Promise<{ narrow?: Crop }> {
  const source = narrow?.of === 'narrow' ? job.narrow : designOf(job)
  if (!narrow || !source || narrow.x + narrow.w > source.width || narrow.y + narrow.h > source.height)
    return {}
  const { width: _, density: __, ...how } = encoding ?? {}
  const part = { ...narrow, ground, encoding: { ...how, width: 2 * PHONE } }
  return { narrow: await cropOf(source.id, part, designOf(job).scale, signal) }
}
