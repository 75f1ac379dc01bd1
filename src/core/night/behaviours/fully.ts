import type { Behaviour } from '../behaviour'
import { brightness, turnedOver } from '../lightness'

/** Grounds brighter than the one, and words darker than the other, are turned over (Chromium's defaults, from memory). */
const GROUND = 205
const WORDS = 150

export const fully: Behaviour = {
  id: 'fully',
  label: 'Fully inverted',
  about: 'All light grounds become dark and all dark words light, wherever they stand; pictures stay.',
  rests: 'Chromium’s forced dark mode, which the tests hold it against.',
  rules: 'none',
  recolors: true,
  page: '#121212',
  ground: (color) => (brightness(color) > GROUND ? turnedOver(color) : color),
  words: (color) => (brightness(color) < WORDS ? turnedOver(color) : color),
  border: (color) => (brightness(color) > GROUND ? turnedOver(color) : color),
}
