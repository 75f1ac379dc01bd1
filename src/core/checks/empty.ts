import { definitionOf } from '../tiles'
import type { Check } from './check'

export const empty: Check = {
  name: 'empty',
  about: 'Nothing was put in and left empty: words, pictures, buttons, menus, tables, code, or a plain text.',
  tile: ({ tile }) => {
    const what = definitionOf(tile).lacks(tile)
    return what
      ? [
          {
            severity: 'mend',
            stage: 'compose',
            what,
            why: 'It leaves a hole in the email. Fill it, or take it out.',
          },
        ]
      : []
  },
  email: ({ email }) =>
    email.way === 'plain' && !email.plain?.trim()
      ? [
          {
            severity: 'mend',
            stage: 'compose',
            what: 'No words written yet',
            why: 'The email is plain text only, and there is nothing in it. Write it, or go back to bands.',
          },
        ]
      : [],
}
