import { swatchesHtml } from '#interactive'
import { sides } from '../../email/styles'
import { linked } from '../context'
import { defineTile } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { looksOf } from '../interactive/looks'
import { swatchesSchema, type SwatchesTile } from './schema'

const option = (name: string, color: string) => ({
  name,
  color,
  shows: { picture: null, alt: null },
  price: '',
  link: '',
})

export const swatches = defineTile<SwatchesTile>({
  kind: 'swatches',
  schema: swatchesSchema,
  first: () => ({
    padding: sides(12, 0),
    title: '',
    options: [option('Light', '#e8dcc4'), option('Dark', '#2b3a42')],
    label: 'Choose',
  }),
  holder: plainHolder,
  html: swatchesHtml,
  states: (tile) => tile.options.map((o, i) => o.name || `Kind ${i + 1}`),
  text: (tile, c) =>
    [tile.title, ...tile.options.map((o) => linked([o.name, o.price].filter(Boolean).join(', '), o.link, c))]
      .filter(Boolean)
      .join('\n'),
  links: (tile) => tile.options.map((o) => ({ href: o.link, from: 'button', said: o.name })),
  relinked: (tile, swap) => ({ options: tile.options.map((o) => ({ ...o, link: swap(o.link) })) }),
  words: (tile) =>
    [tile.title, ...tile.options.flatMap((o) => [o.name, o.price, o.shows.alt ?? '']), tile.label].filter(
      Boolean,
    ),
  pictures: (tile) =>
    tile.options.flatMap(({ shows }) => (shows.picture ? [{ picture: shows.picture, alt: shows.alt }] : [])),
  lacks: (tile) => (tile.options.every((o) => o.name.trim()) ? null : 'Kind without a name'),
  wordless: (tile) =>
    tile.options.some((o) => o.shows.picture && o.shows.alt === null)
      ? { what: 'Picture without alt text', why: 'With pictures off, nobody knows what it shows.' }
      : null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
