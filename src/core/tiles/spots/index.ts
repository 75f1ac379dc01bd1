import { spotsHtml } from '#interactive'
import { sides } from '../../email/styles'
import { defineTile } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { linked } from '../context'
import { looksOf } from '../interactive/looks'
import { spotsSchema, type SpotsTile } from './schema'

export const spots = defineTile<SpotsTile>({
  kind: 'spots',
  schema: spotsSchema,
  first: () => ({
    padding: sides(12, 0),
    shows: { picture: null, alt: null },
    hint: 'Press a number to read more.',
    spots: [{ x: 0.5, y: 0.5, title: 'A place', text: 'What is to be seen there.', link: '' }],
  }),
  holder: plainHolder,
  html: spotsHtml,
  states: (tile) => tile.spots.map((s, i) => s.title || `Place ${i + 1}`),
  text: (tile, c) =>
    [
      tile.shows.alt,
      ...tile.spots.map((s, i) =>
        [`${i + 1}. ${linked(s.title, s.link, c)}`, s.text].filter(Boolean).join('\n'),
      ),
    ]
      .filter(Boolean)
      .join('\n'),
  links: (tile) =>
    tile.spots.flatMap((s) =>
      s.link.trim() ? [{ href: s.link, from: 'button' as const, said: s.title }] : [],
    ),
  relinked: (tile, swap) => ({ spots: tile.spots.map((s) => ({ ...s, link: swap(s.link) })) }),
  words: (tile) =>
    [tile.shows.alt ?? '', tile.hint, ...tile.spots.flatMap((s) => [s.title, s.text])].filter(Boolean),
  pictures: (tile) => (tile.shows.picture ? [{ picture: tile.shows.picture, alt: tile.shows.alt }] : []),
  lacks: (tile) => (tile.shows.picture ? null : 'No picture chosen'),
  wordless: (tile) =>
    tile.shows.picture && tile.shows.alt === null
      ? { what: 'Picture without alt text', why: 'With pictures off, nobody knows what it shows.' }
      : null,
  pairs: (tile, look, ground) => {
    const looks = looksOf(tile, { look, ground })
    return [pairOf(looks.body, ground)]
  },
})
