import { createContext, useContext, useEffect, useState } from 'react'
import { onBroken } from './on-broken'
import type { PaletteAnswer, PaletteCall } from '../../workers/palette'

/** The design whose colours are offered where one is chosen; null: there is none. */
const Design = createContext<string | null>(null)
export const DesignColorsOf = Design.Provider

/** What was counted, by the id of the design. */
const known = new Map<string, Promise<string[]>>()

function counted(design: string): Promise<string[]> {
  const before = known.get(design)
  if (before) return before
  const colors = new Promise<string[]>((resolve) => {
    const worker = new Worker(new URL('../../workers/palette.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<PaletteAnswer>) => {
      resolve(data.colors)
      worker.terminate()
    }
    // What failed is tried again when the colours are wanted next.
    onBroken(worker, () => {
      known.delete(design)
      resolve([])
    })
    const call: PaletteCall = { address: `${location.origin}/api/pictures/${design}` }
    worker.postMessage(call)
  })
  known.set(design, colors)
  return colors
}

/** The design's exact colours, the commonest first, counted by a worker when they are first wanted. */
export function useDesignColors(wanted: boolean): readonly string[] {
  const design = useContext(Design)
  const [colors, setColors] = useState<readonly string[]>([])
  useEffect(() => {
    if (!wanted || !design) return
    let current = true
    void counted(design).then((found) => current && setColors(found))
    return () => {
      current = false
    }
  }, [wanted, design])
  return colors
}
