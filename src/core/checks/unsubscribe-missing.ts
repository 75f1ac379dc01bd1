import { fieldsIn, UNSUBSCRIBE } from '../text/fields'
import type { Check } from './check'
import { linksOf } from '../tiles/contents'

export const unsubscribeMissing: Check = {
  name: 'unsubscribe-missing',
  about: 'Every commercial message has a way out; sending platforms refuse a template without one.',
  email: ({ email }) =>
    linksOf(email).some((l) => fieldsIn(l.href).some((f) => f.name === UNSUBSCRIBE))
      ? []
      : [
          {
            severity: 'mend',
            stage: 'compose',
            where: email.bands.length ? { band: email.bands.at(-1)!.id } : {},
            what: 'No unsubscribe link',
            why: 'Platforms refuse the template, and readers report it as spam. Link some words of the footer to [[unsubscribe]].',
          },
        ],
}
