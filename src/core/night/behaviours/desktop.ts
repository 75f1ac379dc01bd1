import { groundStays, inkStays } from '../../color/stripped'
import type { Behaviour } from '../behaviour'

/** What the program itself writes and links with in the dark (measured in pictures of it). */
const WORDS = '#eeeef0'
const LINKS = '#58c9ff'

export const desktop: Behaviour = {
  id: 'desktop',
  label: 'Desktop program',
  about:
    'Light grounds and inks that are not light are taken away, element by element; what is left shows on the program’s own dark. An ink stays that stands on one element with a ground that carries it. Rules for the dark do not count, pictures for the dark do; buttons of forms stay.',
  rests: 'The source of Thunderbird 153, and pictures of our own emails in it.',
  rules: 'none',
  sources: true,
  losesGradients: true,
  spares: new Set(['button']),
  recolors: true,
  page: '#18181b',
  ground: (color, { ink }) => (groundStays(color, ink) ? color : null),
  words: (color, _, at = {}) => (inkStays(color, at.ground) ? color : at.link ? LINKS : WORDS),
  border: (color) => color,
}
