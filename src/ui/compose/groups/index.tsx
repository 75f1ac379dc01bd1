'use client'
import type { ComponentType } from 'react'
import type { SetTile } from '@/core/email/edits'
import type { Tile, TileKind } from '@/core/email/tile'
import { buttonTray } from './button'
import { codeTray } from './code'
import { conditionalTray } from './conditional'
import { dividerTray } from './divider'
import { footerTray } from './footer'
import { gapTray } from './gap'
import { menuTray } from './menu'
import { pictureTray } from './picture'
import { reviewTray } from './review'
import { socialTray } from './social'
import { tableTray } from './table'
import { wordsTray } from './words'
import type { AnyTileProps, TrayDefinition } from './parts'

/** What the tray shows of each kind of tile, in the order in which kinds are offered: one line here for each file beside this one. */
const trays: { [K in TileKind]: TrayDefinition<K> } = {
  words: wordsTray,
  picture: pictureTray,
  button: buttonTray,
  divider: dividerTray,
  gap: gapTray,
  menu: menuTray,
  social: socialTray,
  table: tableTray,
  review: reviewTray,
  footer: footerTray,
  code: codeTray,
  conditional: conditionalTray,
}

/** Kinds in the order in which they are offered. */
export const offeredKinds = Object.keys(trays) as TileKind[]

/** What a kind of tile is called. */
export const kindLabel = (kind: TileKind): string => trays[kind].label

/** How many columns the groups of a tile fill, beside those that every tile has. */
export const groupColumns = (kind: TileKind): string => trays[kind].columns

/** What a new tile begins with, where that takes a moment to make; null where it has all at once. */
export function beginning(tile: Tile): Promise<SetTile['set']> | null {
  const { begin } = trays[tile.kind] as TrayDefinition<TileKind>
  return begin ? begin(tile) : null
}

/** The groups of a tile's own kind. */
export function KindGroups(props: AnyTileProps & { tile: Tile }) {
  const Groups = trays[props.tile.kind].Groups as ComponentType<AnyTileProps>
  return <Groups {...props} />
}
