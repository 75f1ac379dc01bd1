import type { Sides } from '../../../email/styles'
import type { Tile } from '../../../email/tile'
import type { Rect } from '../../raster'
import type { Building } from '../building'

/** What the tile of every group has. */
export type Base = Pick<Tile, 'id' | 'cuts' | 'show'>

/** Where a group's tile goes. */
export interface Spot {
  /** Its cell, design px. */
  rect: Rect
  /** Where the space above it begins, design px. */
  top: number
  /** The colour it stands on. */
  behind: string
}

/** Space around a box in its cell, px of the email. */
export const spaceAround = (b: Building, box: Rect, { rect, top }: Pick<Spot, 'rect' | 'top'>): Sides => ({
  top: b.px(box.y - top),
  bottom: 0,
  left: b.px(box.x - rect.x),
  right: b.px(rect.x + rect.w - box.x - box.w),
})
