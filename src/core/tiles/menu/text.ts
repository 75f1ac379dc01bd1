import { linked, type TextContext } from '../context'
import type { MenuTile } from './schema'

/** A menu as plain text: a link to a line. */
export const menuText = (tile: MenuTile, c: TextContext): string =>
  tile.items
    .map((i) => linked(i.label, i.link, c))
    .filter(Boolean)
    .join('\n')
