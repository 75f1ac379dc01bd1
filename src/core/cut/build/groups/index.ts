import type { Tile } from '../../../email/tile'
import { membersOf, type Group } from '../../intent'
import type { Cut } from '../../plan'
import type { Building, Placed } from '../building'
import { marksTile } from './marks'
import { menuTile } from './menu'
import type { Spot } from './place'
import { tableTile } from './table'

/** A group as the one tile that says what is meant. @param cut the one that stands for it */
export function groupTile(b: Building, group: Group, cut: Cut, spot: Spot): Placed<Tile> {
  const base = {
    id: `t-${cut.id}`,
    cuts: membersOf(group).map((c) => c.id),
    show: 'all' as const,
  }
  if (group.kind === 'marks') return marksTile(b, group, base, spot)
  if (group.kind === 'menu') return menuTile(b, group, base, spot)
  return tableTile(b, group, base, spot)
}
