import { defineTile, none } from '../definition'
import { pairOf } from '../letters'
import { footerHolder, footerHtml, footerLink, footerStyle } from './html'
import { footerSchema, type FooterTile } from './schema'
import { footerText } from './text'

const waysOut = (tile: FooterTile) => [tile.unsubscribe, ...(tile.preferences ? [tile.preferences] : [])]

export const footer = defineTile<FooterTile>({
  kind: 'footer',
  schema: footerSchema,
  first: () => ({
    why: 'You get this letter because you asked for it.',
    unsubscribe: { label: 'Unsubscribe', link: '[[unsubscribe]]' },
    align: 'left',
  }),
  holder: footerHolder,
  html: footerHtml,
  states: none,
  text: footerText,
  links: (tile) => waysOut(tile).map((w) => ({ href: w.link, from: 'footer', said: w.label })),
  relinked: (tile, swap) => ({
    unsubscribe: { ...tile.unsubscribe, link: swap(tile.unsubscribe.link) },
    ...(tile.preferences ? { preferences: { ...tile.preferences, link: swap(tile.preferences.link) } } : {}),
  }),
  words: (tile) => [
    ...(tile.sender !== undefined ? [tile.sender] : []),
    ...(tile.address !== undefined ? [tile.address] : []),
    tile.why,
    ...waysOut(tile).map((w) => w.label),
  ],
  pictures: none,
  // Sender and address come from the house style, and a way out is always there.
  lacks: () => null,
  wordless: () => null,
  pairs: (tile, look, ground) => {
    const body = pairOf(footerStyle(tile, look), ground)
    const link = footerLink(tile, look)
    return [
      body,
      { ...body, color: link.color, night: { ...body.night, color: link.nightColor ?? link.color } },
    ]
  },
})
