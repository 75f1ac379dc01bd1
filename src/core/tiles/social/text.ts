import { linked, type TextContext } from '../context'
import { addressOf } from './icons'
import type { SocialTile } from './schema'

/** Icons as plain text: what each says and where it leads, one to a line. */
export const socialText = (tile: SocialTile, c: TextContext): string =>
  tile.icons
    .filter((i) => i.picture)
    .map((i) => linked(i.alt, addressOf(i), c))
    .filter(Boolean)
    .join('\n')
