import { plainHolder } from '../letters'
import { defineTile, none } from '../definition'
import { conditionalHtml } from './html'
import { conditionalSchema, type ConditionalTile } from './schema'
import { conditionalText } from './text'

export const conditional = defineTile<ConditionalTile>({
  kind: 'conditional',
  schema: conditionalSchema,
  first: () => ({ word: '', others: '' }),
  holder: plainHolder,
  html: conditionalHtml,
  states: none,
  text: conditionalText,
  links: none,
  relinked: () => null,
  words: (tile) => [tile.others, tile.word],
  pictures: none,
  lacks: () => null,
  wordless: () => null,
  pairs: none,
})
