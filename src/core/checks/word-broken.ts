import { placesOf } from '../email/walk'
import { wordErrors } from '../tiles/word/html'
import type { Check } from './check'

export const wordBroken: Check = {
  name: 'word-broken',
  about: 'Markup for the Word engine is well formed, so that it cannot break what follows.',
  run: ({ email }) =>
    [...placesOf(email)].flatMap(({ band, tile }) =>
      tile.kind === 'word' && wordErrors(tile.word).length
        ? [
            {
              weight: 'mend' as const,
              stage: 'compose' as const,
              where: { band: band.id, tile: tile.id },
              what: 'Markup for the Word engine is left out',
              why: `It would break what follows: ${wordErrors(tile.word)[0]}. Close every tag in the order in which it was opened.`,
            },
          ]
        : [],
    ),
}
