import { phrasesOf } from '../../text/phrases'
import { linked, type TextContext } from '../context'
import type { PictureTile } from './schema'

/** A picture as plain text: what it says, as that of a picture, and where it leads. */
export function pictureText(tile: PictureTile, c: TextContext): string {
  const alt = (tile.alt ?? '').trim()
  return linked(alt && `[${phrasesOf(c.lang).picture}: ${alt}]`, tile.link, c)
}
