import { groundTones, type Ground } from '../../email/ground'
import { sides } from '../../email/styles'
import { plainHolder } from '../letters'
import { defineTile, none } from '../definition'
import { buttonHtml, buttonStyleOf, carriesInk } from './html'
import { buttonSchema, type ButtonTile } from './schema'
import { buttonText } from './text'

export const button = defineTile<ButtonTile>({
  kind: 'button',
  schema: buttonSchema,
  first: () => ({
    label: 'Say what happens',
    link: '',
    align: 'left',
    fullNarrow: true,
    padding: sides(12, 0),
  }),
  holder: plainHolder,
  html: buttonHtml,
  states: none,
  text: buttonText,
  links: (tile) => [{ href: tile.link, from: 'button' }],
  relinked: (tile, swap) => ({ link: swap(tile.link) }),
  words: (tile) => [tile.label],
  // A button's small picture says nothing that its words do not.
  pictures: (tile) => (tile.icon ? [{ picture: tile.icon.picture, alt: '' }] : []),
  lacks: (tile) => (tile.label.trim() ? null : 'Button without words'),
  wordless: () => null,
  pairs: (tile, look) => {
    const s = buttonStyleOf(tile, look)
    const night = { color: s.nightColor ?? s.color, ground: s.nightBackground ?? s.background }
    const { color, background: ground, size, bold } = s
    const grounds: Ground = {
      color: ground,
      night: night.ground,
      ...(s.gradient ? { gradient: s.gradient } : {}),
    }
    return groundTones(grounds).map((at) => ({
      color,
      ground: at.color,
      night: { color: night.color, ground: at.night },
      size,
      bold,
      link: true,
      own: carriesInk(s),
      ...(s.gradient ? { drawn: true } : {}),
    }))
  },
})
