import { eq } from 'drizzle-orm'
import { db } from '../../db'
import { openings } from '../../db/schema'

/** First openings are written together, at most this long after they are told, ms: a sync of the disk for each would hold up everything else. */
const SOON = 200

const waiting = new Map<string, number>()
let timer: NodeJS.Timeout | undefined

/** Writes what waits. One that is there already stays: it was earlier. */
export function writeOpenings(): void {
  clearTimeout(timer)
  timer = undefined
  if (!waiting.size) return
  const rows = [...waiting].map(([id, at]) => ({ id, at }))
  db().transaction((tx) => {
    for (const row of rows) tx.insert(openings).values(row).onConflictDoNothing().run()
  })
  for (const { id } of rows) waiting.delete(id)
}

/**
 * When a recipient opened a countdown first; the first time it is now. Only a digest of the key is kept.
 * @param now ms since 1970 @param mayAdd asked before a new one is kept @returns null where it may not
 */
export function firstOpening(id: string, now: number, mayAdd: () => boolean): number | null {
  const known = waiting.get(id) ?? db().select().from(openings).where(eq(openings.id, id)).get()?.at
  if (known !== undefined) return known
  if (!mayAdd()) return null
  waiting.set(id, now)
  timer ??= setTimeout(() => {
    try {
      writeOpenings()
    } catch (error) {
      // A full disk: they stay in memory and are tried again with the next.
      console.error(error)
    }
  }, SOON)
  return now
}
