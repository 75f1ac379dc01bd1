import { asSample, type FieldWriter } from '../handover/fields'
import type { Email } from '../email/schema'
import { tilesOf } from '../email/walk'
import { tileText } from '../tiles'

/** Lines of a plain text are at most this long (RFC 5322, section 2.1.1 recommends 78 characters). */
const COLUMNS = 78

/** Breaks a line at spaces; a word longer than the line (an address) stays whole. Continuation lines are indented like the first. */
export function wrap(line: string, columns = COLUMNS): string {
  if (line.length <= columns) return line
  const indent = /^(\s*)(- |\d+\. )?/.exec(line)![0].replace(/\S/g, ' ')
  const out: string[] = []
  let current = ''
  for (const word of line.split(/(?<=\S) +/)) {
    const next = current ? `${current} ${word}` : word
    if (next.length > columns && current) { out.push(current); current = indent + word } else current = next
  }
  return [...out, current].join('\n')
}

/** An email as plain text: what its tiles say, in reading order, band by band. What only the narrow one of two twins says is left out. */
export function compileText(email: Email, fields: FieldWriter = asSample()): string {
  const bands = email.bands.filter((b) => b.show !== 'narrow').map((band) =>
    [...tilesOf(band)].filter((t) => t.show !== 'narrow').map((t) => tileText(t, fields).trim()).filter(Boolean).join('\n\n'))
  const text = bands.filter(Boolean).join('\n\n\n')
  return `${text.replace(/\u00a0/g, ' ').split('\n').map((l) => wrap(l.trimEnd())).join('\n').trim()}\n`
}
