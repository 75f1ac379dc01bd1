import { newId } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { starterEmail, starterLayouts } from '@/core/starters'
import { house } from './emails'
import { goods, letter, referenceHouse, stories } from './references'

/** Emails as people send them: all layouts to begin from, and those that a person wrote by hand as well; with their names and house styles. */
export const regularEmails = (): [string, Email, HouseStyle][] => [
  ...starterLayouts.map((l): [string, Email, HouseStyle] => [
    l.name,
    starterEmail(l, { house, width: 600, id: newId }),
    house,
  ]),
  ['letter', letter(), referenceHouse],
  ['goods', goods(), referenceHouse],
  ['stories', stories(), referenceHouse],
]
