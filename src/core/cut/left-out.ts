import { uncovered } from './edits'
import { groundOf } from './ground'
import { maskOf, pixelsOf, tight } from './mask'
import type { Cut } from './plan'
import { packed, packHex, type Raster, type Rect } from './raster'

/** Parts of this side or less are left to the space around them, px. */
const SPECK = 3

/**
 * What of a design no cut covers although something stands there: flat ground between cuts becomes space by itself and is not told of. Each area is drawn
 * in to what it holds.
 */
export function leftOut(raster: Raster, cuts: readonly Cut[]): Rect[] {
  const px = packed(raster)
  return uncovered(cuts, raster).flatMap((area) => {
    const m = maskOf(px, raster.width, area, packHex(groundOf(raster, area).color), 24, 1)
    const t = tight(m, { x: 0, y: 0, w: m.cols, h: m.rows })
    return t && t.w > SPECK && t.h > SPECK ? [pixelsOf(m, t, raster)] : []
  })
}
