import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import { starsOf } from './html'
import type { ReviewTile } from './schema'

/** Words that bring marks of their own, and the dash before a name. */
const QUOTED = /^["\u201c\u201e\u00ab\u00bb\u2018\u201a]/
const DASH = /^[-\u2013\u2014]\s*/

/** A review as plain text: stars, the words in quotation marks, who said them. */
export function reviewText(tile: ReviewTile, { fields }: TextContext): string {
  const by = [tile.who, tile.about]
    .map((w) => replaceFields(w, fields).trim())
    .filter(Boolean)
    .join(', ')
  const said = replaceFields(tile.text, fields).trim()
  const quoted = QUOTED.test(said)
  return [
    tile.stars === null ? '' : `${starsOf(tile.stars)} (${tile.stars} of 5)`,
    said && (quoted ? said : `"${said}"`),
    by && `- ${by.replace(DASH, '')}`,
  ]
    .filter(Boolean)
    .join('\n')
}
