import Database from 'better-sqlite3'
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { chmodSync, existsSync, mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { dataFolder, picturesFolder } from '../settings'
import * as schema from './schema'
import { copiesIn, DatabaseTrouble } from './trouble'
import { fillUses } from './uses'

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database }

/** The file that holds everything but pictures, films and fonts. */
export const FILE = 'mosaicus.db'

/**
 * Opens the database of a data folder, brings its tables up to date, and sets it so that an acknowledged
 * write survives a crash. Throws DatabaseTrouble where it is damaged, locked, or of a later Mosaicus; nothing is changed then.
 */
export function openDb(folder: string): Db {
  // What is kept here is nobody else's.
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  chmodSync(folder, 0o700)
  let sqlite: Database.Database | undefined
  try {
    sqlite = new Database(join(folder, FILE))
    sqlite.pragma('busy_timeout = 5000')
    refuseLater(sqlite)
    sqlite.pragma('journal_mode = WAL')
    sqlite.pragma('synchronous = FULL')
    for (const name of [FILE, `${FILE}-wal`, `${FILE}-shm`])
      if (existsSync(join(folder, name))) chmodSync(join(folder, name), 0o600)
    copyBefore(sqlite, folder)
    const db = drizzle(sqlite, { schema })
    // A table that is made anew must not take along what refers to it.
    sqlite.pragma('foreign_keys = OFF')
    migrate(db, { migrationsFolder: migrations() })
    sqlite.pragma('foreign_keys = ON')
    fillUses(db)
    return db
  } catch (error) {
    sqlite?.close()
    throw DatabaseTrouble.from(error, copiesIn(folder))
  }
}

const migrations = () => join(process.cwd(), 'src/server/db/migrations')

/** How many changes of its tables a database has behind it; 0 where it is new. */
function appliedTo(sqlite: Database.Database): number {
  const known = sqlite.prepare("select 1 from sqlite_master where name = '__drizzle_migrations'").get()
  if (!known) return 0
  return (sqlite.prepare('select count(*) as applied from __drizzle_migrations').get() as { applied: number })
    .applied
}

const knownChanges = (): number =>
  (JSON.parse(readFileSync(join(migrations(), 'meta/_journal.json'), 'utf8')) as { entries: unknown[] })
    .entries.length

/** Refuses what a later Mosaicus has written: it may mean what this one would get wrong. */
function refuseLater(sqlite: Database.Database): void {
  const applied = appliedTo(sqlite)
  if (applied > knownChanges())
    throw new DatabaseTrouble(
      'later',
      `${applied} changes of its tables, of which this Mosaicus knows ${knownChanges()}`,
    )
}

/** Copies a database beside itself before its tables are changed: `mosaicus.before-4.db` holds it as it was with four. */
function copyBefore(sqlite: Database.Database, folder: string): void {
  const applied = appliedTo(sqlite)
  if (!applied) return
  const copy = join(folder, `mosaicus.before-${applied + 1}.db`)
  if (applied >= knownChanges() || existsSync(copy)) return
  sqlite.prepare('vacuum into ?').run(copy)
  chmodSync(copy, 0o600)
}

/** Next loads route modules apart from each other; the one connection lives on the process. */
const held = globalThis as typeof globalThis & { mosaicusDb?: Db }

export function db(): Db {
  if (!held.mosaicusDb) {
    const opened = openDb(dataFolder())
    mkdirSync(picturesFolder(), { recursive: true })
    held.mosaicusDb = opened
  }
  return held.mosaicusDb
}
