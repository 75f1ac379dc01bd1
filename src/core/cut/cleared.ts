import type { CutPlan, Panel } from './plan'
import { overlap, type Rect } from './raster'

/** What a picture behind a band is cleaned of, design px. */
export interface Cleared {
  /** Lines of words, whose ink is taken off. */
  lines: Rect[]
  /** Buttons, which are taken off whole. */
  whole: Rect[]
}

/** A single line's height, in sizes of its letters (common practice, no source). */
const LEADING = 1.2

/** What stands on a picture behind a band, by the cuts that lie there. @param scale design px for each px of the email */
export function clearedOf(panel: Panel, { cuts }: Pick<CutPlan, 'cuts'>, scale: number): Cleared {
  const on = cuts.filter((c) => overlap(c, panel))
  return {
    lines: on.flatMap((c): Rect[] => {
      if (c.kind !== 'words') return []
      const size = (c.lettering?.size ?? c.h / scale) * scale
      const pitch = (c.lettering?.line ?? size * (LEADING / scale)) * scale
      const count = Math.max(1, Math.round((c.h - size) / pitch) + 1)
      return Array.from({ length: count }, (_, i) => ({
        x: c.x,
        y: Math.round(c.y + (i * (c.h - Math.min(c.h, size))) / Math.max(1, count - 1)),
        w: c.w,
        h: Math.round(Math.min(c.h, size)),
      }))
    }),
    whole: on.flatMap(({ kind, x, y, w, h }) => (kind === 'button' ? [{ x, y, w, h }] : [])),
  }
}
