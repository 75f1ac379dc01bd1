import { sides } from '../../email/styles'
import { blockHolder } from '../letters'
import { defineTile, none } from '../definition'
import { dividerHtml } from './html'
import { dividerSchema, type DividerTile } from './schema'

export const divider = defineTile<DividerTile>({
  kind: 'divider',
  schema: dividerSchema,
  first: () => ({ color: '#cccccc', thickness: 1, padding: sides(12, 0) }),
  holder: blockHolder,
  html: dividerHtml,
  states: none,
  text: (tile) => (tile.invisible ? '' : '-'.repeat(40)),
  links: none,
  relinked: () => null,
  words: none,
  pictures: none,
  lacks: () => null,
  wordless: () => null,
  pairs: none,
})
