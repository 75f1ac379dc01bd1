import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import busboy from 'busboy'
import type { Content } from '../content'
import { Problem } from '../problem'
import { uploadsFolder } from '../settings'

/** A file that came with a form. It lies on disk until the request is answered. */
export interface SentFile {
  content: Content
  name: string
}

/** A multipart form: its files and text fields. */
export interface SentForm {
  /** The file in a field. Throws a Problem (400) where none came. */
  file: (field: string) => SentFile
  /** The same, or null where none came. */
  maybe: (field: string) => SentFile | null
  /** Text fields that are filled in. */
  fields: Record<string, string>
  /** Takes the files away. */
  dispose: () => Promise<void>
}

/** Fields and files that are read of one form. */
const MOST_PARTS = 20

/** Longest text field, bytes. */
const MOST_FIELD = 64 * 1024

const noForm = () =>
  new Problem(
    400,
    'no-form',
    'No file came',
    'Send multipart/form-data with the file in the field that docs/api.md names.',
  )
const cutShort = () =>
  new Problem(
    400,
    'form-cut-short',
    'The form is not whole',
    'It ended before its last part did, or is not written as multipart/form-data (RFC 7578). Send it again.',
  )
const tooHeavy = (most: number) =>
  new Problem(
    413,
    'too-heavy',
    'The file is too heavy',
    `At most ${most} MB can be taken in here. Make it smaller, or export it anew.`,
  )

/**
 * Reads a multipart form as it comes (RFC 7578): files are written to disk, and reading ends as soon as one is too
 * heavy. Throws a Problem (400, 413) for what is no form or too much. @param most MB of all files together
 */
export async function readForm(request: Request, most: number): Promise<SentForm> {
  if (Number(request.headers.get('content-length') ?? 0) > (most + 1) * 1024 * 1024) throw tooHeavy(most)
  const files = new Map<string, SentFile>()
  const fields: Record<string, string> = {}
  // Every file that was written, also those of a field that was sent more than once.
  const written: string[] = []
  const dispose = async () => {
    for (const path of written) await rm(path, { force: true })
  }
  try {
    await receive(request, most, { files, fields, written })
  } catch (error) {
    await dispose()
    throw error
  }
  const maybe = (field: string) => files.get(field) ?? null
  const file = (field: string): SentFile => {
    const found = maybe(field)
    if (found) return found
    throw new Problem(
      400,
      `no-${field}`,
      field === 'file' ? 'No file came' : `No ${field} came`,
      `Send multipart/form-data with the file in the field "${field}".`,
    )
  }
  return { file, maybe, fields, dispose }
}

async function receive(
  request: Request,
  most: number,
  {
    files,
    fields,
    written,
  }: { files: Map<string, SentFile>; fields: Record<string, string>; written: string[] },
): Promise<void> {
  if (!request.body) throw noForm()
  let parser: busboy.Busboy
  try {
    parser = busboy({
      headers: { 'content-type': request.headers.get('content-type') ?? '' },
      limits: { fileSize: most * 1024 * 1024, files: MOST_PARTS, fields: MOST_PARTS, fieldSize: MOST_FIELD },
    })
  } catch {
    throw noForm()
  }
  await mkdir(uploadsFolder(), { recursive: true })
  const stop = new AbortController()
  const writing: Promise<void>[] = []
  let room = most * 1024 * 1024
  let failed: unknown
  const fail = (error: unknown) => {
    failed ??= error
    // Not within the parser's own call: it still holds the stream that would be gone.
    process.nextTick(() => stop.abort())
  }
  parser.on('field', (name, value) => {
    if (value !== '') fields[name] = value
  })
  parser.on('file', (field, stream, { filename }) => {
    const path = join(uploadsFolder(), randomUUID())
    written.push(path)
    files.set(field, { content: { path }, name: (filename || field).slice(0, 200) })
    stream.on('limit', () => fail(tooHeavy(most)))
    stream.on('data', (part: Buffer) => {
      room -= part.length
      if (room < 0) fail(tooHeavy(most))
    })
    writing.push(
      pipeline(stream, createWriteStream(path), { signal: stop.signal }).catch((error: unknown) =>
        // What the disk refuses is told as it is; a stream that ends too soon is a form that was cut short.
        fail(
          (error as { syscall?: string }).syscall || (error as Error).name === 'AbortError'
            ? error
            : cutShort(),
        ),
      ),
    )
  })
  await pipeline(Readable.fromWeb(request.body as never), parser, { signal: stop.signal }).catch(
    (error: unknown) => fail((error as Error).name === 'AbortError' ? error : cutShort()),
  )
  await Promise.all(writing)
  if (failed) throw failed
}
