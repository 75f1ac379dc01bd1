'use client'
import { useEffect, useReducer, useRef } from 'react'
import type { Ties } from './ties'

/** Ribbons that tie one band from lens to lens, over the grout between them. */
export function Ribbons({
  ties,
  band,
  faint,
  order,
}: {
  ties: Ties
  band: string | null
  faint: string | null
  order: readonly string[]
}) {
  const [, redraw] = useReducer((n: number) => n + 1, 0)
  const svg = useRef<SVGSVGElement>(null)
  useEffect(() => ties.subscribe(redraw), [ties])
  useEffect(() => {
    const on = () => redraw()
    addEventListener('resize', on)
    return () => removeEventListener('resize', on)
  }, [])
  const box = svg.current?.getBoundingClientRect()
  const paths = (id: string | null): string[] => {
    if (!id || !box) return []
    const lenses = new Map(ties.all())
    const edges = order.flatMap((name) => {
      const l = lenses.get(name)
      const b = l?.bands.get(id)
      if (!l || !b) return []
      const view = l.scroller.getBoundingClientRect()
      const left = view.left + l.origin.x + b.left * l.zoom
      const top = view.top + l.origin.y + b.top * l.zoom - l.scroller.scrollTop
      const clamp = (y: number) => Math.max(view.top, Math.min(view.bottom, y)) - box.top
      return [
        {
          left: left - box.left,
          right: left + b.width * l.zoom - box.left,
          top: clamp(top),
          bottom: clamp(top + b.height * l.zoom),
        },
      ]
    })
    return edges.slice(1).flatMap((to, i) => {
      const from = edges[i]!
      if (from.bottom - from.top < 1 && to.bottom - to.top < 1) return []
      const mid = (from.right + to.left) / 2
      return [
        `M${from.right} ${from.top} C${mid} ${from.top} ${mid} ${to.top} ${to.left} ${to.top} V${to.bottom} C${mid} ${to.bottom} ${mid} ${from.bottom} ${from.right} ${from.bottom}Z`,
      ]
    })
  }
  return (
    <svg ref={svg} aria-hidden className="pointer-events-none absolute inset-0 z-10 h-full w-full">
      {faint !== band && paths(faint).map((d) => <path key={d} d={d} fill="#21508f" opacity={0.14} />)}
      {paths(band).map((d) => (
        <path key={d} d={d} fill="#21508f" opacity={0.34} />
      ))}
    </svg>
  )
}
