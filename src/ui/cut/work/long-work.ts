import { useCallback, useState } from 'react'
import { localTask } from '../../tasks/store'

/** Work of the stage that takes long: one at a time, with its progress and a way to end it. */
export interface LongWork {
  what: string
  done: number
  total: number
  cancel: () => void
}

export interface LongWorks {
  work: LongWork | null
  /** Shows work until it ends. Where the page itself does it, it stands among all other work too. */
  during: <T>(
    begin: Omit<LongWork, 'done'> & { here: boolean },
    run: (tell: (p: { done: number; total?: number }) => void) => Promise<T>,
  ) => Promise<T>
}

/** The long work of the stage. */
export function useLongWork(): LongWorks {
  const [work, setWork] = useState<LongWork | null>(null)
  const during: LongWorks['during'] = useCallback(async ({ here, ...begin }, run) => {
    const shown = here ? localTask(begin.what, begin.cancel) : null
    let now: LongWork = { ...begin, done: 0 }
    setWork(now)
    try {
      return await run((p) => {
        now = { ...now, ...p }
        setWork(now)
        shown?.tell(now)
      })
    } finally {
      shown?.end()
      setWork(null)
    }
  }, [])
  return { work, during }
}
