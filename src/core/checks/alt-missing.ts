import { definitionOf } from '../tiles'
import type { Check } from './check'

export const altMissing: Check = {
  name: 'alt-missing',
  about: 'Every picture says in words what it says, or is marked as decoration (WCAG 2.2, 1.1.1).',
  tile: ({ tile }) => {
    const mute = definitionOf(tile).mute(tile)
    return mute ? [{ severity: 'mend', stage: 'compose', ...mute }] : []
  },
}
