import type { Raster } from '@/core/cut/raster'
import { emptyPlan, type Cut, type CutPlan } from '@/core/cut/plan'

/** A cut by name and place, design px; a picture without words unless `more` says otherwise. */
export const cutAt = (
  id: string,
  x: number,
  y: number,
  w: number,
  h: number,
  more: Partial<Cut> = {},
): Cut => ({ id, x, y, w, h, kind: 'picture', alt: null, link: '', words: null, ground: null, ...more })

/** A plan of these cuts and nothing else. */
export const planOf = (...cuts: Cut[]): CutPlan => ({ ...emptyPlan(), cuts })

/** White, with a red quarter and one green pixel in the far corner, 100 by 100 px. */
export function redQuarter(): Raster {
  const px = new Uint32Array(100 * 100).fill(0xffffffff)
  for (let y = 0; y < 50; y++) px.fill(0xff2040c0, y * 100, y * 100 + 50)
  px[99 * 100 + 99] = 0xff00ff00
  return { width: 100, height: 100, data: new Uint8Array(px.buffer) }
}
