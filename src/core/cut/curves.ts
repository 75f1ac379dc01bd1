import type { Edge } from './edges'
import { groundOf } from './ground'
import type { Cut } from './plan'
import { difference, packHex, type Raster } from './raster'

/** A picture of this share of the design's width reaches across it. */
const ACROSS = 0.9
/** Grounds that differ by more than this in any channel are two. */
const APART = 10

/**
 * A curve or wave between two grounds is a picture that reaches across, with one of them over it and the other under it. Bands meet
 * there, not in the middle of the free rows beside it: those have the ground of the other side.
 */
export function edgesAtCurves(edges: readonly Edge[], cuts: readonly Cut[], raster: Raster): Edge[] {
  const across = cuts.filter((c) => c.kind === 'picture' && c.w >= ACROSS * raster.width)
  return edges.map((edge, i) => {
    if (edge.why !== 'gutter') return edge
    const [from, to] = [edges[i - 1]?.y ?? 0, edges[i + 1]?.y ?? raster.height]
    const free = groundOf(raster, { x: 0, y: edge.y, w: raster.width, h: 1 }).color
    const turns = (c: Cut) => c.ground !== null && difference(packHex(c.ground), packHex(free)) > APART
    const below = first(
      cuts.filter((c) => c.y >= edge.y && c.y < to),
      (a, b) => a.y - b.y,
    )
    if (below && across.includes(below) && turns(below)) return { ...edge, y: below.y }
    const above = first(
      cuts.filter((c) => c.y + c.h <= edge.y && c.y >= from),
      (a, b) => b.y + b.h - a.y - a.h,
    )
    if (above && across.includes(above) && turns(above)) return { ...edge, y: above.y + above.h }
    return edge
  })
}

const first = <T>(list: readonly T[], order: (a: T, b: T) => number): T | undefined =>
  [...list].sort(order)[0]
