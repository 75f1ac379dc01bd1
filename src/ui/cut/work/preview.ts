import { useEffect, useState } from 'react'
import type { BuildResult } from '@/core/cut/build'
import type { CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import type { Email } from '@/core/email/schema'
import type { DesignedJob } from '../../bench/types'
import type { OpenCutter } from './use-cutter'

/** How long after a change the preview is made anew, ms. */
const SETTLE = 160

/** What the cuts become, made anew by the worker shortly after each change, and what they leave out. */
export function usePreview(open: OpenCutter, plan: CutPlan, job: DesignedJob, email: Email | null) {
  const [result, setResult] = useState<BuildResult | null>(null)
  const [left, setLeft] = useState<Rect[]>([])
  const [trouble, setTrouble] = useState<string | null>(null)
  useEffect(() => {
    let late = false
    const timer = setTimeout(() => {
      open()
        .ask({ kind: 'preview', plan, emailWidth: job.width, previous: email, house: job.client.house })
        .then(
          (r) => {
            if (late) return
            setResult(r)
            setTrouble(null)
          },
          (e: Error) => {
            if (!late && e.name !== 'AbortError') setTrouble(e.message)
          },
        )
      open()
        .ask({ kind: 'leftOut', cuts: plan.cuts, panels: plan.panels })
        .then(
          (r) => {
            if (!late) setLeft(r)
          },
          () => {},
        )
    }, SETTLE)
    return () => {
      late = true
      clearTimeout(timer)
    }
    // The email is what was there before the build: it changes with every build and asks for none.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plan, job.width, job.client.house, open])
  return { result, left, trouble, setTrouble }
}
