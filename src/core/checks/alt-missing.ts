import { definitionOf } from '../tiles'
import type { Check } from './check'

export const altMissing: Check = {
  name: 'alt-missing',
  about: 'Every picture says in words what it says, or is marked as decoration (WCAG 2.2, 1.1.1).',
  tile: ({ tile }) => {
    const wordless = definitionOf(tile).wordless(tile)
    return wordless ? [{ severity: 'mend', stage: 'compose', ...wordless }] : []
  },
}
