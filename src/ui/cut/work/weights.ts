import { useEffect, useState } from 'react'
import { toast } from '../../parts/toast'
import type { Cut } from '@/core/cut/plan'
import type { PictureRef } from '@/core/picture/ref'
import type { DesignedJob, CutSession } from '../../bench/types'
import { runTask } from '../../tasks/run'
import { rectKey } from './rect-key'

/**
 * What a picture cut comes to: its file, SSIM against the design, and what the same pixels weigh as a plain
 * PNG, bytes.
 */
export interface CropFigure {
  cut: string
  picture: PictureRef
  likeness: number
  plain: number
  narrow?: { picture: PictureRef }
}

/** How long after a change pictures are weighed, ms. */
const SETTLE = 900

/**
 * The bytes each picture will have, from the real encoder; what it has encoded before comes at once.
 * @param pictures those of the plan
 */
export function useWeights(job: DesignedJob, session: CutSession, pictures: readonly Cut[]) {
  const [figures, setFigures] = useState<Map<string, CropFigure>>(new Map())
  const [measuring, setMeasuring] = useState<{ done: number; total: number } | null>(null)
  const key = pictures.map(rectKey).sort().join(';')
  useEffect(() => {
    if (!key) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      const plan = session.store.getState().doc
      const at = new Map(plan.cuts.map((c) => [c.id, rectKey(c)]))
      const show = (found: readonly CropFigure[]) =>
        setFigures((m) => new Map([...m, ...found.map((f): [string, CropFigure] => [at.get(f.cut)!, f])]))
      runTask(
        'POST /api/jobs/:job/crops',
        { params: { job: job.id }, body: { plan } },
        {
          onProgress: ({ done, total, figure }) => {
            setMeasuring(done < total ? { done, total } : null)
            if (figure) show([figure])
          },
          signal: stop.signal,
        },
      )
        .then((r) => show(r.crops))
        .catch((e: Error) => {
          if (e.name !== 'AbortError') toast.error(e.message)
        })
        .finally(() => setMeasuring(null))
    }, SETTLE)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [key, job.id, session, job.design.id])
  const figureOf = (c: Cut) => figures.get(rectKey(c))
  const total = pictures.reduce(
    (sum, c) => sum + (figureOf(c)?.picture.bytes ?? 0) + (figureOf(c)?.narrow?.picture.bytes ?? 0),
    0,
  )
  return { figures, figureOf, measuring, total }
}
