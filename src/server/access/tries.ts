import { desc, eq, lt, sql } from 'drizzle-orm'
import { db } from '../db'
import { tries } from '../db/schema'
import { Problem } from '../problem'

/** So many wrong tries of one address are let through at once; then each waits twice as long as the one before. */
export const FREE = 4
/** The first wait, and the longest, ms. */
const [FIRST, LONGEST] = [5_000, 15 * 60_000]
/** Tries are remembered so long, ms, and so many. */
const [KEPT, MOST_KEPT] = [30 * 24 * 3600_000, 10_000]

/** How long after its latest wrong try an address waits, ms. @param wrong how many there were */
export const waitAfter = (wrong: number): number =>
  wrong < FREE ? 0 : Math.min(LONGEST, FIRST * 2 ** Math.min(20, wrong - FREE))

const of = (address: string) =>
  db().select().from(tries).where(eq(tries.address, address)).orderBy(desc(tries.id)).all()

/**
 * Before a try: it counts from its start, so that many at once are no way around.
 * @returns what takes it back where it went well. Throws a Problem (429) where its address has to wait
 */
export function beginTry(address: string, now = Date.now()): () => void {
  const before = of(address)
  const until = before.length ? before[0]!.at + waitAfter(before.length) : 0
  // A clock that was set back makes nobody wait for longer than the longest.
  if (now < until && until - now <= LONGEST) {
    const seconds = Math.ceil((until - now) / 1000)
    throw new Problem(
      429,
      'too-many-tries',
      'Too many wrong tries',
      `From this address ${before.length} wrong passphrases came, so each next one waits longer. Try again in ${seconds < 90 ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`}.`,
      { retryAfter: seconds },
    )
  }
  const { lastInsertRowid } = db().insert(tries).values({ address, at: now }).run()
  db()
    .delete(tries)
    .where(lt(tries.at, now - KEPT))
    .run()
  db()
    .delete(tries)
    .where(lt(tries.id, Number(lastInsertRowid) - MOST_KEPT))
    .run()
  return () =>
    db()
      .delete(tries)
      .where(eq(tries.id, Number(lastInsertRowid)))
      .run()
}

/** Wrong tries of an address. */
export interface WrongTries {
  address: string
  count: number
  /** The latest. */
  at: string
}

/** Wrong tries since somebody last entered, the most first; they are forgotten with it. */
export function takeTries(): WrongTries[] {
  const rows = db()
    .select({ address: tries.address, count: sql<number>`count(*)`, at: sql<number>`max(${tries.at})` })
    .from(tries)
    .groupBy(tries.address)
    .orderBy(desc(sql`count(*)`))
    .limit(20)
    .all()
  db().delete(tries).run()
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }))
}
