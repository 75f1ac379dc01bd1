import type { FieldWriter } from '../handover/fields'
import { replaceFields } from '../handover/fields'

/** What tiles need to write themselves as plain text. */
export interface TextContext {
  fields: FieldWriter
  /**
   * A link after its words: in angle brackets (RFC 3986, appendix C), or as the number of a reference at the
   * end.
   */
  link: (href: string) => string
  footer: { sender: string; address: string }
  /** Longest line, characters. */
  columns: number
}

/** Words with where they lead, as far as there are both. */
export function linked(words: string, link: string, c: TextContext): string {
  const said = replaceFields(words, c.fields).trim()
  const href = replaceFields(link, c.fields).trim()
  return [said, href && c.link(href)].filter(Boolean).join(' ')
}
