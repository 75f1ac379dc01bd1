import { plainOfHtml } from '../../compile/plain'
import { replaceFields } from '../../handover/fields'
import type { TextContext } from '../texts'
import type { WordTile } from './schema'

/** The words of what all other readers show. */
export const wordText = (tile: WordTile, c: TextContext): string =>
  plainOfHtml(replaceFields(tile.others, c.fields), c.link)
