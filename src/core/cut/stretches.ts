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
 * Where each band of an email begins and ends in the design: at the edges of bands around its cuts, and where there is none in the
 * middle between them and the next cuts above and below, of another band or of none. Bands made by hand have no place there.
 * @param height of the design, px
 */
export function stretchesOf(email: Email, plan: CutPlan, height: number): Map<string, DesignStretch> {
  const edges = [0, ...plan.edges, height]
  const out = new Map<string, DesignStretch>()
  for (const band of email.bands) {
    const ids = cutIdsOf(band)
    const own = plan.cuts.filter((c) => ids.has(c.id))
    if (!own.length) continue
    const { y: from, h } = around(own)
    const to = from + h
    const others = plan.cuts.filter((c) => !ids.has(c.id))
    const least = Math.max(0, ...others.map((c) => c.y + c.h).filter((y) => y <= from))
    const most = Math.min(height, ...others.map((c) => c.y).filter((y) => y >= to))
    const top = edges.filter((e) => e >= least && e <= from).at(-1) ?? Math.round((least + from) / 2)
    const end = edges.find((e) => e >= to && e <= most) ?? Math.round((to + most) / 2)
    out.set(band.id, { top, height: end - top })
  }
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
