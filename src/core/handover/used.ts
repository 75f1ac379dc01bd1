import { linksOf } from '../checks/links'
import type { Email } from '../email/schema'
import { placesOf } from '../email/walk'
import { wordsIn } from '../tiles/parts'
import { fieldsIn, type Field } from './fields'

/**
 * Every field an email uses, each once with the first fallback written for it, in the order in which they are
 * met.
 */
export function fieldsOf(email: Email): Field[] {
  const fields = new Map<string, string>()
  const see = (text: string) => {
    for (const f of fieldsIn(text)) fields.set(f.name, fields.get(f.name) || f.fallback)
  }
  see(email.subject)
  see(email.preheader)
  if (email.way === 'bands') {
    for (const { tile } of placesOf(email)) wordsIn(tile).forEach(see)
    for (const band of email.bands)
      if (band.when && !fields.has(band.when.field)) fields.set(band.when.field, '')
  }
  if (email.way === 'hand') see(email.hand?.html ?? '')
  see((email.way === 'plain' ? email.plain : email.text) ?? '')
  linksOf(email).forEach((l) => see(l.href))
  return [...fields].map(([name, fallback]) => ({ name, fallback }))
}
