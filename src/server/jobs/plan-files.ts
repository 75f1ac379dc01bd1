import { slug } from '@/core/text/slug'
import JSZip from 'jszip'
import { imageMap, saidOf } from '@/core/cut/imagemap'
import { orderedCuts, type CutPlan } from '@/core/cut/plan'
import type { PictureRef } from '@/core/picture/ref'
import { extensionOf, pictureBytes } from '../pictures/store'
import type { Tell } from '../tasks/progress'
import { cropJob } from './crops'
import { cutsOf } from './cuts'
import { designOf, jobOf } from './jobs'

/** Every entry bears the same date, so that the same plan gives the same bytes. */
const date = new Date(Date.UTC(1980, 0, 1))

/** A cut plan as an open file: what docs/formats.md describes. */
export interface PlanFile {
  format: 'mosaicus-cuts'
  version: 1
  design: { name: string; width: number; height: number; scale: number }
  emailWidth: number
  plan: CutPlan
  pictures: { cut: string; file: string; type: string; width: number; height: number; bytes: number }[]
}

/** A job's cut plan as JSON. @param pictures the crops that lie beside it */
export function planFile(jobId: string, pictures: PlanFile['pictures'] = []): PlanFile {
  const job = jobOf(jobId)
  const { name, width, height, scale } = designOf(job)
  return {
    format: 'mosaicus-cuts',
    version: 1,
    design: { name, width, height, scale },
    emailWidth: job.width,
    plan: cutsOf(jobId).body,
    pictures,
  }
}

/** A job's cuts as an SVG image map over its design. @param picture address of the design's picture */
export const planMap = (jobId: string, picture?: string): string => {
  const design = designOf(jobOf(jobId))
  return imageMap(cutsOf(jobId).body, design, picture ?? `/api/pictures/${design.id}`)
}

/** All crops, numbered in the plan's order, with the plan and its image map. */
export async function planZip(jobId: string, tell: Tell = () => {}, signal?: AbortSignal): Promise<Buffer> {
  const job = jobOf(jobId)
  const order = orderedCuts(cutsOf(jobId).body)
  const made = new Map<string, PictureRef[]>()
  await cropJob(
    job,
    order,
    (f, done, total) => {
      made.set(f.cut, [f.picture, ...(f.narrow ? [f.narrow.picture] : [])])
      tell({ done, total, what: 'Cutting the pictures' })
    },
    signal,
  )
  const zip = new JSZip()
  const pictures: PlanFile['pictures'] = []
  for (const [i, cut] of order.filter((c) => made.has(c.id)).entries()) {
    for (const [n, p] of made.get(cut.id)!.entries()) {
      const file = `crops/${String(i + 1).padStart(2, '0')}-${slug(cut.name ?? saidOf(cut)) || 'picture'}${n ? '-narrow' : ''}.${extensionOf(p.type)}`
      zip.file(file, await pictureBytes(p.id), { date, compression: 'STORE', createFolders: false })
      pictures.push({ cut: cut.id, file, type: p.type, width: p.width, height: p.height, bytes: p.bytes })
    }
  }
  zip.file('design.png', await pictureBytes(designOf(job).id), { date, compression: 'STORE' })
  zip.file('cuts.svg', planMap(jobId, 'design.png'), { date })
  zip.file('cuts.json', `${JSON.stringify(planFile(jobId, pictures), null, 2)}\n`, { date })
  return zip.generateAsync({ type: 'nodebuffer', compression: 'DEFLATE' })
}
