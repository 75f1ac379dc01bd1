import { swapHtml } from '#interactive'
import { sides } from '../../email/styles'
import { defineTile, none } from '../definition'
import { linked } from '../context'
import { plainHolder } from '../letters'
import { swapSchema, type SwapTile } from './schema'

const both = (tile: SwapTile) => [tile.first, tile.second]

export const swap = defineTile<SwapTile>({
  kind: 'swap',
  schema: swapSchema,
  first: () => ({
    padding: sides(12, 0),
    how: 'press',
    first: { picture: null, alt: null },
    second: { picture: null, alt: null },
    hint: 'Press the picture to see what comes after.',
    link: '',
  }),
  holder: plainHolder,
  html: swapHtml,
  states: () => ['First', 'Second'],
  text: (tile, c) =>
    linked(
      both(tile)
        .map((s) => s.alt)
        .filter(Boolean)
        .join(' / '),
      tile.link,
      c,
    ),
  links: (tile) => (tile.link.trim() ? [{ href: tile.link, from: 'picture' }] : []),
  relinked: (tile, to) => ({ link: to(tile.link) }),
  words: (tile) => [tile.first.alt ?? '', tile.second.alt ?? '', tile.hint].filter(Boolean),
  pictures: (tile) => both(tile).flatMap(({ picture, alt }) => (picture ? [{ picture, alt }] : [])),
  lacks: (tile) => (both(tile).every((s) => s.picture) ? null : 'Two pictures are wanted'),
  wordless: (tile) =>
    both(tile).some((s) => s.picture && s.alt === null)
      ? { what: 'Picture without alt text', why: 'With pictures off, nobody knows what it shows.' }
      : null,
  pairs: none,
})
