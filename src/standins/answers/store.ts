import { createHash, randomUUID } from 'node:crypto'
import { standinsDb } from '../db'

/** One answer to a form. */
export interface Answer {
  id: string
  form: string
  at: string
  /** Whose message it came from; empty where it was sent as a page. */
  sender: string
  fields: [name: string, value: string][]
}

/** Two posts of the same from the same place within this time are one press, ms. */
const DOUBLE = 10_000

/** Most answers of one form. */
const MOST = 10_000

const digest = (parts: unknown): string => createHash('sha256').update(JSON.stringify(parts)).digest('hex')

interface Row {
  id: string
  form: string
  at: string
  sender: string
  fields: string
}
const answerOf = (r: Row): Answer => ({ ...r, fields: JSON.parse(r.fields) as Answer['fields'] })

/**
 * Keeps an answer. The same from the same place within ten seconds is a double press and kept once. @param from where it came from @returns null
 * where there are too many already
 */
export function keepAnswer(
  answer: Pick<Answer, 'form' | 'sender' | 'fields'>,
  from: string,
  now = Date.now(),
): { id: string; double: boolean } | null {
  const db = standinsDb()
  const key = digest([answer.form, answer.sender, answer.fields, from])
  const known = db
    .prepare('SELECT id FROM answers WHERE key = ? AND at > ?')
    .get(key, new Date(now - DOUBLE).toISOString()) as { id: string } | undefined
  if (known) return { id: known.id, double: true }
  const { n } = db.prepare('SELECT count(*) AS n FROM answers WHERE form = ?').get(answer.form) as {
    n: number
  }
  if (n >= MOST) return null
  const id = randomUUID()
  db.prepare('INSERT INTO answers (id, form, at, sender, fields, key) VALUES (?, ?, ?, ?, ?, ?)').run(
    id,
    answer.form,
    new Date(now).toISOString(),
    answer.sender,
    JSON.stringify(answer.fields),
    key,
  )
  return { id, double: false }
}

/** The answers of a form, the latest first. */
export const answersOf = (form: string): Answer[] =>
  (
    standinsDb()
      .prepare('SELECT * FROM answers WHERE form = ? ORDER BY at DESC, rowid DESC')
      .all(form) as Row[]
  ).map(answerOf)

/** Forms that were answered, with how often. */
export const formsAnswered = (): { form: string; count: number; last: string }[] =>
  standinsDb()
    .prepare('SELECT form, count(*) AS count, max(at) AS last FROM answers GROUP BY form ORDER BY last DESC')
    .all() as { form: string; count: number; last: string }[]

export const clearAnswers = (form: string): void => {
  standinsDb().prepare('DELETE FROM answers WHERE form = ?').run(form)
}

/** A list that live tiles fetch, as JSON; null where none is kept under that name. */
export const listOf = (name: string): string | null =>
  (standinsDb().prepare('SELECT body FROM lists WHERE name = ?').get(name) as { body: string } | undefined)
    ?.body ?? null

export function keepList(name: string, body: string): void {
  standinsDb()
    .prepare(
      'INSERT INTO lists (name, body) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET body = excluded.body',
    )
    .run(name, body)
}
