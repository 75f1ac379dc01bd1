import type { Behaviour } from '../behaviour'
import { brightness, turnedOver } from '../lightness'

/** Grounds brighter, and words darker, than these change (common practice, no source: readers do not say). */
const LIGHT = 160
const DARK = 128

export const partly: Behaviour = {
  id: 'partly',
  label: 'Partly inverted',
  about:
    'Light grounds become dark, and dark words on them light. Dark grounds, pictures and grounds that are pictures stay as they are.',
  rests: 'What such readers are seen to do (common practice, no source); lightness turned over in CIELAB.',
  rules: 'none',
  recolors: true,
  page: '#121212',
  ground: (color, { picture }) => (!picture && brightness(color) > LIGHT ? turnedOver(color) : color),
  words: (color, { before, after, picture }) =>
    !picture && before !== after && brightness(color) < DARK ? turnedOver(color) : color,
  border: (color, { before, after }) =>
    before !== after && brightness(color) > LIGHT ? turnedOver(color) : color,
}
