import { createHash, randomUUID } from 'node:crypto'
import { standinsDb } from '../db'

/** The token that the stand-in takes. It opens nothing else, so it may be shown. */
export const TOKEN = 'standin-7f3a-open-sesame'

export interface Template {
  id: string
  name: string
  subject: string
  preheader: string
  html: string
  text: string
  /** Its interactive part; empty where there is none. */
  amp: string
  at: string
}

/** Keeps a picture; the same bytes get the same id. */
export function keepPicture(name: string, type: string, bytes: Buffer): string {
  const id = createHash('sha256').update(bytes).digest('hex').slice(0, 24)
  standinsDb()
    .prepare('INSERT OR IGNORE INTO platform_pictures (id, name, type, bytes, at) VALUES (?, ?, ?, ?, ?)')
    .run(id, name, type, bytes, new Date().toISOString())
  return id
}

export const pictureOf = (id: string) =>
  standinsDb().prepare('SELECT type, bytes FROM platform_pictures WHERE id = ?').get(id) as
    { type: string; bytes: Buffer } | undefined

/** Keeps a template. @param key the same key gets the template that was made with it first */
export function keepTemplate(t: Omit<Template, 'id' | 'at'>, key: string | null): string {
  const known = key && standinsDb().prepare('SELECT id FROM platform_keys WHERE key = ?').get(key)
  if (known) return (known as { id: string }).id
  const id = randomUUID()
  if (key) standinsDb().prepare('INSERT INTO platform_keys (key, id) VALUES (?, ?)').run(key, id)
  standinsDb()
    .prepare(
      'INSERT INTO platform_templates (id, name, subject, preheader, html, text, amp, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(id, t.name, t.subject, t.preheader, t.html, t.text, t.amp, new Date().toISOString())
  return id
}

/** The templates, the latest first. */
export const listTemplates = () =>
  standinsDb().prepare('SELECT * FROM platform_templates ORDER BY at DESC LIMIT 100').all() as Template[]
export const templateOf = (id: string) =>
  standinsDb().prepare('SELECT * FROM platform_templates WHERE id = ?').get(id) as Template | undefined
