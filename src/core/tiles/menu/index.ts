import { defineTile, none } from '../definition'
import { pairOf } from '../letters'
import { menuHolder, menuHtml, menuStyle } from './html'
import { menuSchema, type MenuTile } from './schema'
import { menuText } from './text'

export const menu = defineTile<MenuTile>({
  kind: 'menu',
  schema: menuSchema,
  first: () => ({
    items: [
      { label: 'First', link: '' },
      { label: 'Second', link: '' },
      { label: 'Third', link: '' },
    ],
    separator: '|',
    space: 10,
    align: 'center',
    compact: 'wrap',
  }),
  holder: menuHolder,
  html: menuHtml,
  states: none,
  text: menuText,
  links: (tile) => tile.items.map((i) => ({ href: i.link, from: 'menu', said: i.label })),
  relinked: (tile, swap) => ({ items: tile.items.map((i) => ({ ...i, link: swap(i.link) })) }),
  words: (tile) => tile.items.map((i) => i.label),
  pictures: none,
  lacks: (tile) => (tile.items.some((i) => i.label.trim()) ? null : 'Menu without words'),
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(menuStyle(tile, look), ground)],
})
