import { linksOf } from '../checks/links'
import type { Email } from '../email/schema'
import { eachInline } from '../email/richtext'
import { placesOf } from '../email/walk'
import { fieldsIn } from './fields'
import { namePictures } from './names'

/** What a ZIP says of itself, for people and scripts: described in docs/formats.md. */
export interface Manifest {
  format: 'mosaicus-handover'
  version: 1
  subject: string
  preheader: string
  language: string
  /** px */
  width: number
  html: { file: string; bytes: number }
  text: { file: string; bytes: number }
  pictures: { file: string; type: string; width: number; height: number; bytes: number; alt: string }[]
  links: { href: string; from: string; band: string }[]
  /** Personal fields. `inHref` is how one stands inside a link of the HTML, where brackets must be percent-encoded (RFC 3986, section 2). */
  fields: { name: string; fallback: string; inHref: string }[]
}

/** Writes the manifest of a compiled email. @param sizes bytes of the HTML and the text */
export function manifestOf(email: Email, sizes: { html: number; text: number }): Manifest {
  const fields = new Map<string, string>()
  const see = (text: string) => { for (const f of fieldsIn(text)) fields.set(f.name, fields.get(f.name) || f.fallback) }
  see(email.subject)
  see(email.preheader)
  for (const { tile } of placesOf(email)) {
    if (tile.kind === 'words') eachInline(tile.text, (r) => r.type === 'text' && see(r.text))
    if (tile.kind === 'button') see(tile.label)
    if (tile.kind === 'picture') see(tile.alt ?? '')
  }
  const links = linksOf(email)
  links.forEach((l) => see(l.href))
  return {
    format: 'mosaicus-handover', version: 1, subject: email.subject, preheader: email.preheader, language: email.lang, width: email.width,
    html: { file: 'index.html', bytes: sizes.html }, text: { file: 'text.txt', bytes: sizes.text },
    pictures: namePictures(email).map(({ name, picture, alt }) => ({ file: `images/${name}`, type: picture.type, width: picture.width, height: picture.height, bytes: picture.bytes, alt })),
    links: links.map((l) => ({ href: l.href, from: l.kind, band: l.place.band.name })),
    fields: [...fields].map(([name, fallback]) => ({ name, fallback, inHref: `%5B%5B${name}%5D%5D` })),
  }
}
