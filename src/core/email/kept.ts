import { fresh } from './edits/reach'
import type { Band, Email } from './schema'

/**
 * Bands with ids of their own all through, as copies need them; what was built from cuts of another design forgets them.
 * @param part what they are tied to from now on; left out, they are free
 */
export const copiesOf = (bands: readonly Band[], part?: string): Band[] =>
  bands.map((band, at) => {
    const { kept: _, ...rest } = fresh(band)
    return part ? { ...rest, kept: { part, at } } : rest
  })

/**
 * An email whose bands that are tied to a part are as the part has them now. They keep their own ids, so that what names a band still does.
 * Gives back the same email where none is.
 */
export function withPart(email: Email, part: string, bands: readonly Band[]): Email {
  let changed = false
  const next = email.bands.map((band) => {
    const now = band.kept?.part === part ? bands[band.kept.at] : undefined
    if (!now) return band
    changed = true
    return { ...copiesOf([now])[0]!, id: band.id, kept: band.kept }
  })
  return changed ? { ...email, bands: next } : email
}
