'use client'
import type { ComponentType } from 'react'
import type { TileKind } from '@/core/tiles/schema'
import { ButtonGroups } from './button'
import { CodeGroups, WordGroups } from './code'
import { DividerGroups } from './divider'
import { FooterGroups } from './footer'
import { GapGroups } from './gap'
import { MenuGroups } from './menu'
import type { AnyTileProps, TileProps } from './parts'
import { PictureGroups } from './picture'
import { ReviewGroups } from './review'
import { SocialGroups } from './social'
import { TableGroups } from './table'
import { WordsGroups } from './words'

/** What each kind of tile is called, in the order in which they are offered. */
export const kindLabels: Record<TileKind, string> = {
  words: 'Words',
  picture: 'Picture',
  button: 'Button',
  divider: 'Divider',
  gap: 'Gap',
  menu: 'Menu',
  social: 'Social',
  table: 'Table',
  review: 'Review',
  footer: 'Footer',
  code: 'Code',
  word: 'Word engine',
}

const groups: { [K in TileKind]: ComponentType<TileProps<K>> } = {
  words: WordsGroups,
  picture: PictureGroups,
  button: ButtonGroups,
  divider: DividerGroups,
  gap: GapGroups,
  menu: MenuGroups,
  social: SocialGroups,
  table: TableGroups,
  review: ReviewGroups,
  footer: FooterGroups,
  code: CodeGroups,
  word: WordGroups,
}

/** How many columns the groups of a kind fill, beside those that every tile has. */
export const groupColumns: Record<TileKind, string> = {
  words: '1.2fr 1.1fr 0.95fr 1.05fr',
  picture: '1.3fr 1fr 1fr',
  button: '1.15fr 0.95fr 0.85fr 0.9fr',
  divider: '1fr 1fr',
  gap: '1fr',
  menu: '1.2fr 0.9fr 1fr 0.9fr',
  social: '1fr 1.1fr 1fr',
  table: '1fr 1fr 1fr 0.9fr',
  review: '1.3fr 0.9fr 1fr 0.9fr',
  footer: '1.2fr 1.1fr 1fr 0.9fr',
  code: '1fr 1.4fr',
  word: '1.6fr',
}

/** The groups of a tile's own kind. */
export function KindGroups(props: AnyTileProps) {
  const Groups = groups[props.tile.kind] as ComponentType<AnyTileProps>
  return <Groups {...props} />
}
