import type { Email } from '../email/schema'
import { fieldsOf, linksOf } from '../tiles/contents'
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
  /**
   * Personal fields. `inHref` is how one stands inside a link of the HTML, where brackets must be
   * percent-encoded (RFC 3986, section 2).
   */
  fields: { name: string; fallback: string; inHref: string }[]
}

/** Writes the manifest of a compiled email. @param sizes bytes of the HTML and the text */
export function manifestOf(email: Email, sizes: { html: number; text: number }): Manifest {
  const links = linksOf(email)
  return {
    format: 'mosaicus-handover',
    version: 1,
    subject: email.subject,
    preheader: email.preheader,
    language: email.lang,
    width: email.width,
    html: { file: 'index.html', bytes: sizes.html },
    text: { file: 'text.txt', bytes: sizes.text },
    pictures: namePictures(email).map(({ name, picture, alt }) => ({
      file: `images/${name}`,
      type: picture.type,
      width: picture.width,
      height: picture.height,
      bytes: picture.bytes,
      alt,
    })),
    links: links.map((l) => ({ href: l.href, from: l.from, band: l.place?.band.name ?? '' })),
    fields: fieldsOf(email).map(({ name, fallback }) => ({ name, fallback, inHref: `%5B%5B${name}%5D%5D` })),
  }
}
