import { fits } from '../email/fields'
import type { Check } from './check'

const wanted = {
  date: 'a date written YYYY-MM-DD',
  number: 'a number',
  link: 'an address with https://',
  text: 'text',
}

export const fieldValue: Check = {
  name: 'field-value',
  about: 'Sample recipients carry values of the kind their fields hold.',
  email: ({ email }) =>
    (email.fields ?? []).flatMap((f) =>
      (email.recipients ?? [])
        .filter((r) => r.values[f.name] !== undefined && !fits(r.values[f.name]!, f.type))
        .map((r) => ({
          severity: 'mind',
          stage: 'proof',
          key: `${r.name} ${f.name}`,
          what: `${r.name}: [[${f.name}]] is not ${wanted[f.type]}`,
          why: `"${r.values[f.name]}" is no ${f.type}. The preview for this recipient shows what no real one will see.`,
        })),
    ),
}
