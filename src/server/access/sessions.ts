import { createHash, randomBytes } from 'node:crypto'
import { and, eq, gt, lte } from 'drizzle-orm'
import { db } from '../db'
import { sessions } from '../db/schema'

/** How long a session is good, s. */
export const SESSION = 30 * 24 * 3600

/** Only the digest of a token is kept, so that what is stored lets nobody in. */
const digest = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Begins a session. @returns its token, 256 random bits: the cookie's value */
export function openSession(now = Date.now()): string {
  const token = randomBytes(32).toString('base64url')
  db().delete(sessions).where(lte(sessions.expiresAt, now)).run()
  db()
    .insert(sessions)
    .values({ id: digest(token), expiresAt: now + SESSION * 1000 })
    .run()
  return token
}

/** Whether a token is that of a session that is not over. */
export const isOpen = (token: string, now = Date.now()): boolean =>
  !!db()
    .select()
    .from(sessions)
    .where(and(eq(sessions.id, digest(token)), gt(sessions.expiresAt, now)))
    .get()

/** Ends a session. */
export const closeSession = (token: string): void =>
  void db()
    .delete(sessions)
    .where(eq(sessions.id, digest(token)))
    .run()
