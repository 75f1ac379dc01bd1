import { defineTile, none } from '../definition'
import { gapHolder, gapHtml } from './html'
import { gapSchema, type GapTile } from './schema'

export const gap = defineTile<GapTile>({
  kind: 'gap',
  schema: gapSchema,
  first: () => ({ height: 24 }),
  holder: gapHolder,
  html: gapHtml,
  states: none,
  text: () => '',
  links: none,
  relinked: () => null,
  words: none,
  pictures: none,
  lacks: () => null,
  wordless: () => null,
  pairs: none,
})
