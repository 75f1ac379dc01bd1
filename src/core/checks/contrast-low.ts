import { contrast, wantedContrast } from '../color/contrast'
import { definitionOf } from '../tiles'
import type { Check } from './check'

export const contrastLow: Check = {
  name: 'contrast-low',
  about: 'Words stand off their ground by WCAG 2.2 AA (1.4.3): 4.5 to 1, large ones 3 to 1.',
  tile: ({ tile, look, ground }) => {
    const low = definitionOf(tile)
      .pairs(tile, look, ground.color)
      .map((p) => ({ ...p, is: contrast(p.color, p.ground), wanted: wantedContrast(p.size, p.bold) }))
      .filter((p) => p.is < p.wanted)
      .sort((a, b) => a.is - b.is)[0]
    if (!low) return []
    return [
      {
        severity: 'mend',
        stage: 'compose',
        // Down: 4.496 must not be said to be the 4.5 that is wanted.
        what: `Contrast ${(Math.floor(low.is * 100) / 100).toFixed(2)}, wants ${low.wanted}`,
        why: `${low.color} on ${low.ground} is hard to read for many, and for everyone in sunlight. Darken one or lighten the other.`,
      },
    ]
  },
}
