import { panelsHtml } from '#interactive'
import { sides } from '../../email/styles'
import { defineTile } from '../definition'
import { plainHolder, pairOf } from '../letters'
import { linked } from '../context'
import { looksOf } from '../interactive/looks'
import { panelsSchema, type PanelsTile } from './schema'

const panel = (title: string, text: string) => ({ title, text, label: '', link: '' })

export const panels = defineTile<PanelsTile>({
  kind: 'panels',
  schema: panelsSchema,
  first: () => ({
    padding: sides(12, 0),
    as: 'reveal',
    one: true,
    open: 0,
    panels: [
      panel('First', 'What is said beneath the first title.'),
      panel('Second', 'And beneath the second.'),
    ],
  }),
  holder: plainHolder,
  html: panelsHtml,
  states: (tile) => tile.panels.map((p, i) => p.title || `Panel ${i + 1}`),
  text: (tile, c) =>
    tile.panels
      .map((p) => [p.title, p.text, linked(p.label, p.link, c)].filter(Boolean).join('\n'))
      .join('\n\n'),
  links: (tile) =>
    tile.panels.flatMap((p) => (p.label || p.link ? [{ href: p.link, from: 'button', said: p.label }] : [])),
  relinked: (tile, swap) => ({ panels: tile.panels.map((p) => ({ ...p, link: swap(p.link) })) }),
  words: (tile) => tile.panels.flatMap((p) => [p.title, p.text, p.label].filter(Boolean)),
  pictures: (tile) =>
    tile.panels.flatMap(({ shows }) => (shows?.picture ? [{ picture: shows.picture, alt: shows.alt }] : [])),
  lacks: (tile) => (tile.panels.every((p) => p.title.trim()) ? null : 'Panel without a title'),
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
