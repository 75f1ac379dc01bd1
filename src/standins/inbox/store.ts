import { randomUUID } from 'node:crypto'
import { simpleParser } from 'mailparser'
import { standinsDb } from '../db'

export interface Message {
  id: string
  at: string
  from: string
  to: string
  subject: string
  bytes: number
}
export interface WholeMessage extends Message {
  html: string
  text: string
  headers: { name: string; value: string }[]
  raw: string
  parts: { name: string; type: string; bytes: number }[]
  /** Its AMP part; empty where it has none. */
  amp: string
  /** Types of the alternatives, in their order. */
  order: string[]
}

const AMP = 'text/x-amp-html'

const ampOf = (attachments: readonly { contentType: string; content: Buffer }[]): string =>
  attachments.find((a) => a.contentType === AMP)?.content.toString('utf8') ?? ''

interface Row {
  id: string
  at: string
  sender: string
  recipients: string
  raw: Buffer
}

/** Keeps a message as it arrived. */
export function receive(raw: Buffer, sender: string, recipients: string[]): string {
  const id = randomUUID()
  standinsDb()
    .prepare('INSERT INTO messages (id, at, sender, recipients, raw) VALUES (?, ?, ?, ?, ?)')
    .run(id, new Date().toISOString(), sender, recipients.join(', '), raw)
  return id
}

/** The messages, the latest first. */
export async function listMessages(): Promise<Message[]> {
  const rows = standinsDb().prepare('SELECT * FROM messages ORDER BY at DESC LIMIT 200').all() as Row[]
  return Promise.all(
    rows.map(async (r) => ({ ...brief(r), subject: (await simpleParser(r.raw)).subject ?? '' })),
  )
}

const brief = (r: Row) => ({ id: r.id, at: r.at, from: r.sender, to: r.recipients, bytes: r.raw.length })

/** One message read whole, pictures put into its HTML; null where there is none of that id. */
export async function readMessage(id: string): Promise<WholeMessage | null> {
  const row = standinsDb().prepare('SELECT * FROM messages WHERE id = ?').get(id) as Row | undefined
  if (!row) return null
  const mail = await simpleParser(row.raw)
  return {
    ...brief(row),
    subject: mail.subject ?? '',
    html: mail.html || '',
    text: mail.text ?? '',
    raw: row.raw.toString('utf8'),
    headers: mail.headerLines.map((h) => {
      const at = h.line.indexOf(':')
      return { name: h.line.slice(0, at), value: h.line.slice(at + 1).trim() }
    }),
    // The parser hands a part of this type on as an attachment.
    amp: ampOf(mail.attachments),
    order: [
      ...row.raw.toString('latin1').matchAll(/^content-type:\s*(text\/(?:plain|x-amp-html|html))\b/gim),
    ].map((m) => m[1]!.toLowerCase()),
    parts: mail.attachments
      .filter((a) => a.contentType !== AMP)
      .map((a) => ({ name: a.filename ?? '', type: a.contentType, bytes: a.size })),
  }
}

/** Empties the inbox. */
export const clearMessages = (): void => {
  standinsDb().prepare('DELETE FROM messages').run()
}
