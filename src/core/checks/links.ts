import { hasScheme } from '../compile/link'
import type { Email } from '../email/schema'
import { placesOf, type Place } from '../email/walk'
import { linksIn, type TileLink } from '../tiles/parts'

/**
 * A link of an email: where it stands (null: in the markup or text of an email written so), and where it
 * leads.
 */
export interface Link {
  place: Place | null
  href: string
  from: TileLink['from']
}

/** Every link written in an email, in reading order. Empty ones are left out. */
export function linksOf(email: Email): Link[] {
  if (email.way === 'hand')
    return hrefsIn(email.hand?.html ?? '').map((href) => ({ place: null, href, from: 'code' }))
  if (email.way === 'plain')
    return [...(email.plain ?? '').matchAll(/https?:\/\/[^\s<>"]+|\[\[\s*unsubscribe[^\]]*\]\]/g)].map(
      (m) => ({ place: null, href: m[0], from: 'words' }),
    )
  return [...placesOf(email)].flatMap((place) => linksIn(place.tile).map((l) => ({ place, ...l })))
}

/** Where the links of a markup lead, as written. */
const hrefsIn = (html: string): string[] =>
  [...html.matchAll(/<a(?:rea)?\b[^>]*?\shref\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/gi)]
    .map((m) => (m[1] ?? m[2] ?? m[3]!).replace(/&amp;/g, '&'))
    .filter((h) => h.trim())

/** A link with the scheme it lacks: `mailto:` for an address, else `https://`. */
export function withScheme(href: string): string {
  const trimmed = href.trim()
  if (hasScheme(trimmed) || trimmed === '') return trimmed
  if (/^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(trimmed)) return `mailto:${trimmed}`
  return `https://${trimmed.replace(/^\/+/, '').replace(/^https?:\/*/i, '')}`
}
