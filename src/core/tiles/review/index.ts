import { defineTile, none } from '../definition'
import { pairOf } from '../letters'
import { byStyle, reviewHolder, reviewHtml, reviewStyle } from './html'
import { reviewSchema, type ReviewTile } from './schema'
import { reviewText } from './text'

export const review = defineTile<ReviewTile>({
  kind: 'review',
  schema: reviewSchema,
  first: () => ({
    text: 'What somebody said about it.',
    who: 'A name',
    about: '',
    stars: 5,
    starColor: '#b97d12',
    align: 'left',
  }),
  holder: reviewHolder,
  html: reviewHtml,
  states: none,
  text: reviewText,
  links: none,
  relinked: () => null,
  words: (tile) => [tile.text, tile.who, tile.about],
  pictures: none,
  lacks: (tile) => (tile.text.trim() ? null : 'Review without words'),
  wordless: () => null,
  pairs: (tile, look, ground) => [
    pairOf(reviewStyle(tile, look), ground),
    ...(tile.byStyle ? [pairOf(byStyle(tile, look), ground)] : []),
  ],
})
