import { scopeCode } from '#reading'
import type { Check } from './check'

export const codeChanged: Check = {
  name: 'code-changed',
  about: 'Custom code leaves as it was written; what cannot stand in an email is said.',
  tile: ({ tile }) =>
    tile.kind === 'code'
      ? scopeCode(tile).notes.map((note) => ({
          severity: 'mind',
          stage: 'compose',
          what: 'Part of the code is left out',
          why: note,
          key: note,
        }))
      : [],
}
