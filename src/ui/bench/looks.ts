import type { PictureLooks } from '@/core/checks'
import type { Email } from '@/core/email/schema'
import type { PictureLook } from '@/core/night/look'
import { picturesOf } from '@/core/tiles/contents'
import { call } from '../api'

/** Most that are asked for at once. */
const MOST = 200

/** What the server measured. Pictures are named by their bytes, so none ever changes; null: there is none. */
const known = new Map<string, PictureLook | null>()

/** What is known of a picture's pixels. */
export const looks: PictureLooks = (id) => known.get(id) ?? undefined

/** Asks for what is not known yet of an email's pictures. @returns whether there is news; without an answer there is none */
export async function askForLooks(email: Email): Promise<boolean> {
  const ids = [...new Set(picturesOf(email).map((p) => p.picture.id))]
    .filter((id) => !known.has(id))
    .slice(0, MOST)
  if (!ids.length) return false
  const found = await call('POST /api/pictures/looks', { body: { ids } }).catch(() => null)
  found?.looks.forEach((look, i) => known.set(ids[i]!, look))
  return found !== null
}
