import { useEffect, useState } from 'react'
import type { Parts } from '@/core/compile'
import type { Forecast, Looking } from '@/core/readers/forecast'
import { profiles } from '@/core/readers/profiles'
import { toast } from '../../parts/toast'
import { forecastOf } from '../../bench/forecasts'

/** How long an email rests before it is shown to the readers, ms. */
const REST = 400

/** The email as each reader shows it, by the reader's id; after an edit all keep what they had until all are made anew. */
export function useReaders(parts: Parts | null, { night, weights }: Looking): ReadonlyMap<string, Forecast> {
  const [shown, setShown] = useState<ReadonlyMap<string, Forecast>>(new Map())
  useEffect(() => {
    if (!parts) return
    let wanted = true
    const begin = async () => {
      const all = new Map<string, Forecast>()
      for (const { id } of profiles) {
        all.set(id, await forecastOf(id, parts, { night, weights }))
        if (!wanted) return
      }
      setShown(all)
    }
    const wait = setTimeout(() => {
      begin().catch((e: Error) => wanted && toast.error(e.message))
    }, REST)
    return () => {
      wanted = false
      clearTimeout(wait)
    }
  }, [parts, night, weights])
  return shown
}
