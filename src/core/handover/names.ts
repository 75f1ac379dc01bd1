import { tilesOf } from '../email/walk'
import { picturesIn } from '../tiles/parts'
import type { Email } from '../email/schema'
import type { PictureRef } from '../tiles/picture/ref'

const endings: Record<PictureRef['type'], string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/webp': 'webp',
}

/** A short word form of a text for file names: lower-case ASCII letters, digits and hyphens. */
export function slug(text: string, most = 40): string {
  const ascii = text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]+/g, '-')
  return ascii.slice(0, most).replace(/^-+|-+$/g, '')
}

/** A picture of the email with the name it is handed over under. */
export interface NamedPicture {
  name: string
  picture: PictureRef
  alt: string
}

/**
 * Names for an email's pictures: numbered in reading order, so that a folder sorted by name shows them as
 * they come, and saying what they show. A picture used twice is handed over once. Pictures of an email
 * written by hand keep their own names.
 */
export function namePictures(email: Pick<Email, 'way' | 'bands' | 'hand'>): NamedPicture[] {
  const out = new Map<string, NamedPicture>()
  if (email.way === 'plain') return []
  const used = picturesOf(email)
  const digits = Math.max(2, String(used.length).length)
  const taken = new Set<string>()
  for (const { picture, alt, where } of used) {
    if (out.has(picture.id)) continue
    const ending = endings[picture.type]
    const says = slug(alt) || slug(where) || 'picture'
    const name =
      email.way === 'hand'
        ? unused(`${says}.${ending}`, taken)
        : `${String(out.size + 1).padStart(digits, '0')}-${says}.${ending}`
    taken.add(name)
    out.set(picture.id, { name, picture, alt })
  }
  return [...out.values()]
}

const unused = (name: string, taken: ReadonlySet<string>): string => {
  let n = name
  for (let i = 2; taken.has(n); i++) n = name.replace(/(?=\.[a-z]+$)/, `-${i}`)
  return n
}

/**
 * Every picture of an email in the order in which readers load them, with what it says and where it stands.
 */
export function picturesOf(
  email: Pick<Email, 'way' | 'bands' | 'hand'>,
): { picture: PictureRef; alt: string; where: string }[] {
  if (email.way === 'hand')
    return Object.entries(email.hand?.pictures ?? {}).map(([address, picture]) => ({
      picture,
      alt: '',
      where: address.replace(/^.*\//, '').replace(/\.[a-z0-9]+$/i, ''),
    }))
  return email.bands.flatMap((band) => [
    ...(band.picture ? [{ picture: band.picture.picture, alt: '', where: band.name }] : []),
    ...[...tilesOf(band)].flatMap((tile) => picturesIn(tile).map((p) => ({ ...p, where: band.name }))),
  ])
}
