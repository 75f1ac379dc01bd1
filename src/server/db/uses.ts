import { eq, sql } from 'drizzle-orm'
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { clients, documents, keptParts, uses, versions } from './schema'
import type * as schema from './schema'

type Db = BetterSQLite3Database<typeof schema>

/** A SHA-256 as it stands in a document. */
const ID = /\b[0-9a-f]{64}\b/g

type Writer = Pick<Db, 'delete' | 'insert'>

/** Who names pictures, films and fonts. */
export const ownerOf = {
  email: (jobId: string) => `email ${jobId}`,
  cuts: (jobId: string) => `cuts ${jobId}`,
  version: (id: string) => `version ${id}`,
  kept: (id: string) => `kept ${id}`,
  house: (clientId: string) => `house ${clientId}`,
}

/** Notes what a document names, in the transaction that saves it. */
export function noteUses(db: Writer, owner: string, body: unknown): void {
  db.delete(uses).where(eq(uses.owner, owner)).run()
  const things = new Set([...JSON.stringify(body ?? null).matchAll(ID)].map(([id]) => id))
  for (const thing of things) db.insert(uses).values({ owner, thing }).onConflictDoNothing().run()
}

/** Notes that a document is gone. */
export const forgetUses = (db: Writer, owner: string): void =>
  void db.delete(uses).where(eq(uses.owner, owner)).run()

/** What stands for "all that was stored before uses were noted is noted". */
const FILLED = 'filled'

/** Once, for a database of before: notes what its documents name, one row after the other. */
export function fillUses(db: Db): void {
  if (db.select().from(uses).where(eq(uses.owner, FILLED)).get()) return
  db.transaction((tx) => {
    for (const { jobId, kind } of tx
      .select({ jobId: documents.jobId, kind: documents.kind })
      .from(documents)
      .all()) {
      const row = tx
        .select({ body: documents.body })
        .from(documents)
        .where(sql`${documents.jobId} = ${jobId} and ${documents.kind} = ${kind}`)
        .get()
      noteUses(tx, ownerOf[kind](jobId), row?.body)
    }
    for (const [table, owner] of [
      [versions, ownerOf.version],
      [keptParts, ownerOf.kept],
    ] as const)
      for (const { id } of tx.select({ id: table.id }).from(table).all())
        noteUses(
          tx,
          owner(id),
          tx.select({ body: table.body }).from(table).where(eq(table.id, id)).get()?.body,
        )
    for (const { id, house } of tx.select().from(clients).all()) noteUses(tx, ownerOf.house(id), house)
    tx.insert(uses).values({ owner: FILLED, thing: '' }).run()
  })
}
