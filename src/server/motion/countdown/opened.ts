import { createHash } from 'node:crypto'
import { setFirst } from '@/core/motion/countdown/gif'
import { leftOf } from '@/core/motion/countdown/open'
import { designOf, type CountdownQuery } from '@/core/motion/countdown/query'
import { compute } from '../../pool'
import { Problem } from '../../problem'
import { fontsFolder } from '../../settings'
import { firstOpening } from './openings'
import { Rate } from './rate'

const digest = (...parts: unknown[]): string =>
  createHash('sha256').update(JSON.stringify(parts)).digest('hex')

/** Pictures of this second and those just before, by design and seconds left: so many bytes of them. */
const MOST_BYTES = 32 * 1024 * 1024
const pictures = new Map<string, { made: Promise<Uint8Array>; bytes: number }>()
let kept = 0

/** Designs that were drawn: one of them is cheap to draw again. */
const MOST_DESIGNS = 5000
const designs = new Set<string>()

/** New designs cost a hundred times what known ones do: so many a minute from one address, and from all together. */
const newDesigns = new Rate({ each: 30, all: 300 })
/** Recipients that are not known yet: so many a minute. A mailing is opened through proxies, so one address may stand for many. */
const newKeys = new Rate({ each: 6000, all: 30_000 })

const tooMany = (what: string) =>
  new Problem(503, 'too-many-countdowns', 'Too many countdowns at once', `${what} Try again in a minute.`, {
    retryAfter: 60,
  })

/** What keeps a stale picture from being shown: every opening asks again. Any page and mail program may show it. */
const headers = {
  'content-type': 'image/gif',
  'cache-control': 'no-cache, no-store, must-revalidate, private, max-age=0',
  pragma: 'no-cache',
  expires: '0',
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'",
  'cross-origin-resource-policy': 'cross-origin',
}

/** A minute of a design, made once for all that ask in the same second. */
function pictureOf(q: CountdownQuery, seconds: number, from: string): Promise<Uint8Array> {
  const design = designOf(q)
  const drawn = digest(design)
  const id = `${drawn} ${seconds}`
  const known = pictures.get(id)
  if (known) return known.made
  if (!designs.has(drawn)) {
    if (!newDesigns.take(from)) throw tooMany('Many new designs of countdowns were asked for.')
    designs.add(drawn)
    if (designs.size > MOST_DESIGNS) designs.delete(designs.values().next().value!)
  }
  const entry = { made: compute('countdown', { design, left: seconds, fonts: fontsFolder() }), bytes: 0 }
  pictures.set(id, entry)
  entry.made.then(
    (gif) => {
      entry.bytes = gif.length
      kept += gif.length
      for (const [old, gone] of pictures) {
        if (kept <= MOST_BYTES || old === id) return
        pictures.delete(old)
        kept -= gone.bytes
      }
    },
    () => pictures.delete(id),
  )
  return entry.made
}

/**
 * Answers an opening with the next minute. Throws a Problem: 422 for a time or a zone that there is not, 503 where too much is asked for.
 * @param now ms since 1970 @param from who asks
 */
export async function openedCountdown(q: CountdownQuery, now = Date.now(), from = ''): Promise<Response> {
  let left: number
  try {
    left = leftOf(q, now, (key) => {
      const at = firstOpening(digest(q.span, q.to, key), now, () => newKeys.take(from))
      if (at === null) throw tooMany('Many recipients opened one for the first time.')
      return at
    })
  } catch (error) {
    if (error instanceof RangeError)
      throw new Problem(422, 'no-such-moment', 'This countdown has no end', error.message)
    throw error
  }
  const seconds = Math.ceil(left / 1000)
  const gif = setFirst(
    Uint8Array.from(await pictureOf(q, seconds, from)),
    seconds ? left - (seconds - 1) * 1000 : 1000,
  )
  return new Response(new Uint8Array(gif), { headers })
}
