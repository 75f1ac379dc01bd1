import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { setFirst } from '@/core/motion/countdown/gif'
import { leftOf } from '@/core/motion/countdown/open'
import { designOf, type CountdownQuery } from '@/core/motion/countdown/query'
import { db } from '../../db'
import { openings } from '../../db/schema'
import { compute } from '../../pool'
import { Problem } from '../../problem'
import { fontsFolder } from '../../settings'

/** When a recipient opened a countdown first; the first time it is now. Only a digest of the key is kept. @param now ms since 1970 */
function firstOpened(q: CountdownQuery, key: string, now: number): number {
  const id = createHash('sha256')
    .update(JSON.stringify([q.span, q.to, key]))
    .digest('hex')
  db().insert(openings).values({ id, at: now }).onConflictDoNothing().run()
  return db().select().from(openings).where(eq(openings.id, id)).get()!.at
}

/** Pictures of this second and those just before, by design and seconds left. */
const KEPT = 300
const pictures = new Map<string, Promise<Uint8Array>>()

/** What keeps a stale picture from being shown: every opening asks again. */
const headers = {
  'content-type': 'image/gif',
  'cache-control': 'no-cache, no-store, must-revalidate, private, max-age=0',
  pragma: 'no-cache',
  expires: '0',
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'",
}

/** Answers an opening with the next minute. Throws a Problem (422) for a time or a zone that there is not. @param now ms since 1970 */
export async function openedCountdown(q: CountdownQuery, now = Date.now()): Promise<Response> {
  let left: number
  try {
    left = leftOf(q, now, (key) => firstOpened(q, key, now))
  } catch (error) {
    if (error instanceof RangeError)
      throw new Problem(422, 'no-such-moment', 'This countdown has no end', error.message)
    throw error
  }
  const seconds = Math.ceil(left / 1000)
  const design = designOf(q)
  const id = JSON.stringify([design, seconds])
  let picture = pictures.get(id)
  if (!picture) {
    picture = compute('countdown', { design, left: seconds, fonts: fontsFolder() })
    picture.catch(() => pictures.delete(id))
    pictures.set(id, picture)
    if (pictures.size > KEPT) pictures.delete(pictures.keys().next().value!)
  }
  const gif = setFirst(Uint8Array.from(await picture), seconds ? left - (seconds - 1) * 1000 : 1000)
  return new Response(new Uint8Array(gif), { headers })
}
