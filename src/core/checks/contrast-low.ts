import { contrast, wantedContrast } from '../color/contrast'
import { groundTones } from '../email/ground'
import { definitionOf } from '../tiles'
import type { ColorPair } from '../tiles/definition'
import type { Check } from './check'

/** Down: 4.496 must not be said to be the 4.5 that is wanted. */
const shown = (contrast: number): string => (Math.floor(contrast * 100) / 100).toFixed(2)

export const contrastLow: Check = {
  name: 'contrast-low',
  about:
    'Words stand off their ground, by day and at night, by WCAG 2.2 AA (1.4.3): 4.5 to 1, large ones 3 to 1.',
  tile: ({ tile, look, ground }) => {
    // Where on a gradient the words stand is not known: they have to be read on all of it.
    const pairs = groundTones(ground).flatMap((tone) => definitionOf(tile).pairs(tile, look, tone))
    const lowest = (of: (p: ColorPair) => { color: string; ground: string }) =>
      pairs
        .map((p) => ({
          ...of(p),
          is: contrast(of(p).color, of(p).ground),
          wanted: wantedContrast(p.size, p.bold),
        }))
        .filter((p) => p.is < p.wanted)
        .sort((a, b) => a.is - b.is)[0]
    const day = lowest((p) => p)
    if (day)
      return [
        {
          severity: 'mend',
          stage: 'compose',
          what: `Contrast ${shown(day.is)}, wants ${day.wanted}`,
          why: `${day.color} on ${day.ground} is hard to read for many, and for everyone in sunlight. Darken one or lighten the other.`,
        },
      ]
    const night = lowest((p) => p.night)
    if (!night) return []
    return [
      {
        severity: 'mend',
        stage: 'compose',
        key: 'night',
        what: `Contrast ${shown(night.is)} at night, wants ${night.wanted}`,
        why: `At night ${night.color} stands on ${night.ground}. Colours of the night go in pairs: give the words one that fits their ground there, or the ground one that fits the words.`,
      },
    ]
  },
}
