import { hasScheme } from '../compile/link'
import { eachInline, markOf } from '../email/richtext'
import type { Email } from '../email/schema'
import { placesOf, type Place } from '../email/walk'

/** A link of an email: where it stands, and where it leads. */
export interface Link { place: Place; href: string; kind: 'words' | 'picture' | 'button' }

/** Every link written in an email, in reading order. Empty ones of pictures and buttons are left out. */
export function linksOf(email: Pick<Email, 'bands'>): Link[] {
  const out: Link[] = []
  for (const place of placesOf(email)) {
    const { tile } = place
    if (tile.kind === 'picture' || tile.kind === 'button') { if (tile.link.trim()) out.push({ place, href: tile.link, kind: tile.kind }) }
    else if (tile.kind === 'words') {
      const seen = new Set<string>()
      eachInline(tile.text, (run) => {
        const href = markOf(run, 'link')?.attrs.href
        if (href === undefined || seen.has(href)) return
        seen.add(href)
        out.push({ place, href, kind: 'words' })
      })
    }
  }
  return out
}

/** A link with the scheme it lacks: `mailto:` for an address, else `https://`. */
export function withScheme(href: string): string {
  const trimmed = href.trim()
  if (hasScheme(trimmed) || trimmed === '') return trimmed
  if (/^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(trimmed)) return `mailto:${trimmed}`
  return `https://${trimmed.replace(/^\/+/, '').replace(/^https?:\/*/i, '')}`
}
