import { createHash } from 'node:crypto'
import { createReadStream, existsSync } from 'node:fs'
import { mkdir, open, rename, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { eq } from 'drizzle-orm'
import type { FilmRef } from '@/core/motion/made'
import type { SentFile } from '../api/forms'
import { db } from '../db'
import { films } from '../db/schema'
import { notFound, Problem } from '../problem'
import { filmsFolder } from '../settings'

/** Where a film's bytes lie. */
export const filmFile = (id: string): string => join(filmsFolder(), id)

/** The kind of a film by its first bytes: ISO base media (ISO/IEC 14496-12, 4.3) or Matroska (RFC 8794, 11.2.1; RFC 9559). */
function typeOf(head: Buffer): FilmRef['type'] | null {
  if (head.readUInt32BE(0) === 0x1a45dfa3) return head.includes('webm') ? 'video/webm' : null
  const box = head.toString('latin1', 4, 8)
  if (box === 'ftyp') return head.toString('latin1', 8, 12) === 'qt  ' ? 'video/quicktime' : 'video/mp4'
  // Older QuickTime films begin without saying what they are.
  return ['moov', 'mdat', 'wide', 'free'].includes(box) ? 'video/quicktime' : null
}

/**
 * Keeps a film under the SHA-256 of its bytes; it is read piece by piece. Whether its pictures can be decoded is found out in the browser. Throws a Problem (415) for what is no MP4, MOV or WebM.
 */
export async function takeInFilm({ content, name }: SentFile): Promise<FilmRef> {
  if (!('path' in content)) throw new TypeError('a film is sent as a form')
  const { size } = await stat(content.path)
  const handle = await open(content.path)
  const head = Buffer.alloc(64)
  await handle.read(head, 0, 64, 0).finally(() => handle.close())
  const type = size >= 16 ? typeOf(head) : null
  if (!type)
    throw new Problem(
      415,
      'not-a-film',
      'This is no film that can be read',
      `"${name}" is not MP4, MOV or WebM, whatever its name says. Export it as MP4 (H.264) or WebM.`,
    )
  const hash = createHash('sha256')
  for await (const part of createReadStream(content.path)) hash.update(part as Buffer)
  const id = hash.digest('hex')
  await mkdir(filmsFolder(), { recursive: true })
  await rename(content.path, filmFile(id))
  const film: FilmRef = { id, type, name, bytes: size }
  db()
    .insert(films)
    .values({ ...film, createdAt: new Date().toISOString() })
    .onConflictDoNothing()
    .run()
  return film
}

/** What is known of a film. Throws a Problem (404) where there is none of that id. */
function filmInfo(id: string): typeof films.$inferSelect {
  const row = db().select().from(films).where(eq(films.id, id)).get()
  if (!row) throw notFound('film', id)
  return row
}

/** A film, or the part of it that is asked for (RFC 9110, section 14). */
export function filmResponse(id: string, range: string | null): Response {
  const { bytes, type } = filmInfo(id)
  // Once an answer has begun, a missing file could only break the connection.
  if (!existsSync(filmFile(id)))
    throw Object.assign(new Error('missing film'), { code: 'ENOENT', path: filmFile(id) })
  const headers: Record<string, string> = {
    'content-type': type,
    'accept-ranges': 'bytes',
    'cache-control': 'private, max-age=31536000, immutable',
    'x-content-type-options': 'nosniff',
  }
  const asked = range ? /^bytes=(\d*)-(\d*)$/.exec(range) : null
  let [from, to] = [0, bytes - 1]
  if (asked && (asked[1] || asked[2])) {
    if (asked[1]) {
      from = Number(asked[1])
      if (asked[2]) to = Math.min(to, Number(asked[2]))
    } else from = Math.max(0, bytes - Number(asked[2]))
    if (from > to)
      return new Response(null, { status: 416, headers: { ...headers, 'content-range': `bytes */${bytes}` } })
    headers['content-range'] = `bytes ${from}-${to}/${bytes}`
  }
  headers['content-length'] = String(to - from + 1)
  const stream = Readable.toWeb(createReadStream(filmFile(id), { start: from, end: to }))
  return new Response(stream as ReadableStream, { status: headers['content-range'] ? 206 : 200, headers })
}
