import type { Sides } from '../../email/styles'
import type { Tile, TileOf } from '../../email/tile'
import { isUnread, type Cut } from '../plan'
import type { Rect } from '../raster'
import { buttonOf } from './button'
import type { Building, Placed } from './building'
import { groupTile } from './groups'
import { wordsOf } from './words'

/** A tile, with its place in the cell as padding. @param top where the space above it begins, design px */
export function tileOf(b: Building, cut: Cut, rect: Rect, top: number, behind: string): Placed<Tile> {
  const group = b.groups.get(cut.id)
  if (group) return groupTile(b, group, cut, { rect, top, behind })
  const padding: Sides = {
    top: b.px(cut.y - top),
    bottom: 0,
    left: b.px(cut.x - rect.x),
    right: b.px(rect.x + rect.w - cut.x - cut.w),
  }
  const base = { id: `t-${cut.id}`, cut: cut.id, show: 'all' as const, padding }
  /** Where a tile of a height ends. @param height px */
  const under = (height: number) => top + (padding.top + height) * b.scale
  const [w, h] = [Math.max(1, Math.round(cut.w / b.scale)), Math.max(1, Math.round(cut.h / b.scale))]
  if (cut.kind === 'flat') return { made: { ...base, kind: 'gap', height: h }, top, bottom: under(h) }
  if (cut.kind === 'rule') {
    const thickness = Math.max(1, Math.min(40, Math.round(cut.h / b.scale)))
    return {
      made: { ...base, kind: 'divider', color: ruleColor(b, cut, behind), thickness },
      top,
      bottom: under(thickness),
    }
  }
  if (cut.kind === 'words') return wordsOf(b, cut, rect, top, behind)
  if (cut.kind === 'button') return buttonOf(b, cut, base, rect, top)
  const narrowPicture = cut.narrow && b.input.narrowPictures?.get(cut.id)
  return {
    made: {
      ...base,
      kind: 'picture',
      ...(narrowPicture ? { narrowPicture } : {}),
      ...standsFor(b, cut),
      picture: cut.own ?? b.input.pictures.get(cut.id) ?? null,
      alt: cut.alt,
      link: cut.link,
      width: w,
      align: 'left',
    },
    top,
    bottom: under((w * cut.h) / cut.w),
  }
}

/** What a picture stands for whose words were not read. */
function standsFor(b: Building, { id }: Cut): Pick<TileOf<'picture'>, 'standsFor'> {
  const cut = b.input.plan.cuts.find((c) => c.id === id)
  return cut && isUnread(cut) ? { standsFor: cut.kind === 'button' ? 'button' : 'words' } : {}
}

/** A rule's own colour: it mostly fills its cut, else it is what stands off the ground there. */
function ruleColor(b: Building, cut: Cut, behind: string): string {
  const ground = cut.ground ?? behind,
    own = b.input.groundOf(cut).color
  return own !== ground ? own : (b.input.readInk(cut, ground).color ?? '#cccccc')
}
