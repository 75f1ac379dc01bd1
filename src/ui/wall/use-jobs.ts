'use client'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { call } from '../api'

/** A job as the wall shows it. */
export interface WallJob {
  id: string
  name: string
  client: { id: string; name: string }
  width: number
  due: string | null
  archived: boolean
  /** Null where it began without one. */
  design: { id: string; width: number; height: number } | null
  state: 'design' | 'cut' | 'composing' | 'ready' | 'handed over'
  cutCount: number
  toMend: number
  toMind: number
  /** Why its documents cannot be read; null where all is well. */
  trouble: string | null
  updatedAt: string
  emailRevision: number
}

/** How many jobs there are. */
export interface JobCount {
  open: number
  archived: number
}

/**
 * The jobs on the wall: what the page came with at once, all others as soon as that is drawn, archived ones when they
 * are asked for. What other tabs and scripts did meanwhile is shown on coming back.
 * @param first what the page came with @param count how many there are in all
 * @param archived whether the archived ones are shown
 */
export function useJobs(first: readonly WallJob[], count: JobCount, archived: boolean) {
  const [open, setOpen] = useState(first)
  const [stored, setStored] = useState<readonly WallJob[] | null>(null)
  const [counted, setCounted] = useState(count)
  const asked = useRef(archived)
  asked.current = archived
  const reload = useCallback(async () => {
    const list = (of: 'true' | 'false') => call('GET /api/jobs', { query: { archived: of } })
    try {
      const [now, put] = await Promise.all([list('false'), asked.current ? list('true') : null])
      // Hundreds of strips are drawn piece by piece, while the page goes on.
      startTransition(() => {
        setOpen(now.jobs)
        if (put) setStored(put.jobs)
        setCounted(now.count)
      })
    } catch {
      // What is shown stays; coming back to the page asks again.
    }
  }, [])
  const partial = first.length < count.open
  useEffect(() => {
    if (partial || archived) void reload()
  }, [partial, archived, reload])
  useEffect(() => {
    const on = () => void reload()
    addEventListener('focus', on)
    return () => removeEventListener('focus', on)
  }, [reload])
  return { shown: archived ? (stored ?? []) : open, loading: archived && !stored, counted, reload }
}
