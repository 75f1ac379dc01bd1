import { fieldsIn, UNSUBSCRIBE } from '../handover/fields'
import type { Check } from './check'
import { linksOf } from './links'

export const unsubscribeMissing: Check = {
  name: 'unsubscribe-missing',
  about: 'Every commercial message has a way out; sending platforms refuse a template without one.',
  run: ({ email }) =>
    linksOf(email).some((l) => fieldsIn(l.href).some((f) => f.name === UNSUBSCRIBE))
      ? []
      : [
          {
            weight: 'mend' as const,
            stage: 'compose' as const,
            where: email.bands.length ? { band: email.bands.at(-1)!.id } : {},
            what: 'No unsubscribe link',
            why: 'Platforms refuse the template, and readers report it as spam. Link some words of the footer to [[unsubscribe]].',
          },
        ],
}
