import { createHash, randomUUID } from 'node:crypto'
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { SentFile } from '../api/forms'
import type { FontMeasures } from '@/core/email/fonts'
import { compute } from '../pool'
import { notFound, Problem } from '../problem'
import { houseFontsFolder } from '../settings'

/** Largest font file, bytes: those of wide scripts come to a few MB. */
export const MOST_FONT = 5 * 1024 * 1024

/** Font files by their first bytes (WOFF 2.0, 4; WOFF 1.0, 3; OpenType 1.9, "Organization of an OpenType font"). */
const kinds: Record<string, string> = {
  wOF2: 'font/woff2',
  wOFF: 'font/woff',
  OTTO: 'font/otf',
  '\0\x01\0\0': 'font/ttf',
  true: 'font/ttf',
}

const typeOf = (head: Buffer): string | undefined => kinds[head.toString('latin1', 0, 4)]

const fileOf = (id: string): string => join(houseFontsFolder(), id)

/**
 * Keeps a font file under the SHA-256 of its bytes, for what shows emails here: what is sent names the font's own address. Whether
 * its letters can be drawn is found out in the browser. Throws a Problem (413, 415).
 */
export async function takeInFont({ content, name }: SentFile): Promise<KeptFont> {
  if (!('path' in content)) throw new TypeError('a font is sent as a form')
  const { size } = await stat(content.path)
  if (size > MOST_FONT)
    throw new Problem(
      413,
      'font-too-large',
      'This font is too large',
      `"${name}" is over 5 MB. Take a file that holds fewer letters.`,
    )
  const bytes = await readFile(content.path)
  if (!typeOf(bytes))
    throw new Problem(
      415,
      'not-a-font',
      'This is no font',
      `"${name}" is not WOFF2, WOFF, TTF or OTF, whatever its name says. Take the file that the client's page loads.`,
    )
  return keepFont(bytes)
}

/** A font that is kept: the SHA-256 of its bytes, and how its letters measure, where that can be read. */
export interface KeptFont {
  id: string
  measures?: FontMeasures
}

/** Keeps the bytes of a font. */
export async function keepFont(bytes: Buffer): Promise<KeptFont> {
  const id = createHash('sha256').update(bytes).digest('hex')
  await mkdir(houseFontsFolder(), { recursive: true })
  const fresh = `${fileOf(id)}.${randomUUID()}`
  await writeFile(fresh, bytes)
  await rename(fresh, fileOf(id))
  const measures = await compute('fontMeasures', { bytes })
  return { id, ...(measures ? { measures } : {}) }
}

/** A font file. Throws a Problem (404). */
export async function fontResponse(id: string): Promise<Response> {
  const bytes = /^[0-9a-f]{64}$/.test(id) ? await readFile(fileOf(id)).catch(() => null) : null
  if (!bytes) throw notFound('font', id)
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': typeOf(bytes) ?? 'application/octet-stream',
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  })
}

/** Takes away fonts that no house style names any more. @param before ms since 1970: younger ones stay @returns how many */
export async function collectFonts(keep: ReadonlySet<string>, before: number): Promise<number> {
  let gone = 0
  for (const id of await readdir(houseFontsFolder()).catch(() => [])) {
    if (keep.has(id) || (await stat(fileOf(id))).mtimeMs > before) continue
    await rm(fileOf(id), { force: true })
    gone++
  }
  return gone
}
