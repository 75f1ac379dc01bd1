import type { Band } from '../email/schema'
import type { Kit } from './kit'

/** What bands are grouped by where they are chosen. */
export const starterGroups = [
  'Heads',
  'Openings',
  'Stories',
  'Goods',
  'Times',
  'Choices',
  'Voices',
  'Answers',
  'Cards',
  'Notices',
  'Feet',
] as const
export type StarterGroup = (typeof starterGroups)[number]

/** A band to begin from. */
export interface StarterBand {
  id: string
  name: string
  group: StarterGroup
  make: (kit: Kit, name: string) => Band
}

/** The bands of a group, each named by its id. */
export const bandsOf = (
  group: StarterGroup,
  list: Record<string, [name: string, make: StarterBand['make']]>,
): StarterBand[] => Object.entries(list).map(([id, [name, make]]) => ({ id, name, group, make }))
