import Database from 'better-sqlite3'
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { existsSync, mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { dataFolder, picturesFolder } from '../settings'
import * as schema from './schema'

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database }

/**
 * Opens the database of a data folder, brings its tables up to date, and sets it so that an acknowledged
 * write survives a crash.
 */
export function openDb(folder: string): Db {
  mkdirSync(folder, { recursive: true })
  const sqlite = new Database(join(folder, 'mosaicus.db'))
  sqlite.pragma('journal_mode = WAL')
  sqlite.pragma('synchronous = FULL')
  sqlite.pragma('busy_timeout = 5000')
  copyBefore(sqlite, folder)
  const db = drizzle(sqlite, { schema })
  // A table that is made anew must not take along what refers to it.
  sqlite.pragma('foreign_keys = OFF')
  migrate(db, { migrationsFolder: migrations() })
  sqlite.pragma('foreign_keys = ON')
  return db
}

const migrations = () => join(process.cwd(), 'src/server/db/migrations')

/** Copies a database beside itself before its tables are changed: `mosaicus.before-4.db` holds it as it was with four. */
function copyBefore(sqlite: Database.Database, folder: string): void {
  const known = sqlite.prepare("select 1 from sqlite_master where name = '__drizzle_migrations'").get()
  if (!known) return
  const { applied } = sqlite.prepare('select count(*) as applied from __drizzle_migrations').get() as {
    applied: number
  }
  const journal = JSON.parse(readFileSync(join(migrations(), 'meta/_journal.json'), 'utf8')) as {
    entries: unknown[]
  }
  const copy = join(folder, `mosaicus.before-${applied + 1}.db`)
  if (applied < journal.entries.length && !existsSync(copy)) sqlite.prepare('vacuum into ?').run(copy)
}

/** Next loads route modules apart from each other; the one connection lives on the process. */
const held = globalThis as typeof globalThis & { mosaicusDb?: Db }

export function db(): Db {
  if (!held.mosaicusDb) {
    mkdirSync(picturesFolder(), { recursive: true })
    held.mosaicusDb = openDb(dataFolder())
  }
  return held.mosaicusDb
}
