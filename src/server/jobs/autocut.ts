import type { Autocut } from '@/core/cut/autocut'
import type { Rect } from '@/core/cut/raster'
import { fileOf } from '../pictures/store'
import { compute } from '../pool'
import type { Tell } from '../tasks/progress'
import { designOf, jobOf, layersOf } from './jobs'

/** Runs the autocut on a job's design, with what its file knows. Nothing is saved. */
export async function autocutJob(
  jobId: string,
  tell?: Tell,
  signal?: AbortSignal,
): Promise<Autocut & { uncovered: Rect[] }> {
  const design = designOf(jobOf(jobId))
  const input = { design: fileOf(design.id), scale: design.scale, layers: layersOf(jobId) }
  return compute('autocut', input, {
    signal,
    tell: tell && ((p) => tell({ ...p, what: 'Finding the parts' })),
  })
}
