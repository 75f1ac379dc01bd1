import type { Band, Email } from '../email/schema'
import { cutsOf } from '../email/tile'
import { tilesOf } from '../email/walk'
import type { CutPlan } from './plan'
import { around } from './raster'

/** A part of the design from the top down, design px. */
export interface DesignStretch {
  top: number
  height: number
}

/**
 * Where each band of an email begins and ends in the design: at the edges of bands around its cuts, and where there is none between two
 * bands in the middle between them. Bands made by hand have no place there.
 * @param height of the design, px
 */
export function stretchesOf(email: Email, plan: CutPlan, height: number): Map<string, DesignStretch> {
  const cuts = new Map(plan.cuts.map((c) => [c.id, c]))
  const drawn = email.bands.flatMap((band) => {
    const own = [...cutIdsOf(band)].flatMap((id) => cuts.get(id) ?? [])
    if (!own.length) return []
    const { y, h } = around(own)
    return [{ id: band.id, from: y, to: y + h }]
  })
  const edges = [0, ...plan.edges, height]
  const out = new Map<string, DesignStretch>()
  drawn.forEach(({ id, from, to }, i) => {
    const [above, below] = [drawn[i - 1], drawn[i + 1]]
    // What another band holds is none of this one's.
    const least = above && above.to <= from ? above.to : 0
    const most = below && below.from >= to ? below.from : height
    const top = edges.filter((e) => e >= least && e <= from).at(-1) ?? Math.round((least + from) / 2)
    const end = edges.find((e) => e >= to && e <= most) ?? Math.round((to + most) / 2)
    out.set(id, { top, height: end - top })
  })
  return out
}

const cutIdsOf = (band: Band): Set<string> =>
  new Set([...tilesOf(band)].flatMap((t) => cutsOf(t).filter(Boolean)))

/**
 * Where each band of an email stands in the narrow design, px of that design, as the last build found it. A band has all of the
 * design's bands of which it holds at least half of the cuts; one that has none has no place there.
 */
export function narrowStretchesOf(email: Email, plan: Pick<CutPlan, 'onNarrow'>): Map<string, DesignStretch> {
  const out = new Map<string, DesignStretch>()
  for (const band of email.bands) {
    const own = cutIdsOf(band)
    const found = (plan.onNarrow ?? []).filter(
      (s) => 2 * s.cuts.filter((id) => own.has(id)).length >= s.cuts.length,
    )
    if (!found.length) continue
    const top = Math.min(...found.map((s) => s.top))
    out.set(band.id, { top, height: Math.max(...found.map((s) => s.top + s.height)) - top })
  }
  return out
}
