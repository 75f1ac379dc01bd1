import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import { starsOf } from './html'
import type { ReviewTile } from './schema'

/** A review as plain text: stars, the words in quotation marks, who said them. */
export function reviewText(tile: ReviewTile, { fields }: TextContext): string {
  const by = [tile.who, tile.about]
    .map((w) => replaceFields(w, fields).trim())
    .filter(Boolean)
    .join(', ')
  const said = replaceFields(tile.text, fields).trim()
  return [
    tile.stars === null ? '' : `${starsOf(tile.stars)} (${tile.stars} of 5)`,
    said && `"${said}"`,
    by && `- ${by}`,
  ]
    .filter(Boolean)
    .join('\n')
}
