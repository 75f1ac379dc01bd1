import { contrast, wantedContrast } from '../color/contrast'
import type { Said } from '../night/behaviour'
import { behaviourIds, behaviours, type Behaviour } from '../night/behaviours'
import { anyInkHolds } from '../night/holds'
import { groundTones } from '../email/ground'
import { definitionOf } from '../tiles'
import type { ColorPair } from '../tiles/definition'
import type { Check } from './check'

/** What the element of a pair says. */
const saidOf = ({ link, own, ground }: ColorPair): Said => ({ link, ...(own ? { ground } : {}) })

/** How a pair of colours stands off under a behaviour that recolours. @param drawn whether its ground is a gradient's */
function under(pair: ColorPair, b: Behaviour, drawn: boolean): { color: string; ground: string; is: number } {
  const { color, ground, own } = pair
  // A gradient stays as a picture does (common practice, no source), but where it goes with the plain colour that we write beside it.
  const left = drawn ? (b.losesGradients ? null : ground) : b.ground(ground, own ? { ink: color } : {})
  const after = left ?? b.page
  const words = b.words(color, { before: ground, after, picture: false }, saidOf(pair))
  return { color: words, ground: after, is: contrast(words, after) }
}

export const nightForecast: Check = {
  name: 'night-forecast',
  about: 'What is read by day is read under the dark modes that recolour by themselves too, by forecast.',
  tile: ({ tile, look, ground }) => {
    // On a picture nobody can say by rule.
    if (ground.picture) return []
    const pairs = groundTones(ground).flatMap((tone) => definitionOf(tile).pairs(tile, look, tone))
    const tones = new Set(ground.gradient?.stops.map((s) => s.color))
    for (const pair of pairs) {
      const wanted = wantedContrast(pair.size, pair.bold)
      // What is not read by day is another finding.
      if (contrast(pair.color, pair.ground) < wanted) continue
      for (const id of behaviourIds) {
        const b = behaviours[id]
        if (!b.recolors) continue
        const now = under(pair, b, !!pair.drawn || tones.has(pair.ground))
        if (now.is >= wanted) continue
        return [
          {
            severity: 'mind',
            stage: 'night',
            key: `${id} ${pair.color}`,
            what: `${b.label}: contrast ${(Math.floor(now.is * 100) / 100).toFixed(2)}, wants ${wanted}`,
            why: `${pair.color} on ${pair.ground} would become ${now.color} on ${now.ground}. ${
              anyInkHolds(pair.ground, wanted, saidOf(pair))
                ? 'In Night the nearest colour that holds everywhere is proposed.'
                : 'No ink is read on this ground under every dark mode: only another ground, lighter or darker, would help.'
            }`,
          },
        ]
      }
    }
    return []
  },
}
