import { z } from 'zod'
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

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  if (error instanceof z.ZodError) {
    const issues = error.issues.slice(0, 8).map((i) => ({ at: i.path.join('.'), message: i.message }))
    return new Problem(
      422,
      'not-as-described',
      'What was sent is not as it should be',
      issues.map((i) => `${i.at || 'body'}: ${i.message}`).join('; '),
      { issues },
    )
  }
  const code = (error as { code?: string } | null)?.code
  if (code === 'SQLITE_FULL' || code === 'ENOSPC')
    return new Problem(
      507,
      'disk-full',
      'The disk is full',
      'The change could not be saved, and nothing was overwritten. Make room on the disk; the app goes on trying.',
    )
  if ((error as Error | null)?.name === 'AbortError')
    return new Problem(
      499,
      'cancelled',
      'Cancelled',
      'The work was cancelled before it was done. Nothing was changed.',
    )
  console.error(error)
  return new Problem(
    500,
    'unexpected',
    'Something went wrong in Mosaicus',
    'This is a fault of the app, not of what you did. Nothing was changed; try again, and keep what you wrote.',
  )
}

/**
 * A change may only come from the app's own pages or from a program, not from another site open in the same
 * browser.
 */
function assertOwnSite(request: Request): void {
  const origin = request.headers.get('origin')
  if (request.method === 'GET' || !origin) return
  if (URL.canParse(origin) && new URL(origin).host === request.headers.get('host')) return
  throw new Problem(
    403,
    'other-site',
    'This change came from another site',
    'Only the pages of Mosaicus itself, or a program that sends no Origin header, may change data.',
  )
}

type Params = Record<string, string>
type Handler<P extends Params> = (request: Request, params: P) => Promise<Response> | Response

/** Wraps a route handler so that every error becomes a problem a person can act on. */
export function route<P extends Params = Params>(handler: Handler<P>) {
  return async (request: Request, context: { params: Promise<P> }): Promise<Response> => {
    try {
      assertOwnSite(request)
      return await handler(request, await context.params)
    } catch (error) {
      return problemResponse(asProblem(error))
    }
  }
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

/** True where the caller wants to hear of progress. */
const wantsProgress = (request: Request) =>
  request.headers.get('accept')?.includes('application/x-ndjson') ?? false

/**
 * Answers long work. A caller that accepts `application/x-ndjson` gets a line of JSON for each step and a
 * last line with `result` or `problem`; any other gets the result alone. Going away cancels the work.
 */
export async function longWork<T>(
  request: Request,
  work: (tell: (step: unknown) => void, signal: AbortSignal) => Promise<T>,
): Promise<Response> {
  if (!wantsProgress(request)) return Response.json(await work(() => {}, request.signal))
  const stop = new AbortController()
  request.signal.addEventListener('abort', () => stop.abort())
  const line = (value: unknown) => new TextEncoder().encode(`${JSON.stringify(value)}\n`)
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const write = (value: unknown) => {
        try {
          controller.enqueue(line(value))
        } catch {
          stop.abort()
        }
      }
      try {
        write({ result: await work((progress) => write({ progress }), stop.signal) })
      } catch (error) {
        const p = asProblem(error)
        write({ problem: { title: p.title, detail: p.detail, status: p.status, ...p.extra } })
      }
      try {
        controller.close()
      } catch {
        /* the reader has gone */
      }
    },
    cancel() {
      stop.abort()
    },
  })
  return new Response(body, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  })
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
