import { asSample, replaceFields } from '../text/fields'
import type { Check } from './check'

/** Longer subjects are cut off on phones (common practice, no source). */
export const SUBJECT_LENGTH = 50

export const subject: Check = {
  name: 'subject',
  about: `There is a subject, of at most ${SUBJECT_LENGTH} characters.`,
  email: ({ email }) => {
    const length = [...replaceFields(email.subject, asSample()).trim()].length
    if (length === 0)
      return [
        {
          severity: 'mend',
          stage: 'handover',
          where: { value: 'subject' },
          what: 'No subject',
          why: 'It is the first thing read, and a message without one is often held as spam. Write it here.',
        },
      ]
    if (length > SUBJECT_LENGTH)
      return [
        {
          severity: 'mind',
          stage: 'handover',
          where: { value: 'subject' },
          what: `Subject of ${length} characters`,
          why: `Phones cut it off after about ${SUBJECT_LENGTH}. Put what matters first, or shorten it by ${length - SUBJECT_LENGTH}.`,
        },
      ]
    return []
  },
}
