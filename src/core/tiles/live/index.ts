import { liveHtml } from '#interactive'
import { sides } from '../../email/styles'
import { linked } from '../context'
import { defineTile, none } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { looksOf } from '../interactive/looks'
import { liveSchema, type LiveTile } from './schema'

export const live = defineTile<LiveTile>({
  kind: 'live',
  schema: liveSchema,
  first: () => ({
    padding: sides(12, 0),
    address: '',
    items: 'items',
    title: 'title',
    text: 'text',
    price: 'price',
    picture: '',
    link: 'link',
    pictureWidth: 64,
    pictureHeight: 64,
    most: 5,
    label: 'See more',
    rows: [],
    page: '',
    more: 'See all',
  }),
  holder: plainHolder,
  html: liveHtml,
  states: none,
  text: (tile, c) =>
    [
      ...tile.rows
        .slice(0, tile.most)
        .map((r) =>
          [linked([r.title, r.price].filter(Boolean).join(', '), r.link, c), r.text]
            .filter(Boolean)
            .join('\n'),
        ),
      linked(tile.more, tile.page, c),
    ]
      .filter(Boolean)
      .join('\n'),
  links: (tile) => [
    ...tile.rows
      .slice(0, tile.most)
      .flatMap((r) => (r.link ? [{ href: r.link, from: 'words' as const, said: r.title }] : [])),
    { href: tile.page, from: 'button', said: tile.more },
  ],
  relinked: (tile, swap) => ({
    page: swap(tile.page),
    rows: tile.rows.map((r) => ({ ...r, link: swap(r.link) })),
  }),
  words: (tile) =>
    [
      ...tile.rows.slice(0, tile.most).flatMap((r) => [r.title, r.text, r.price]),
      tile.label,
      tile.more,
    ].filter(Boolean),
  pictures: none,
  lacks: (tile) =>
    !tile.address.trim() ? 'List without an address' : tile.rows.length ? null : 'List without kept lines',
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
