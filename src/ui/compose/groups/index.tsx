'use client'
import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import type { SetTile } from '@/core/email/edits'
import type { Tile, TileKind } from '@/core/email/tile'
import type { AnyTileProps, TrayDefinition } from './parts'

/**
 * What the tray shows of each kind of tile, in the order in which kinds are offered. The groups of a kind come when one of
 * it is first selected.
 */
const trays: { [K in TileKind]: TrayDefinition<K> } = {
  words: {
    label: 'Words',
    columns: '1.2fr 1.1fr 0.95fr 1.05fr',
    Groups: dynamic(() => import('./words').then((m) => m.WordsGroups), { ssr: false }),
  },
  picture: {
    label: 'Picture',
    columns: '1.3fr 1fr 1fr',
    Groups: dynamic(() => import('./picture').then((m) => m.PictureGroups), { ssr: false }),
  },
  button: {
    label: 'Button',
    columns: '1.15fr 0.95fr 0.85fr 0.9fr',
    Groups: dynamic(() => import('./button').then((m) => m.ButtonGroups), { ssr: false }),
  },
  divider: {
    label: 'Divider',
    columns: '1fr 1fr',
    Groups: dynamic(() => import('./divider').then((m) => m.DividerGroups), { ssr: false }),
  },
  gap: {
    label: 'Gap',
    columns: '1fr',
    Groups: dynamic(() => import('./gap').then((m) => m.GapGroups), { ssr: false }),
  },
  menu: {
    label: 'Menu',
    columns: '1.15fr 0.9fr 1.1fr 0.85fr',
    Groups: dynamic(() => import('./menu').then((m) => m.MenuGroups), { ssr: false }),
  },
  social: {
    label: 'Social',
    columns: '1fr 1.1fr 1fr',
    Groups: dynamic(() => import('./social').then((m) => m.SocialGroups), { ssr: false }),
    begin: (tile) => import('./social').then((m) => m.firstIcons(tile)),
  },
  marks: {
    label: 'Marks',
    columns: '1.1fr 1.3fr 0.8fr',
    Groups: dynamic(() => import('./marks').then((m) => m.MarksGroups), { ssr: false }),
  },
  table: {
    label: 'Table',
    columns: '0.95fr 1fr 1.1fr 0.85fr',
    Groups: dynamic(() => import('./table').then((m) => m.TableGroups), { ssr: false }),
  },
  review: {
    label: 'Review',
    columns: '1.15fr 1fr 1.1fr 0.85fr',
    Groups: dynamic(() => import('./review').then((m) => m.ReviewGroups), { ssr: false }),
  },
  panels: {
    label: 'Panels',
    columns: '1.1fr 1.1fr 1fr',
    Groups: dynamic(() => import('./panels').then((m) => m.PanelsGroups), { ssr: false }),
  },
  carousel: {
    label: 'Picture row',
    columns: '1.1fr 1fr 1fr',
    Groups: dynamic(() => import('./carousel').then((m) => m.CarouselGroups), { ssr: false }),
  },
  spots: {
    label: 'Places on a picture',
    columns: '1fr 1.1fr 1.1fr',
    Groups: dynamic(() => import('./spots').then((m) => m.SpotsGroups), { ssr: false }),
  },
  swap: {
    label: 'Before and after',
    columns: '1fr 1fr 1.1fr',
    Groups: dynamic(() => import('./swap').then((m) => m.SwapGroups), { ssr: false }),
  },
  rating: {
    label: 'Rating',
    columns: '1.1fr 1.1fr 1.1fr',
    Groups: dynamic(() => import('./rating').then((m) => m.RatingGroups), { ssr: false }),
  },
  form: {
    label: 'Form or poll',
    columns: '1fr 1fr 1fr 1fr',
    Groups: dynamic(() => import('./form').then((m) => m.FormGroups), { ssr: false }),
  },
  quiz: {
    label: 'Quiz',
    columns: '1fr 1.1fr 1fr 0.9fr',
    Groups: dynamic(() => import('./quiz').then((m) => m.QuizGroups), { ssr: false }),
  },
  swatches: {
    label: 'Swatches',
    columns: '1.1fr 1fr 1fr',
    Groups: dynamic(() => import('./swatches').then((m) => m.SwatchesGroups), { ssr: false }),
  },
  live: {
    label: 'Live list',
    columns: '1.1fr 1fr 1fr',
    Groups: dynamic(() => import('./live').then((m) => m.LiveGroups), { ssr: false }),
  },
  footer: {
    label: 'Footer',
    columns: '1.15fr 1.05fr 1.1fr 0.85fr',
    Groups: dynamic(() => import('./footer').then((m) => m.FooterGroups), { ssr: false }),
  },
  code: {
    label: 'Code',
    columns: '1fr 1.4fr',
    Groups: dynamic(() => import('./code').then((m) => m.CodeGroups), { ssr: false }),
  },
  conditional: {
    label: 'Word engine',
    columns: '1.6fr',
    Groups: dynamic(() => import('./conditional').then((m) => m.ConditionalGroups), { ssr: false }),
  },
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
