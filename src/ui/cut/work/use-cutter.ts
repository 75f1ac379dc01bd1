import { useEffect, useMemo, useRef } from 'react'
import { Cutter } from './cutter'

/** The cutting worker of a design: opened when it is first asked, and anew where it was closed or the design replaced. */
export interface OpenCutter {
  (): Cutter
  /** Ends the worker and whatever it is doing. */
  close: () => void
}

/** @param design id of its picture */
export function useCutter(design: string): OpenCutter {
  const cutter = useRef<Cutter | null>(null)
  const open = useMemo(
    () =>
      Object.assign(() => (cutter.current ??= new Cutter(`/api/pictures/${design}`)), {
        close: () => {
          cutter.current?.close()
          cutter.current = null
        },
      }),
    [design],
  )
  useEffect(() => open.close, [open])
  return open
}
