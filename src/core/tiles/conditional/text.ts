import { plainOfHtml } from '#reading'
import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import type { ConditionalTile } from './schema'

/** The words of what all other readers show. */
export const conditionalText = (tile: ConditionalTile, c: TextContext): string =>
  plainOfHtml(replaceFields(tile.others, c.fields), c.link)
