import type { Tile } from '../../../email/tile'
import type { MarksGroup } from '../../intent/marks'
import type { Building, Placed } from '../building'
import { spaceAround, type Base, type Spot } from './place'

/** Marks in a row. */
export function marksTile(b: Building, group: MarksGroup, base: Base, spot: Spot): Placed<Tile> {
  const padding = spaceAround(b, group.box, spot)
  const marks = group.cuts.flatMap((c) => {
    const picture = c.own ?? b.input.pictures.get(c.id)
    return picture
      ? [{ picture, alt: c.alt, link: c.link, width: Math.max(4, Math.min(300, b.px(c.w))) }]
      : []
  })
  const height = Math.max(1, ...group.cuts.map((c) => b.px(c.h)))
  return {
    made: { ...base, kind: 'marks', padding, marks, gap: Math.min(80, b.px(group.gap)), align: 'left' },
    top: spot.top,
    bottom: spot.top + (padding.top + height) * b.scale,
  }
}
