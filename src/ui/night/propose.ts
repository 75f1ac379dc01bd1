import { pictureAtNight } from '@/core/checks/picture-at-night'
import { runChecks, scopeOf } from '@/core/checks/run'
import { styleOf } from '@/core/email/cascade'
import { applyEdit, type Edit } from '@/core/email/edits'
import { groundOf } from '@/core/email/ground'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { placeOf } from '@/core/email/walk'
import { nightPalette } from '@/core/night/palette'
import type { EmailWork } from '../bench/email-work'
import { askForLooks, looks } from '../bench/looks'
import { mendedPicture } from './mend'

/** Pictures of an email that go lost at night, or stand there as a box, as far as their pixels are known. */
export const toMendAtNight = (email: Email, house: HouseStyle) =>
  runChecks([pictureAtNight], scopeOf(email, styleOf(house, email.styles), '', 0, looks))

/** Corners of a plate, px of the file. */
const ROUND = 12

/**
 * Night colours for all of an email, and a plate of the day's ground behind marks that would go lost on its dark grounds: one step. Throws an Error, in
 * words, where a picture cannot be worked on. @returns how many plates were made
 */
export async function proposeNight(work: EmailWork): Promise<number> {
  const { email } = work
  const { house } = work.job.client
  const edits = nightPalette(email, house)
  await askForLooks(email)
  const night = edits.reduce(applyEdit, email)
  const style = styleOf(house, night.styles)
  const plates: Edit[] = []
  for (const { where } of toMendAtNight(night, house)) {
    const tile = where.tile && placeOf(night, where.tile)?.tile
    if (!tile || tile.kind !== 'picture' || !tile.picture || tile.nightPicture) continue
    const color = groundOf(night, style, tile.id).color
    const picture = await mendedPicture(tile.picture.id, { kind: 'plate', color, radius: ROUND })
    if (picture)
      plates.push({ name: 'setTile', what: { id: tile.id, kind: 'picture', set: { nightPicture: picture } } })
  }
  const all = [...edits, ...plates]
  if (all.length) work.apply('propose night colours', all)
  return plates.length
}
