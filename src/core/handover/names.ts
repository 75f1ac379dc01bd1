import { slug } from '../text/slug'
import { picturesOf } from '../tiles/contents'
import type { Email } from '../email/schema'
import type { PictureRef } from '../picture/ref'

const endings: Record<PictureRef['type'], string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/webp': 'webp',
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
