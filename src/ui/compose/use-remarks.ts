import { useEffect, useState } from 'react'
import { call } from '../api'

/** How often it is looked whether somebody remarked something, ms. */
const EVERY = 60_000

/** How many remarks of the client are open, by band: looked up now, on coming back, and every minute. */
export function useOpenRemarks(job: string): ReadonlyMap<string, number> {
  const [open, setOpen] = useState<ReadonlyMap<string, number>>(new Map())
  useEffect(() => {
    const look = () =>
      call('GET /api/jobs/:job/shares', { params: { job } }).then(
        ({ remarks }) => {
          const count = new Map<string, number>()
          for (const { band, settledAt } of remarks)
            if (!settledAt) count.set(band, (count.get(band) ?? 0) + 1)
          // None as before: nothing is drawn anew.
          setOpen((now) => (now.size || count.size ? count : now))
        },
        () => {},
      )
    void look()
    const timer = setInterval(() => void look(), EVERY)
    const back = () => void look()
    addEventListener('focus', back)
    return () => {
      clearInterval(timer)
      removeEventListener('focus', back)
    }
  }, [job])
  return open
}
