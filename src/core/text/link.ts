import { isAddress } from './address'
import { asWritten, replaceFields, type FieldWriter } from './fields'

/**
 * True where a link opens in a browser, a mail or a telephone program, stands for a place on the page, or is
 * filled in by the platform.
 */
export const hasScheme = (href: string): boolean =>
  /^(https?:\/\/|mailto:|tel:|sms:|#|\[\[)/i.test(href.trim())

/** The only links a message may carry: anything that could run script (`javascript:`, `data:`) is not one. */
const allowed = /^(?!\s*(javascript|data|vbscript|file|blob)\s*:)/i

/** False for a link that could run script or read a file, however it is disguised by control characters. */
export const allowedHref = (link: string): boolean => allowed.test(link.replace(/[\p{Cc}\s]/gu, ''))

/**
 * Characters that RFC 3986 (section 2) wants percent-encoded where they stand for themselves. Existing
 * escapes are kept.
 */
const encode = (s: string): string =>
  s
    .toWellFormed()
    .replace(/[\s<>"{}|\\^`[\]]|\P{ASCII}/gu, (c) =>
      encodeURIComponent(c).replace('[', '%5B').replace(']', '%5D'),
    )

/**
 * A link as it goes into `href`: fields put by the writer, everything else a valid URL (RFC 3986). Links that
 * could run script come out as `#`. A field kept as written is percent-encoded too, since brackets may not
 * stand in a URL.
 */
export function hrefOf(link: string, fields: FieldWriter): string {
  const trimmed = link.replace(/\p{Cc}/gu, '').trim()
  if (!allowedHref(trimmed)) return '#'
  if (fields === asWritten) return encode(replaceFields(trimmed, ({ name }) => `[[${name}]]`))
  // A platform's own syntax must reach it untouched: only what stands around a field is encoded.
  const values: string[] = []
  const marked = replaceFields(trimmed, (f) => `\u0001${values.push(fields(f)) - 1}\u0001`)
  return (
    marked
      .split('\u0001')
      .map((part, i) => (i % 2 ? values[Number(part)]! : encode(part)))
      .join('') || '#'
  )
}

/**
 * A link as it stands in a plain text: encoded as in the HTML, with fields as the writer puts them; empty where it leads
 * nowhere.
 */
export function textHref(link: string, fields: FieldWriter): string {
  const href = link.trim() && hrefOf(link, (f) => fields(f))
  return href === '#' ? '' : href
}

/** A link with the scheme it lacks: `mailto:` for an address, else `https://`. */
export function withScheme(href: string): string {
  const trimmed = href.trim()
  if (hasScheme(trimmed) || trimmed === '') return trimmed
  if (isAddress(trimmed)) return `mailto:${trimmed}`
  return `https://${trimmed.replace(/^\/+/, '').replace(/^https?:\/*/i, '')}`
}

const bareAddress = (s: string): string =>
  s
    .trim()
    .toLowerCase()
    .replace(/^(?:https?:\/\/|mailto:|tel:|sms:)/, '')
    .replace(/^www\./, '')
    .replace(/\/$/, '')

/** Whether words say where their link leads: a plain text need not say it twice. */
export function saysItself(words: string, href: string): boolean {
  if (/^(?:tel|sms):/i.test(href))
    return words.replace(/[\s().-]/g, '') === href.replace(/^\w+:|[\s().-]/g, '')
  return hasScheme(href) && bareAddress(words) === bareAddress(href)
}

/** A link in a plain text after its words, or in their place where they say the same. @param written how a link is written after words */
export function wordsAndLink(words: string, href: string, written: (href: string) => string): string {
  if (!href) return words
  if (!words) return written(href)
  if (!saysItself(words, href)) return `${words} ${written(href)}`
  // With its scheme a reader finds it; addresses and numbers it finds by themselves.
  return /^https?:/i.test(href) ? href : words
}
