import { blockHolder } from '../letters'
import { defineTile, none } from '../definition'
import { pictureHtml } from './html'
import { pictureSchema, type PictureTile } from './schema'
import { pictureText } from './text'

export const picture = defineTile<PictureTile>({
  kind: 'picture',
  schema: pictureSchema,
  first: () => ({ picture: null, alt: null, link: '', width: 600, align: 'center' }),
  holder: blockHolder,
  html: pictureHtml,
  states: none,
  text: pictureText,
  links: (tile) => [{ href: tile.link, from: 'picture' }],
  relinked: (tile, swap) => ({ link: swap(tile.link) }),
  words: (tile) => (tile.alt ? [tile.alt] : []),
  pictures: (tile) =>
    tile.picture
      ? [tile.picture, tile.narrowPicture, tile.nightPicture, tile.stillPicture].flatMap((p) =>
          p ? [{ picture: p, alt: tile.alt }] : [],
        )
      : [],
  lacks: (tile) => (tile.picture ? null : 'No picture chosen'),
  wordless: (tile) => {
    if (tile.alt !== null && (tile.alt.trim() || !tile.link.trim())) return null
    return {
      what: tile.alt === null ? 'Picture without alt text' : 'Linked picture with empty alt text',
      why: 'With pictures off, or read aloud, nothing is left of it. Write what the picture says; mark it as decoration only if it says nothing and links nowhere.',
    }
  },
  pairs: none,
})
