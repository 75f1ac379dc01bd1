import { measureBand } from '@/core/email/measures'
import type { Email } from '@/core/email/schema'
import type { TileOf } from '@/core/email/tile'
import { placesOf } from '@/core/email/walk'
import { shownWidth } from '@/core/tiles/picture/html'
import { recipeOf } from '@/core/motion/recipes'
import type { Motion } from '@/core/motion/schema'

export type PictureTile = TileOf<'picture'>

/** A picture of the email that moves. */
export interface MovingTile {
  tile: PictureTile
  band: string
  bandName: string
  /** Width it is shown at, px. */
  width: number
}

const moves = (tile: PictureTile): boolean => !!tile.motion || !!tile.picture?.moving

/** The email's moving pictures, in reading order. */
export function movingTiles(email: Email): MovingTile[] {
  return [...placesOf(email)].flatMap(({ band, cell, tile }) => {
    if (tile.kind !== 'picture' || !moves(tile)) return []
    return [{ tile, band: band.id, bandName: band.name, width: widthOf(email, band, cell.id, tile) }]
  })
}

/** Width a picture is shown at, px, whole: what it is drawn for. */
export function widthOf(email: Email, band: Email['bands'][number], cell: string, tile: PictureTile): number {
  const available = measureBand(band, email.width).get(cell)?.content ?? email.width
  const room = available - tile.padding.left - tile.padding.right
  return Math.max(1, Math.round(shownWidth(tile, room)))
}

/** What a moving picture is called. */
export function kindOf(motion: Motion | undefined): string {
  if (!motion) return 'Moving picture'
  const { made } = motion
  return made.kind === 'film'
    ? 'From a film'
    : made.kind === 'countdown'
      ? 'Countdown'
      : (recipeOf(made)?.label ?? '')
}

/** Seconds, as they are read. @param ms */
export const seconds = (ms: number): string => `${(ms / 1000).toFixed(ms < 10_000 ? 1 : 0)} s`
