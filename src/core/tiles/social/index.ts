import { sides } from '../../email/styles'
import { defineTile, none } from '../definition'
import { socialHolder, socialHtml } from './html'
import { addressOf } from './icons'
import { socialSchema, type SocialTile } from './schema'
import { socialText } from './text'

export const social = defineTile<SocialTile>({
  kind: 'social',
  schema: socialSchema,
  first: () => ({
    icons: [],
    size: 32,
    gap: 12,
    color: '#ffffff',
    shape: 'circle',
    ground: '#444444',
    align: 'center',
    padding: sides(12, 0),
  }),
  holder: socialHolder,
  html: socialHtml,
  states: none,
  text: socialText,
  links: (tile) =>
    tile.icons.map((i) => ({
      href: addressOf(i),
      from: 'icon',
      ...(i.picture ? { said: i.alt || 'Icon' } : {}),
    })),
  relinked: (tile, swap) => ({ icons: tile.icons.map((i) => ({ ...i, link: swap(i.link) })) }),
  words: (tile) => tile.icons.filter((i) => i.picture).map((i) => i.alt),
  pictures: (tile) => tile.icons.flatMap((i) => (i.picture ? [{ picture: i.picture, alt: i.alt }] : [])),
  lacks: (tile) => (tile.icons.some((i) => i.picture) ? null : 'No icon chosen'),
  wordless: (tile) =>
    tile.icons.some((i) => i.picture && !i.alt.trim())
      ? {
          what: 'Icon without alt text',
          why: 'Read aloud, it is a link without a name. Write where it leads, such as the name of the place.',
        }
      : null,
  pairs: none,
})
