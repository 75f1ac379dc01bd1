import { ratingHtml } from '#interactive'
import { sides } from '../../email/styles'
import { linked } from '../context'
import { defineTile, none } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { answerLink, sentStates } from '../interactive/answer'
import { looksOf } from '../interactive/looks'
import { firstSayings, firstTarget } from '../interactive/schema'
import { RATING } from './scale'
import { stepsOf } from './scale'
import { ratingSchema, type RatingTile } from './schema'

export const rating = defineTile<RatingTile>({
  kind: 'rating',
  schema: ratingSchema,
  first: () => ({
    padding: sides(12, 0),
    question: 'How was it?',
    scale: 'stars',
    low: '',
    high: '',
    target: firstTarget,
    sayings: firstSayings,
  }),
  holder: plainHolder,
  html: ratingHtml,
  states: () => ['asked', ...sentStates],
  text: (tile, c) =>
    [
      tile.question,
      ...stepsOf(tile).map((s) =>
        linked(s.said, tile.target.page ? answerLink(tile.target.page, RATING, s.value) : '', c),
      ),
    ].join('\n'),
  links: (tile) => [{ href: tile.target.page, from: 'button', said: tile.question }],
  relinked: (tile, swap) => ({ target: { ...tile.target, page: swap(tile.target.page) } }),
  words: (tile) => [tile.question, tile.low, tile.high, ...Object.values(tile.sayings)].filter(Boolean),
  pictures: none,
  lacks: (tile) => (tile.question.trim() ? null : 'Rating without a question'),
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
