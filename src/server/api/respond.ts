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
      headers: {
        'content-type': 'application/problem+json',
        // RFC 9110, 10.2.3.
        ...(typeof p.extra.retryAfter === 'number' && { 'retry-after': String(p.extra.retryAfter) }),
      },
    },
  )
}

/** Largest JSON body, bytes: an email of hundreds of bands has a few MB. */
const MOST_JSON = 16 * 1024 * 1024

/** The text of a body, read no further than it may be long. Throws a Problem (413) where it is longer. */
async function textOf(request: Request): Promise<string> {
  const decoder = new TextDecoder()
  let text = ''
  let size = 0
  for await (const part of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += part.length
    if (size > MOST_JSON)
      throw new Problem(
        413,
        'too-large',
        'What was sent is too large',
        `At most ${MOST_JSON / 1048576} MB of JSON are read.`,
      )
    text += decoder.decode(part, { stream: true })
  }
  return text + decoder.decode()
}

/** Half a pair of surrogates (Unicode, section 3.8) is no character: it is replaced as it comes in. */
const wellFormed = (text: string) =>
  /\\u[dD][89a-fA-F]/.test(text)
    ? (_: string, value: unknown) => (typeof value === 'string' ? value.toWellFormed() : value)
    : undefined

/**
 * Reads a JSON body and checks it. Throws a Problem for what is no JSON, a ZodError for what is not as
 * described.
 */
export async function readJson<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  const text = await textOf(request)
  let value: unknown
  try {
    value = JSON.parse(text || '{}', wellFormed(text))
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
