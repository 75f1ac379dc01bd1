import Database from 'better-sqlite3'
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { dataFolder, picturesFolder } from '../settings'
import * as schema from './schema'

export type Db = BetterSQLite3Database<typeof schema>

/**
 * Opens the database of a data folder, brings its tables up to date, and sets it so that an acknowledged
 * write survives a crash.
 */
export function openDb(folder: string): Db {
  mkdirSync(folder, { recursive: true })
  const sqlite = new Database(join(folder, 'mosaicus.db'))
  sqlite.pragma('journal_mode = WAL')
  sqlite.pragma('synchronous = FULL')
  sqlite.pragma('foreign_keys = ON')
  sqlite.pragma('busy_timeout = 5000')
  const db = drizzle(sqlite, { schema })
  migrate(db, { migrationsFolder: join(process.cwd(), 'src/server/db/migrations') })
  return db
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
