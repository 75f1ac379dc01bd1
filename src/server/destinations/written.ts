import { compile, printOf, type CompileOptions } from '@/core/compile'
import { compileText, type TextOptions } from '@/core/compile/text'
import { pictureAddress } from '@/core/interact/addresses'
import { ampWay, compileAmp } from '@/core/interact/amp'
import type { ConditionWriter } from '@/core/email/conditions'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { manifestOf, type Manifest } from '@/core/handover/manifest'
import { namePictures, type NamedPicture } from '@/core/handover/names'
import { replaceFields, type Field, type FieldWriter } from '@/core/text/fields'
import { writings, type Writing, type WritingName } from './writings'

/** How an email is to be written. A value, since it is told to a worker thread. */
export interface How extends Pick<CompileOptions, 'styles' | 'print'>, Pick<TextOptions, 'links'> {
  writing: WritingName
  /** Where its pictures stand: by their names in a folder, by Content-ID, in the app, or each by its id. */
  places: 'folder' | 'message' | 'app' | Readonly<Record<string, string>>
  /** Names the message among all others, where its pictures stand in one. */
  message?: string
}

/** An email in the writing of whoever it goes to. */
export interface Written {
  title: string
  subject: string
  preheader: string
  html: string
  text: string
  /** Its AMP part; empty where none leaves. */
  amp: string
  /** Its pictures in reading order, named. */
  pictures: NamedPicture[]
  manifest: Manifest
}

/**
 * Content-ID of a picture (RFC 2392): short, and no other message's (RFC 2045, section 7).
 * @param n counted from 1, in reading order @param message names the message among all others
 */
export const contentId = (n: number, message: string): string => `${n}.${message}@mosaicus.example`

function placesOf(
  { places, message = 'email' }: Pick<How, 'places' | 'message'>,
  named: readonly NamedPicture[],
): CompileOptions['src'] {
  if (places === 'app') return ({ id }) => `/api/pictures/${id}`
  if (typeof places === 'object') return ({ id }) => places[id]!
  const at = new Map(
    named.map((n, i) => [
      n.picture.id,
      places === 'folder' ? `images/${n.name}` : `cid:${contentId(i + 1, message)}`,
    ]),
  )
  return ({ id }) => at.get(id)!
}

/** An AMP part holds no picture of its own message (no cid:, no folder): they stand on the web, and are had by https alone. */
const ampPlaces =
  ({ places }: Pick<How, 'places'>): CompileOptions['src'] =>
  ({ id }) => {
    const own = typeof places === 'object' ? places[id] : undefined
    return own?.startsWith('https:') ? own : pictureAddress(id)
  }

// Private use characters (Unicode, section 23.5) hold the places of fields and conditions while the words around them are escaped.
const OPEN = '\ue000',
  PART = '\ue001',
  CLOSE = '\ue002'
const held = new RegExp(`${OPEN}([^${OPEN}${PART}]*)${PART}([^${OPEN}${CLOSE}]*)${CLOSE}`, 'g')

const holdField: FieldWriter = ({ name, fallback }) => `${OPEN}${name}${PART}${fallback}${CLOSE}`

/** Marks of conditions are held as they are, behind an empty name. */
const holdConditions =
  (write: ConditionWriter): ConditionWriter =>
  (condition) => {
    const marks = write(condition)
    const hold = (mark: string) => `${OPEN}${PART}${mark}${CLOSE}`
    return typeof marks === 'boolean' ? marks : { before: hold(marks.before), after: hold(marks.after) }
  }

/** Puts what is held in the destination's own writing, and escapes all that stands around it. */
function put(text: string, escape: (outside: string) => string, { fields }: Writing): string {
  let out = ''
  let from = 0
  for (const m of text.matchAll(held)) {
    const [whole, name, rest] = m as unknown as [string, string, string]
    const own = name ? fields({ name, fallback: rest } satisfies Field) : rest
    out += escape(text.slice(from, m.index)) + own
    from = m.index + whole.length
  }
  return out + escape(text.slice(from))
}

/** Compiles an email for whoever it goes to. */
export const write = (email: Email, house: HouseStyle, how: How): Written =>
  writeAs(writings[how.writing], email, house, how)

/** The same in any writing. */
export function writeAs(own: Writing, email: Email, house: HouseStyle, how: Omit<How, 'writing'>): Written {
  const { escape } = own
  const pictures = namePictures(email)
  const fields = escape ? holdField : own.fields
  const conditions = escape ? holdConditions(own.conditions) : own.conditions
  const toHtml = (s: string) => (escape ? put(s, escape.html, own) : s)
  const toText = (s: string) => (escape ? put(s, escape.text, own) : s)
  const { styles, links } = how
  const print = how.print ?? printOf(email)
  const src = placesOf(how, pictures)
  const html = toHtml(compile(email, house, { src, fields, conditions, styles, print }))
  // What travels in a message is broken by its reader.
  const broken = how.places !== 'message'
  const text = toText(compileText(email, { fields, conditions, house, links, broken }))
  const amp =
    ampWay(email) === 'none'
      ? ''
      : toHtml(
          compileAmp(email, house, { src: ampPlaces(how), fields, conditions, compact: print === 'compact' })
            .html,
        )
  return {
    title: email.title,
    subject: toText(replaceFields(email.subject, fields)),
    preheader: toText(replaceFields(email.preheader, fields)),
    html,
    text,
    amp,
    pictures,
    manifest: manifestOf(email, { html: bytesOf(html), text: bytesOf(text) }),
  }
}

/** bytes in UTF-8 */
const bytesOf = (text: string): number => Buffer.byteLength(text)
