import type { ElementContent } from 'hast'
import { placePictures } from '../../html/pictures'
import { replaceFields } from '../../text/fields'
import type { TileContext } from '../context'
import type { CodeTile } from './schema'
import { treeOf } from '#reading'

/** The AMP that a person wrote for a code tile; null where it has none of its own. */
export function codeAmp(tile: CodeTile, c: TileContext): ElementContent[] | null {
  if (!tile.amp?.trim()) return null
  const html = replaceFields(placePictures(tile.amp, tile.pictures ?? {}, c.src), c.fields)
  return treeOf(html, { fragment: true }).children.filter((n): n is ElementContent => n.type !== 'doctype')
}
