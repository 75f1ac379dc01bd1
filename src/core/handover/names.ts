import { placesOf } from '../email/walk'
import type { Email } from '../email/schema'
import type { PictureRef } from '../tiles/picture/schema'

const endings: Record<PictureRef['type'], string> = { 'image/png': 'png', 'image/jpeg': 'jpg', 'image/gif': 'gif', 'image/webp': 'webp' }

/** A short word form of a text for file names: lower-case ASCII letters, digits and hyphens. */
export function slug(text: string, most = 40): string {
  const ascii = text.normalize('NFKD').replace(/[\u0300-\u036f]/g, '').toLowerCase().replace(/ß/g, 'ss').replace(/[^a-z0-9]+/g, '-')
  return ascii.slice(0, most).replace(/^-+|-+$/g, '')
}

/** A picture of the email with the name it is handed over under. */
export interface NamedPicture { name: string; picture: PictureRef; alt: string }

/**
 * Names for an email's pictures: numbered in reading order, so that a folder sorted by name shows them as they come, and saying what they
 * show. A picture used twice is handed over once.
 */
export function namePictures(email: Pick<Email, 'bands'>): NamedPicture[] {
  const out = new Map<string, NamedPicture>()
  const places = [...placesOf(email)].filter((p) => p.tile.kind === 'picture' && p.tile.picture)
  const digits = Math.max(2, String(places.length).length)
  for (const { band, tile } of places) {
    if (tile.kind !== 'picture' || !tile.picture || out.has(tile.picture.id)) continue
    const says = slug(tile.alt ?? '') || slug(band.name) || 'picture'
    out.set(tile.picture.id, { name: `${String(out.size + 1).padStart(digits, '0')}-${says}.${endings[tile.picture.type]}`, picture: tile.picture, alt: tile.alt ?? '' })
  }
  return [...out.values()]
}
