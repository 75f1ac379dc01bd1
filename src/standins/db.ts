import Database from 'better-sqlite3'
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'

/**
 * The stand-ins' own database, apart from the app's: they are outside services that happen to ship with it.
 */
const held = globalThis as typeof globalThis & { mosaicusStandins?: Database.Database }

export function standinsDb(): Database.Database {
  if (held.mosaicusStandins) return held.mosaicusStandins
  const folder = resolve(/* turbopackIgnore: true */ process.env.MOSAICUS_DATA ?? './data')
  mkdirSync(folder, { recursive: true })
  const db = new Database(join(folder, 'standins.db'))
  db.pragma('journal_mode = WAL')
  db.pragma('busy_timeout = 5000')
  db.exec(`
    CREATE TABLE IF NOT EXISTS messages (id TEXT PRIMARY KEY, at TEXT NOT NULL, sender TEXT NOT NULL, recipients TEXT NOT NULL, raw BLOB NOT NULL);
    CREATE TABLE IF NOT EXISTS platform_pictures (id TEXT PRIMARY KEY, name TEXT NOT NULL, type TEXT NOT NULL, bytes BLOB NOT NULL, at TEXT NOT NULL);
    CREATE TABLE IF NOT EXISTS platform_templates (id TEXT PRIMARY KEY, name TEXT NOT NULL, subject TEXT NOT NULL, preheader TEXT NOT NULL, html TEXT NOT NULL, text TEXT NOT NULL, at TEXT NOT NULL);
    CREATE TABLE IF NOT EXISTS platform_keys (key TEXT PRIMARY KEY, id TEXT NOT NULL);
    CREATE TABLE IF NOT EXISTS answers (id TEXT PRIMARY KEY, form TEXT NOT NULL, at TEXT NOT NULL, sender TEXT NOT NULL, fields TEXT NOT NULL, key TEXT NOT NULL);
    CREATE INDEX IF NOT EXISTS answers_by_form ON answers (form, at);
    CREATE INDEX IF NOT EXISTS answers_by_key ON answers (key, at);
    CREATE TABLE IF NOT EXISTS lists (name TEXT PRIMARY KEY, body TEXT NOT NULL);
    CREATE TABLE IF NOT EXISTS dynamic_senders (sender TEXT PRIMARY KEY);
    CREATE TABLE IF NOT EXISTS modes (standin TEXT PRIMARY KEY, mode TEXT NOT NULL);
  `)
  // Tables of before the platform took AMP parts.
  const columns = db.pragma('table_info(platform_templates)') as { name: string }[]
  if (!columns.some((c) => c.name === 'amp'))
    db.exec("ALTER TABLE platform_templates ADD COLUMN amp TEXT NOT NULL DEFAULT ''")
  held.mosaicusStandins = db
  return db
}

/**
 * How a stand-in behaves, so that failures can be tried: as it should, late, refusing, with its token run
 * out, or with garbled answers.
 */
export const modes = [
  'ok',
  'slow',
  'refuse',
  'expire',
  'mangle',
  // Of answers alone: without the headers that readers want, for another sender, or with a redirect.
  'headers',
  'other',
  'redirect',
] as const
export type Mode = (typeof modes)[number]
export type Standin = 'inbox' | 'platform' | 'answers'

export function modeOf(standin: Standin): Mode {
  const row = standinsDb().prepare('SELECT mode FROM modes WHERE standin = ?').get(standin) as
    { mode: Mode } | undefined
  return row?.mode ?? 'ok'
}

export function setMode(standin: Standin, mode: Mode): void {
  standinsDb()
    .prepare(
      'INSERT INTO modes (standin, mode) VALUES (?, ?) ON CONFLICT (standin) DO UPDATE SET mode = excluded.mode',
    )
    .run(standin, mode)
}
