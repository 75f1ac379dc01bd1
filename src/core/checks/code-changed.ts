import { placesOf } from '../email/walk'
import { scopeCode } from '../tiles/code/html'
import type { Check } from './check'

export const codeChanged: Check = {
  name: 'code-changed',
  about: 'Custom code leaves as it was written; what cannot stand in an email is said.',
  run: ({ email }) =>
    [...placesOf(email)].flatMap(({ band, tile }) =>
      tile.kind === 'code'
        ? scopeCode(tile).notes.map((note) => ({
            weight: 'mind' as const,
            stage: 'compose' as const,
            where: { band: band.id, tile: tile.id },
            what: 'Part of the code is left out',
            why: note,
          }))
        : [],
    ),
}
