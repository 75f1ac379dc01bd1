import { linked, type TextContext } from '../texts'
import { shareLink } from './icons'
import type { SocialTile } from './schema'

/** Icons as plain text: what each says and where it leads, one to a line. */
export const socialText = (tile: SocialTile, c: TextContext): string =>
  tile.icons
    .filter((i) => i.picture)
    .map((i) => linked(i.alt, i.share ? shareLink(i.link, i.share, i.title ?? i.alt) : i.link, c))
    .filter(Boolean)
    .join('\n')
