import type { Email } from '../email/schema'

/** Keys whose colours are those of the night. */
const NIGHT = /^night/

/** A document with one colour of the day in place of another, wherever it stands; what was not touched is the same object. */
export function withColor<T>(doc: T, from: string, to: string): T {
  if (Array.isArray(doc)) {
    const next = doc.map((v: unknown) => withColor(v, from, to))
    return next.some((v, i) => v !== doc[i]) ? (next as T) : doc
  }
  if (doc && typeof doc === 'object') {
    const entries = Object.entries(doc).map(([key, v]) => [
      key,
      NIGHT.test(key)
        ? (v as unknown)
        : typeof v === 'string'
          ? swapped(v, from, to)
          : withColor(v as unknown, from, to),
    ])
    const before = doc as Record<string, unknown>
    return entries.some(([key, v]) => v !== before[key as string]) ? (Object.fromEntries(entries) as T) : doc
  }
  return doc
}

const swapped = (value: string, from: string, to: string): string =>
  value.length === 7 && value.toLowerCase() === from ? to : value

/** How often a colour of the day stands in a document. */
export function countColor(doc: unknown, color: string): number {
  if (Array.isArray(doc)) return doc.reduce<number>((sum, v) => sum + countColor(v, color), 0)
  if (!doc || typeof doc !== 'object') return 0
  return Object.entries(doc).reduce(
    (sum, [key, v]) =>
      sum +
      (NIGHT.test(key)
        ? 0
        : typeof v === 'string'
          ? Number(v.toLowerCase() === color)
          : countColor(v, color)),
    0,
  )
}

/** A colour in a text of HTML or CSS, however its letters are written. */
const inText = (color: string): RegExp => new RegExp(`${color}(?![0-9a-f])`, 'gi')

/** An email with one colour of the day in place of another: in its tiles and bands, or in the HTML that was written by hand. */
export const emailWithColor = (email: Email, from: string, to: string): Email =>
  email.way === 'hand' && email.hand
    ? { ...email, hand: { ...email.hand, html: email.hand.html.replace(inText(from), to) } }
    : withColor(email, from, to)

/** How often a colour stands in an email, in the way in which it is written. */
export const countInEmail = (email: Email, color: string): number =>
  email.way === 'hand'
    ? [...(email.hand?.html ?? '').matchAll(inText(color))].length
    : countColor(email, color)
