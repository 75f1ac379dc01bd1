import { uncovered } from './edits'
import { groundOf } from './ground'
import { maskOf, pixelsOf, tight } from './mask'
import type { Cut, Panel } from './plan'
import { overlap, packed, packHex, type Raster, type Rect } from './raster'

/** Parts of this side or less are left to the space around them, px. */
const SPECK = 3

/**
 * What of a design no cut covers although something stands there: flat ground between cuts becomes space by
 * itself and is not told of, nor are the panels under them with their edges. Each area is drawn in to what it
 * holds.
 */
export function leftOut(raster: Raster, cuts: readonly Cut[], panels: readonly Panel[]): Rect[] {
  const px = packed(raster)
  // A picture behind a band is in the email with all that is drawn there.
  const pictures = panels.filter((p) => p.picture)
  const others = panels.filter((p) => !p.picture)
  const bare = cuts.filter((c) => !pictures.some((p) => holds(p, c)))
  const whole = { x: 0, y: 0, w: raster.width, h: raster.height }
  const areas = free(whole, [...bare, ...pictures], others).sort((a, b) => a.y - b.y || a.x - b.x)
  return areas.flatMap((area) => {
    const m = maskOf(px, raster.width, area, packHex(groundOf(raster, area).color), 24, 1)
    const t = tight(m, { x: 0, y: 0, w: m.cols, h: m.rows })
    return t && t.w > SPECK && t.h > SPECK ? [pixelsOf(m, t, raster)] : []
  })
}

/** What is free in a region beside the cuts and panels there, and inside each of these. */
function free(region: Rect, cuts: readonly Rect[], panels: readonly Panel[]): Rect[] {
  // The largest first: what lies in one of them is looked for inside it.
  const here = panels.filter((p) => holds(region, p)).sort((a, b) => b.w * b.h - a.w * a.h)
  const outer = here.reduce<Panel[]>(
    (found, p) => (found.some((o) => holds(o, p)) ? found : [...found, p]),
    [],
  )
  const taken = [...cuts, ...outer].flatMap((c) => {
    const o = overlap(c, region)
    return o ? [{ ...o, x: o.x - region.x, y: o.y - region.y }] : []
  })
  const around = uncovered(taken, { width: region.w, height: region.h }).map((r) => ({
    ...r,
    x: r.x + region.x,
    y: r.y + region.y,
  }))
  return [
    ...around,
    ...outer.flatMap((p) =>
      free(
        inside(p),
        cuts,
        here.filter((o) => o !== p && holds(p, o)),
      ),
    ),
  ]
}

const holds = (a: Rect, b: Rect): boolean =>
  b.x >= a.x && b.y >= a.y && b.x + b.w <= a.x + a.w && b.y + b.h <= a.y + a.h

/**
 * A panel without its edges and the rims of its round corners (where a circle leaves out 0.3 of its radius on
 * the diagonal).
 */
function inside({ x, y, w, h, radius, borderWidth = 0, bar }: Panel): Rect {
  const by = Math.max(borderWidth + 2, Math.ceil(0.3 * radius))
  const at = (side: NonNullable<typeof bar>['side']) => by + (bar?.side === side ? bar.width : 0)
  return {
    x: x + at('left'),
    y: y + at('top'),
    w: Math.max(0, w - at('left') - at('right')),
    h: Math.max(0, h - at('top') - at('bottom')),
  }
}
