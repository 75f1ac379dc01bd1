import { linked, type TextContext } from '../context'
import type { PictureTile } from './schema'

/** A picture as plain text: what it says, and where it leads. */
export const pictureText = (tile: PictureTile, c: TextContext): string => linked(tile.alt ?? '', tile.link, c)
