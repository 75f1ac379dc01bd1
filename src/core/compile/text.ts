import { asSample, replaceFields, type FieldWriter } from '../text/fields'
import { styleOf } from '../email/cascade'
import type { Email } from '../email/schema'
import { plainHouseStyle, type HouseStyle } from '../email/styles'
import { tilesOf } from '../email/walk'
import { trackedEmail } from '../tiles/tracking'
import { tileText } from '../tiles'
import type { TextContext } from '../tiles/context'
import { byHandHtml } from './by-hand'
import type { ConditionWriter } from '../email/conditions'
import { plainOfHtml } from '#reading'

/** Lines of a plain text are at most this long (RFC 5322, section 2.1.1 recommends 78 characters). */
export const COLUMNS = 78

/** A field, and a character that stands for the spaces in it. */
const field = /\[\[[^[\]]{0,300}\]\]/g
const HELD = '\u0000'

/** What stays on one line: words, and in them fields, whatever spaces these hold. */
const wholes = (line: string): string[] =>
  line
    .replace(field, (f) => f.replace(/\s/g, HELD))
    .split(/\s/)
    .filter(Boolean)
    .map((word) => word.replaceAll(HELD, ' '))

/**
 * Breaks a line at spaces; a word longer than the line (an address) stays whole. Continuation lines are
 * indented like the first.
 */
export function wrap(line: string, columns = COLUMNS): string {
  if (line.length <= columns) return line
  const lead = /^((?:> )*)(\s*)(- |\d+\. )?/.exec(line)!
  const margin = /^\s*/.exec(line)![0]
  const indent = lead[1]! + (lead[2]! + (lead[3] ?? '')).replace(/\S/g, ' ')
  const out: string[] = []
  let current = ''
  for (const [i, word] of wholes(line).entries()) {
    const next = i ? `${current} ${word}` : margin + word
    if (next.length > columns && current) {
      out.push(current)
      current = indent + word
    } else current = next
  }
  return [...out, current].join('\n')
}

export interface TextOptions {
  fields?: FieldWriter
  conditions?: ConditionWriter
  house?: HouseStyle
  /** Links after their words in angle brackets, or as numbers with a list of references at the end. */
  links?: 'inline' | 'numbered'
  /** Lines of a paragraph are broken unless told: readers of messages break them where their window ends. */
  broken?: boolean
}

const plainHouse = plainHouseStyle()

/**
 * An email as plain text: what its tiles say, in reading order, band by band. What only the narrow one of two
 * twins says is left out. A text part written by hand prevails.
 */
export function compileText(written: Email, options: TextOptions = {}): string {
  const email = trackedEmail(written)
  const fields = options.fields ?? asSample()
  const own = email.way === 'plain' ? (email.plain ?? '') : email.text
  const broken = options.broken ?? true
  if (own !== undefined) return finish(replaceFields(own, fields), broken)
  const references: string[] = []
  const number = (href: string) => {
    const at = references.indexOf(href)
    return `[${at < 0 ? references.push(href) : at + 1}]`
  }
  const link = options.links === 'numbered' ? number : (href: string) => `<${href}>`
  const body =
    email.way === 'hand' && email.hand
      ? plainOfHtml(
          byHandHtml({ ...email.hand, inline: true }, (p) => p.id, fields),
          link,
        )
      : bandsText(
          email,
          {
            fields,
            link,
            columns: COLUMNS,
            lang: email.lang,
            footer: styleOf(options.house ?? plainHouse, email.styles).footer,
          },
          options.conditions,
        )
  return finish(
    [body, ...(references.length ? [references.map((r, i) => `[${i + 1}] ${r}`).join('\n')] : [])].join(
      '\n\n\n',
    ),
    broken,
  )
}

function bandsText(email: Email, c: TextContext, conditions: ConditionWriter = () => true): string {
  return email.bands
    .filter((b) => b.show !== 'narrow')
    .flatMap((band) => {
      const shown = band.when ? conditions(band.when) : true
      if (shown === false) return []
      const said = [...tilesOf(band)]
        .filter((t) => t.show !== 'narrow')
        .map((t) => tileText(t, c).replace(/^\n+/, '').trimEnd())
        .filter(Boolean)
        .join('\n\n')
      // Marks of a platform stand in comments in the HTML; a text has none.
      const bare = (mark: string) => mark.replace(/^<!--/, '').replace(/-->$/, '').trim()
      return said ? [shown === true ? said : `${bare(shown.before)}\n${said}\n${bare(shown.after)}`] : []
    })
    .join('\n\n\n')
}

/** @param broken whether long lines are */
const finish = (text: string, broken: boolean): string =>
  `${text
    .replace(/\u00a0/g, ' ')
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .map((l) => (broken ? wrap(l.trimEnd()) : l.trimEnd()))
    .join('\n')
    .trim()}\n`
