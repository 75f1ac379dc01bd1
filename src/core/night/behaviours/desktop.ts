import type { Behaviour } from '../behaviour'
import { brightness, turnedOver } from '../lightness'

export const desktop: Behaviour = {
  id: 'desktop',
  label: 'Desktop program',
  about:
    'The ground of a link vanishes, that of a cell or a span stays; words without a ground of their own become light. Rules for the dark do not count.',
  rests: 'Seen in Thunderbird 153, dark, with our own output; its thresholds are not known.',
  rules: 'none',
  recolors: true,
  page: '#1c1b22',
  ground: (color, { link }) => (link ? null : color),
  words: (color, { before, after }) =>
    before !== after && brightness(color) < 128 ? turnedOver(color) : color,
  border: (color) => color,
}
