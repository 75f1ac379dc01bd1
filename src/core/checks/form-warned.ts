import type { Check } from './check'

export const formWarned: Check = {
  name: 'form-warned',
  about: 'Desktop programs warn of messages that hold a form: whoever sends one knows.',
  tile: ({ tile }) =>
    (tile.kind === 'form' || tile.kind === 'rating') && tile.target.action.trim()
      ? [
          {
            severity: 'mind',
            stage: 'interact',
            what: 'Some desktop programs will say that this message may be a scam',
            why: 'They warn of every message that holds a form, whoever sends it (seen in Thunderbird 153 and KMail). Where many readers use them, a link to a page that asks is the safer way.',
          },
        ]
      : [],
}
