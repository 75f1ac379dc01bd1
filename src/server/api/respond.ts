import type { z } from 'zod'
import { Problem } from '../problem'

/** A Problem as `application/problem+json` (RFC 9457). */
export function problemResponse(p: Problem): Response {
  return new Response(
    JSON.stringify({
      type: `https://mosaicus.example/problems/${p.kind}`,
      title: p.title,
      status: p.status,
      detail: p.detail,
      ...p.extra,
    }),
    {
      status: p.status,
      headers: { 'content-type': 'application/problem+json' },
    },
  )
}

/** Largest JSON body, bytes: an email of hundreds of bands has a few MB. */
const MOST_JSON = 16 * 1024 * 1024

/**
 * Reads a JSON body and checks it. Throws a Problem for what is no JSON, a ZodError for what is not as
 * described.
 */
export async function readJson<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  const text = await request.text()
  if (text.length > MOST_JSON)
    throw new Problem(
      413,
      'too-large',
      'What was sent is too large',
      `At most ${MOST_JSON / 1048576} MB of JSON are read.`,
    )
  let value: unknown
  try {
    value = JSON.parse(text || '{}')
  } catch (error) {
    throw new Problem(
      400,
      'no-json',
      'What was sent is not JSON',
      `${(error as Error).message}. Send a JSON body as docs/api.md describes.`,
    )
  }
  return schema.parse(value)
}

/** A file to be saved. */
export function fileResponse(bytes: Buffer, type: string, name: string): Response {
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': type,
      'content-length': String(bytes.length),
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  })
}
