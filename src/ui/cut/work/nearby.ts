import { useEffect, useState } from 'react'
import type { Ground } from '@/core/cut/ground'
import type { Cut } from '@/core/cut/plan'
import type { Size } from '@/core/cut/edits'
import { rectKey } from './rect-key'
import type { OpenCutter } from './use-cutter'

/** How far above and below the selected cut clean edges are looked for, design px. */
const NEAR = 200

/** How long the selection stands before they are looked for, ms. */
const SETTLE = 250

/** Clean edges to snap to: where the selected cut's content and its surroundings begin and end, design px. */
export function useContentEdges(open: OpenCutter, current: Cut | null, size: Size) {
  const [content, setContent] = useState<{ x: number[]; y: number[] }>({ x: [], y: [] })
  const around =
    current && `${Math.max(0, current.y - NEAR)},${Math.min(size.height, current.y + current.h + NEAR)}`
  useEffect(() => {
    if (!around) return setContent({ x: [], y: [] })
    const [top, bottom] = around.split(',').map(Number) as [number, number]
    const timer = setTimeout(
      () =>
        open()
          .ask({ kind: 'content', rect: { x: 0, y: top, w: size.width, h: bottom - top } })
          .then(setContent, () => {}),
      SETTLE,
    )
    return () => clearTimeout(timer)
  }, [around, open, size.width])
  return content
}

/** How flat the selected cut's ground is: a slope of colour or a texture cannot stand behind live words. */
export function useGrounds(open: OpenCutter, current: Cut | null) {
  const [grounds, setGrounds] = useState<Map<string, Ground>>(new Map())
  useEffect(() => {
    if (!current || current.kind === 'picture' || current.kind === 'nothing') return
    const key = rectKey(current)
    if (!grounds.has(key))
      open()
        .ask({ kind: 'ground', rect: current })
        .then(
          (g) => setGrounds((m) => new Map(m).set(key, g)),
          () => {},
        )
  }, [current, grounds, open])
  return (c: Cut) => grounds.get(rectKey(c))
}
