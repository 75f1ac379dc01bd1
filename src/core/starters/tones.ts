import { contrast, luminance } from '../color/contrast'
import { mix } from '../color/mix'
import type { HouseStyle } from '../email/styles'

/** The colours that a starter is made of, taken from a client's house style. Each pair of ink and ground can be read. */
export interface Tones {
  paper: string
  /** A breath of the accent, for quiet grounds. */
  tint: string
  line: string
  accent: string
  onAccent: string
  /** The accent where words stand on the tint or on paper. */
  accentInk: string
  deep: string
  onDeep: string
  /** Softer ink on the deep ground, and links on it. */
  softOnDeep: string
}

const LIGHT = '#ffffff'
const DARK = '#16191c'
/** Contrast of words with their ground (WCAG 2.2, 1.4.3), with a little to spare. */
const READABLE = 4.6

/** White or near black, whichever is read better. */
const inkOn = (ground: string): string => (contrast(ground, LIGHT) >= contrast(ground, DARK) ? LIGHT : DARK)

/** A colour drawn towards another until it is read on a ground. */
function readable(color: string, towards: string, ground: string): string {
  for (let part = 0; part < 1; part += 0.1) {
    const next = mix(color, towards, part)
    if (contrast(next, ground) >= READABLE) return next
  }
  return towards
}

/** The tones of a client. Its paper is white, or dark where its words are light. */
export function tonesOf(house: HouseStyle): Tones {
  const accent = house.button.background
  const paper = contrast(house.text.body.color, LIGHT) >= READABLE ? LIGHT : DARK
  const darkest = house.colors
    .map((c) => c.value)
    .filter((c) => contrast(c, LIGHT) >= 10)
    .sort((a, b) => luminance(a) - luminance(b))[0]
  const deep = darkest ?? mix(accent, '#101418', 0.82)
  const tint = mix(paper, accent, 0.07)
  return {
    paper,
    tint,
    line: mix(paper, accent, 0.28),
    accent,
    onAccent: contrast(house.button.color, accent) >= READABLE ? house.button.color : inkOn(accent),
    accentInk: readable(accent, inkOn(tint), tint),
    deep,
    onDeep: LIGHT,
    softOnDeep: readable(mix(deep, LIGHT, 0.6), LIGHT, deep),
  }
}
