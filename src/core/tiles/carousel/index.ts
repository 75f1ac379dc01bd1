import { carouselHtml } from '#interactive'
import { sides } from '../../email/styles'
import { defineTile } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { linked } from '../context'
import { looksOf } from '../interactive/looks'
import { carouselSchema, type CarouselTile } from './schema'

const slide = () => ({ shows: { picture: null, alt: null }, caption: '', link: '' })

export const carousel = defineTile<CarouselTile>({
  kind: 'carousel',
  schema: carouselSchema,
  first: () => ({
    padding: sides(12, 0),
    slides: [slide(), slide()],
  }),
  holder: plainHolder,
  html: carouselHtml,
  states: (tile) => tile.slides.map((s, i) => s.caption || `Picture ${i + 1}`),
  text: (tile, c) =>
    tile.slides
      .map((s) => linked([s.shows.alt, s.caption].filter(Boolean).join(': '), s.link, c))
      .filter(Boolean)
      .join('\n'),
  links: (tile) =>
    tile.slides.map((s) => ({ href: s.link, from: 'picture' as const })).filter((l) => l.href.trim()),
  relinked: (tile, swap) => ({ slides: tile.slides.map((s) => ({ ...s, link: swap(s.link) })) }),
  words: (tile) => tile.slides.flatMap((s) => [s.shows.alt ?? '', s.caption].filter(Boolean)),
  pictures: (tile) =>
    tile.slides.flatMap(({ shows }) => (shows.picture ? [{ picture: shows.picture, alt: shows.alt }] : [])),
  lacks: (tile) => (tile.slides.some((s) => s.shows.picture) ? null : 'No picture chosen'),
  wordless: (tile) =>
    tile.slides.some((s) => s.shows.picture && s.shows.alt === null)
      ? { what: 'Picture without alt text', why: 'With pictures off, nobody knows what it shows.' }
      : null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).small, ground)],
})
