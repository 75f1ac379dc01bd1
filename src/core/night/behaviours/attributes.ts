import type { Behaviour } from '../behaviour'
import { partly } from './partly'

export const attributes: Behaviour = {
  ...partly,
  id: 'attributes',
  label: 'Attribute rules',
  about:
    'Webmail that recolours and marks what it changed with two attributes: the email’s rules beneath them hold, the rest is as partly inverted.',
  rests:
    'The attributes data-ogsc and data-ogsb (common practice, no source); the recolouring as partly inverted.',
  rules: 'attributes',
}
