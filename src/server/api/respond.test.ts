import { z } from 'zod'
import { Problem } from '../problem'
import { longWork, readJson, route } from './respond'

const call = (
  handler: Parameters<typeof route>[0],
  request = new Request('http://127.0.0.1:4310/api/x', { headers: { host: '127.0.0.1:4310' } }),
) => route(handler)(request, { params: Promise.resolve({}) })
const post = (body: string, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1:4310/api/x', {
    method: 'POST',
    body,
    headers: { host: '127.0.0.1:4310', ...headers },
  })

// RFC 9457: the media type, and the members type, title, status and detail (section 3.1).
test.each([
  [
    'a Problem',
    () => {
      throw new Problem(409, 'stale', 'Stale', 'Why', { revision: 7 })
    },
    { status: 409, title: 'Stale', detail: 'Why', revision: 7 },
  ],
  [
    'a full disk',
    () => {
      throw Object.assign(new Error(), { code: 'SQLITE_FULL' })
    },
    { status: 507 },
  ],
  [
    'what is not as described',
    () => {
      z.object({ name: z.string() }).parse({})
      return new Response()
    },
    { status: 422, issues: [{ at: 'name', message: expect.any(String) }] },
  ],
] as const)('%s becomes problem+json', async (_, handler, expected) => {
  const response = await call(handler as never)
  expect(response.headers.get('content-type')).toBe('application/problem+json')
  expect(response.status).toBe(expected.status)
  expect(await response.json()).toMatchObject({
    type: expect.stringMatching(/^https:/),
    title: expect.any(String),
    detail: expect.any(String),
    ...expected,
  })
})

test('a change from another site is refused, one from the app or a program is not', async () => {
  const ok = () => Response.json({})
  expect((await call(ok, post('{}', { origin: 'https://evil.example' }))).status).toBe(403)
  expect((await call(ok, post('{}', { origin: 'http://127.0.0.1:4310' }))).status).toBe(200)
  expect((await call(ok, post('{}'))).status).toBe(200)
})

test('no JSON is told apart from JSON that is not as described', async () => {
  const read = (r: Request) => readJson(r, z.object({ n: z.number() })).then((v) => Response.json(v))
  expect((await call(read, post('{"n":'))).status).toBe(400)
  expect((await call(read, post('{"n":"1"}'))).status).toBe(422)
  expect(await (await call(read, post('{"n":1}'))).json()).toEqual({ n: 1 })
})

const ndjson = (signal?: AbortSignal) =>
  new Request('http://127.0.0.1:4310/api/x', { headers: { accept: 'application/x-ndjson' }, signal })
const lines = async (r: Response) =>
  (await r.text())
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as unknown)

test('long work tells its steps and ends with the result, or with the problem', async () => {
  const work = async (tell: (s: unknown) => void) => {
    tell({ done: 1 })
    tell({ done: 2 })
    return 'made'
  }
  expect(await lines(await longWork(ndjson(), work))).toEqual([
    { progress: { done: 1 } },
    { progress: { done: 2 } },
    { result: 'made' },
  ])
  expect(await (await longWork(new Request('http://x/'), work)).json()).toBe('made')
  expect(
    (
      await lines(
        await longWork(ndjson(), async () => {
          throw new Problem(409, 'x', 'No', 'Because')
        }),
      )
    )[0],
  ).toMatchObject({ problem: { title: 'No', detail: 'Because', status: 409 } })
})

test('going away cancels long work', async () => {
  let cancelled = false
  const response = await longWork(
    ndjson(),
    (tell, signal) =>
      new Promise((_, reject) => {
        tell(1)
        signal.addEventListener('abort', () => {
          cancelled = true
          reject(signal.reason as Error)
        })
      }),
  )
  const reader = response.body!.getReader()
  await reader.read()
  await reader.cancel()
  await new Promise((r) => setTimeout(r, 20))
  expect(cancelled).toBe(true)
})
