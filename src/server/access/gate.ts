import { randomBytes, timingSafeEqual } from 'node:crypto'
import { namedOrigins } from '../api/own-site'
import { Problem } from '../problem'
import { keptHash, matches } from './passphrase'
import { askerOf, fromOwnMachine } from './peer'
import { closeSession, isOpen, openSession, SESSION } from './sessions'
import { beginTry, takeTries, type WrongTries } from './tries'

/** What is open to all: the pages of links for clients, the countdowns of emails that were sent, the fonts that ship with the app, the way in, what is said where the database is in trouble, and the app's own scripts. */
const OPEN =
  /^\/(?:share\/|api\/shares\/|api\/countdown$|api\/fonts\/shipped\/|enter$|trouble$|api\/session$|api\/database$|_next\/static\/|icon\.svg$|favicon\.ico$)/

/** Under a name of the web the cookie is bound to it and to TLS (RFC 6265bis, 4.1.3.2). */
const COOKIE = 'mosaicus'
const SAFE_COOKIE = '__Host-mosaicus'

/** The header by which the app's own requests to itself (to the sending-platform stand-in) are known. */
const INSIDE = 'x-mosaicus-inside'
const held = globalThis as typeof globalThis & { mosaicusInside?: string }
const secret = (): string => (held.mosaicusInside ??= randomBytes(32).toString('base64url'))

/** What a request of the app to itself carries. */
export const insideHeaders = (): Record<string, string> => ({ [INSIDE]: secret() })

/** Whether a request is the app's own to itself. */
export function fromInside(headers: Headers): boolean {
  const said = Buffer.from(headers.get(INSIDE) ?? '')
  const known = Buffer.from(secret())
  return said.length === known.length && timingSafeEqual(said, known)
}

/** The token of a session that a request carries. */
function tokenOf(headers: Headers): string | null {
  const cookies = headers.get('cookie')?.split(/;\s*/) ?? []
  for (const name of [SAFE_COOKIE, COOKIE])
    for (const cookie of cookies) if (cookie.startsWith(`${name}=`)) return cookie.slice(name.length + 1)
  return null
}

/**
 * Why a request is not let in, or null where it is: without a passphrase the app answers its own machine alone, by what the
 * connection says, however it was started and wherever it listens; with one, whoever has not entered sees the pages of links for clients and nothing else.
 */
export function closedTo({ url, headers }: Pick<Request, 'url' | 'headers'>): Problem | null {
  if (OPEN.test(new URL(url).pathname)) return null
  if (!keptHash())
    return fromOwnMachine(headers)
      ? null
      : new Problem(
          403,
          'no-passphrase',
          'Mosaicus is not open from here',
          'It is asked for from the network, and no passphrase is set. Set one with bin/passphrase on its own machine.',
        )
  if (fromInside(headers)) return null
  const token = tokenOf(headers)
  return token && isOpen(token)
    ? null
    : new Problem(
        401,
        'passphrase-needed',
        'The passphrase is asked for',
        'This bench is closed, or your session is over. Enter the passphrase in another tab of this browser, then do this again: what you wrote is kept.',
      )
}

/** Whether there is a passphrase, and whether a request is let in. */
export const accessFor = (request: Pick<Request, 'headers'>): { passphrase: boolean; open: boolean } => ({
  passphrase: keptHash() !== null,
  open: !closedTo({ url: 'http://any/', headers: request.headers }),
})

/** The cookie of a session. @param token null: one that ends it */
export function cookieOf({ headers }: Pick<Request, 'headers'>, token: string | null): string {
  const host = headers.get('host')?.toLowerCase() ?? ''
  const secure = namedOrigins().some((o) => o.protocol === 'https:' && o.host === host)
  return [
    `${secure ? SAFE_COOKIE : COOKIE}=${token ?? ''}`,
    'Path=/',
    `Max-Age=${token ? SESSION : 0}`,
    'HttpOnly',
    'SameSite=Lax',
    ...(secure ? ['Secure'] : []),
  ].join('; ')
}

/**
 * Begins a session for who says the passphrase. This machine itself, and a browser that has entered, never wait.
 * @returns its token, and the wrong tries since the last one. Throws a Problem: 401 where it is wrong, 409 where
 * none is set, 429 where its address has tried too often
 */
export async function enter(said: string, headers: Headers): Promise<{ token: string; tries: WrongTries[] }> {
  const hash = keptHash()
  if (!hash)
    throw new Problem(409, 'no-passphrase', 'There is no passphrase', 'Set one with bin/passphrase first.')
  const token = tokenOf(headers)
  const known = fromOwnMachine(headers) || (token !== null && isOpen(token))
  const wentWell = known ? null : beginTry(askerOf(headers))
  if (!(await matches(said, hash)))
    throw new Problem(
      401,
      'wrong-passphrase',
      'This is not the passphrase',
      'Try again. Large and small letters differ. Who has lost it sets another with bin/passphrase on the machine of the app.',
    )
  wentWell?.()
  return { token: openSession(), tries: takeTries() }
}

/** Ends the session that a request carries. */
export function leave({ headers }: Pick<Request, 'headers'>): void {
  const token = tokenOf(headers)
  if (token) closeSession(token)
}
