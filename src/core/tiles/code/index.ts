import { plainHolder } from '../letters'
import { defineTile, none, type TileLink } from '../definition'
import { codeHtml } from './html'
import { codeSchema, type CodeTile } from './schema'
import { codeText } from './text'

export const code = defineTile<CodeTile>({
  kind: 'code',
  schema: codeSchema,
  first: () => ({ html: '<p>Your own markup</p>', css: '' }),
  holder: plainHolder,
  html: codeHtml,
  states: none,
  text: codeText,
  links: (tile) => hrefsIn(tile.html),
  // What a person wrote is not rewritten.
  relinked: () => null,
  words: (tile) => [tile.html],
  pictures: (tile) => Object.values(tile.pictures ?? {}).map((picture) => ({ picture, alt: '' })),
  lacks: (tile) => (tile.html.trim() ? null : 'Code not written yet'),
  wordless: () => null,
  // Its colours are its own: they are not known without a reader.
  pairs: none,
})

const hrefsIn = (html: string): TileLink[] =>
  [...html.matchAll(/\shref\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/gi)].map((m) => ({
    href: (m[1] ?? m[2] ?? m[3]!).replace(/&amp;/g, '&'),
    from: 'code',
  }))
