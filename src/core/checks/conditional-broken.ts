import { wordErrors } from '../tiles/conditional/html'
import type { Check } from './check'

export const conditionalBroken: Check = {
  name: 'conditional-broken',
  about: 'Markup for the Word engine is well formed, so that it cannot break what follows.',
  tile: ({ tile }) => {
    const errors = tile.kind === 'conditional' ? wordErrors(tile.word) : []
    return errors.length
      ? [
          {
            severity: 'mend',
            stage: 'compose',
            what: 'Markup for the Word engine is left out',
            why: `It would break what follows: ${errors[0]}. Close every tag in the order in which it was opened.`,
          },
        ]
      : []
  },
}
