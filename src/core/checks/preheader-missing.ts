import type { Check } from './check'

export const preheaderMissing: Check = {
  name: 'preheader-missing',
  about: 'A preheader is set; else inboxes show whatever words come first.',
  email: ({ email }) =>
    email.preheader.trim()
      ? []
      : [
          {
            severity: 'mend',
            stage: 'handover',
            where: { value: 'preheader' },
            what: 'No preheader',
            why: 'Inboxes show the first words of the email instead, often an alt text or "view in browser". Write the line that follows the subject.',
          },
        ],
}
