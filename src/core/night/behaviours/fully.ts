import type { Behaviour } from '../behaviour'
import { contrast } from '../../color/contrast'
import { toHex, toRgb } from '../../color/hex'
import { brightness, turnedOver } from '../lightness'

/** Grounds brighter than the one, and words darker than the other, are turned over (Chromium's defaults, from memory). */
const GROUND = 205
const WORDS = 150

/** What a border may stand off the dark page; one that stands off more is darkened by a third of the range at a time (measured in Chromium 156 on 24 colours). */
const LOUD = 4.5
const DARKER = 0.33 * 255

const words = (color: string): string => (brightness(color) < WORDS ? turnedOver(color) : color)

function border(color: string): string {
  let now = words(color)
  for (let i = 0; i < 4 && contrast(now, fully.page) > LOUD; i++) {
    const rgb = toRgb(now)
    const most = Math.max(...rgb)
    const part = Math.max(0, (most - DARKER) / most)
    now = toHex(rgb.map((v) => Math.round(v * part)) as [number, number, number])
  }
  return now
}

export const fully: Behaviour = {
  id: 'fully',
  label: 'Fully inverted',
  about: 'All light grounds become dark and all dark words light, wherever they stand; pictures stay.',
  rests: 'Chromium’s forced dark mode, which the tests hold it against.',
  rules: 'none',
  recolors: true,
  page: '#121212',
  ground: (color) => (brightness(color) > GROUND ? turnedOver(color) : color),
  words,
  border,
}
