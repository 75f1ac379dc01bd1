import { linked, type TextContext } from '../context'
import type { ButtonTile } from './schema'

/** A button as plain text: its words and where it leads. */
export const buttonText = (tile: ButtonTile, c: TextContext): string => linked(tile.label, tile.link, c)
