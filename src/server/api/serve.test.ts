import { readdirSync } from 'node:fs'
import { ownData } from '@/test-support/server'
import { uploadsFolder } from '../settings'
import { bytesOf } from '../content'
import { Problem } from '../problem'
import { readJson } from './respond'
import { serve, serveFile, serveLong } from './serve'
import { z } from 'zod'

ownData()

const host = { host: '127.0.0.1:4310', 'x-mosaicus-peer': '127.0.0.1' }
const context = (params: Record<string, string> = {}) => ({ params: Promise.resolve(params) })
const get = (path: string) => new Request(`http://127.0.0.1:4310${path}`, { headers: host })
const post = (body: string, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1:4310/api/x', { method: 'POST', body, headers: { ...host, ...headers } })

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
  const response = await serveFile('GET /api/jobs/:job/zip', handler)(get('/x'), context({ job: 'j' }))
  expect(response.headers.get('content-type')).toBe('application/problem+json')
  expect(response.status).toBe(expected.status)
  expect(await response.json()).toMatchObject({
    type: expect.stringMatching(/^https:/),
    title: expect.any(String),
    detail: expect.any(String),
    ...expected,
  })
})

const client = { id: 'c', name: 'Halden', house: {} as never }
const makeClient = serve('POST /api/clients', ({ body }) => ({ ...client, name: body.name }))

test('a change from another site is refused, one from the app or a program is not', async () => {
  const ask = (headers: Record<string, string>) => makeClient(post('{"name":"A"}', headers), context())
  expect((await ask({ origin: 'https://evil.example' })).status).toBe(403)
  expect((await ask({ origin: 'http://127.0.0.1:4310' })).status).toBe(201)
  expect((await ask({})).status).toBe(201)
})

test('what comes is checked against the contract before the handler sees it', async () => {
  const answer = await makeClient(post('{"name":"  Halden Rail "}'), context())
  expect(await answer.json()).toMatchObject({ name: 'Halden Rail' })
  expect((await makeClient(post('{"name":'), context())).status).toBe(400)
  expect((await makeClient(post('{"name":1}'), context())).status).toBe(422)
  expect((await makeClient(post('{"name":" "}'), context())).status).toBe(422)
  const shelf = serve('GET /api/clients/:client/pictures', ({ params, query }) => {
    expect([params.client, query.search]).toEqual(['c', 'moon'])
    return { pictures: [] }
  })
  expect((await shelf(get('/api/clients/c/pictures?search=moon'), context({ client: 'c' }))).status).toBe(200)
})

test('what the contract does not name leaves the server never, and what it asks for always', async () => {
  const secret = serve('GET /api/clients/:client', () => ({ ...client, passphrase: 'x' }))
  expect(await (await secret(get('/x'), context())).json()).toEqual(client)
  const broken = serve('GET /api/clients/:client', () => ({ id: 'c' }) as never)
  expect((await broken(get('/x'), context())).status).toBeGreaterThanOrEqual(400)
})

test('a form is taken where the contract has one, and told what is missing', async () => {
  const seen: unknown[] = []
  const page = serve('POST /api/pictures', async ({ form }) => {
    const { content, name } = form!.file('picture')
    seen.push([name, (await bytesOf(content)).length])
    return { id: 'a'.repeat(64), type: 'image/png' as const, width: 1, height: 1, bytes: 1 }
  })
  const form = new FormData()
  form.set('picture', new File([new Uint8Array(7)], 'moon.png'))
  const send = (body: FormData | string) =>
    page(
      new Request('http://127.0.0.1:4310/api/pictures', { method: 'POST', body, headers: host }),
      context(),
    )
  expect((await send(form)).status).toBe(201)
  expect(seen).toEqual([['moon.png', 7]])
  expect(await (await send(new FormData())).json()).toMatchObject({ status: 400, title: 'No picture came' })
  expect((await send('words')).status).toBe(400)
})

test('a form is read no further than it may be heavy, whatever its length says, and leaves nothing behind', async () => {
  const take = serve('POST /api/pictures', () => {
    throw new Error('never asked')
  })
  let sent = 0
  const head =
    '--b\r\ncontent-disposition: form-data; name="picture"; filename="p.png"\r\ncontent-type: image/png\r\n\r\n'
  const body = new ReadableStream({
    start: (c) => c.enqueue(new TextEncoder().encode(head)),
    pull: (c) => (sent++ < 600 ? c.enqueue(new Uint8Array(1024 * 1024)) : c.close()),
  })
  const request = new Request('http://127.0.0.1:4310/api/pictures', {
    method: 'POST',
    body,
    headers: { ...host, 'content-type': 'multipart/form-data; boundary=b' },
    duplex: 'half',
  } as RequestInit)
  expect((await take(request, context())).status).toBe(413)
  // The limit of the route, and what was on its way.
  expect(sent).toBeLessThan(40)
  expect(readdirSync(uploadsFolder())).toEqual([])
})

test.each([
  ['', 'multipart/form-data; boundary=b'],
  ['words', 'multipart/form-data; boundary=b'],
  ['--b\r\n', 'multipart/form-data; boundary=b'],
  ['words', 'multipart/form-data'],
])('a form of %j is none', async (body, type) => {
  const take = serve('POST /api/pictures', ({ form }) => (form!.file('picture'), null as never))
  expect((await take(post(body, { 'content-type': type }), context())).status).toBe(400)
})

// RFC 7578, section 4.1 (RFC 2046, 5.1.1): a form ends with its last boundary, followed by two hyphens.
test.each([
  ['in a file', '--b\r\ncontent-disposition: form-data; name="picture"; filename="p.png"\r\n\r\nhalf'],
  ['in a field', '--b\r\ncontent-disposition: form-data; name="name"\r\n\r\nhalf'],
  ['in the head of a part', '--b\r\ncontent-disposition: form-da'],
  [
    'after a whole part',
    '--b\r\ncontent-disposition: form-data; name="picture"; filename="p.png"\r\n\r\nall\r\n--b\r\n',
  ],
])('a form that is cut short %s is told as that', async (_, body) => {
  const take = serve('POST /api/pictures', () => {
    throw new Error('never asked')
  })
  const answer = await take(post(body, { 'content-type': 'multipart/form-data; boundary=b' }), context())
  expect(answer.status).toBe(400)
  expect(readdirSync(uploadsFolder())).toEqual([])
})

test('a field that is sent eight times leaves no file behind', async () => {
  const take = serve('POST /api/pictures', async ({ form }) => {
    expect((await bytesOf(form!.file('picture').content)).toString()).toBe('file 7')
    expect(readdirSync(uploadsFolder())).toHaveLength(8)
    return { id: 'a'.repeat(64), type: 'image/png' as const, width: 1, height: 1, bytes: 1 }
  })
  const form = new FormData()
  for (let i = 0; i < 8; i++) form.append('picture', new File([`file ${i}`], `${i}.png`))
  const request = new Request('http://127.0.0.1:4310/api/pictures', {
    method: 'POST',
    body: form,
    headers: host,
  })
  expect((await take(request, context())).status).toBe(201)
  expect(readdirSync(uploadsFolder())).toEqual([])
})

test('JSON that is nested a hundred thousand deep is told as that', async () => {
  const deep: z.ZodType = z.lazy(() => z.union([z.array(deep), z.number()]))
  const take = serveFile('GET /api/session', async () => {
    await readJson(post(`${'['.repeat(100_000)}${']'.repeat(100_000)}`), deep)
    return new Response()
  })
  const answer = await take(get('/api/session'), context())
  expect([answer.status, await answer.json()]).toEqual([
    422,
    expect.objectContaining({ title: 'This is nested too deeply' }),
  ])
})

test('half a pair of surrogates is replaced as it comes in', async () => {
  const given = await readJson(
    post('{"a":["\\ud83d","\\ud83d\\ude00"]}'),
    z.object({ a: z.array(z.string()) }),
  )
  expect(given.a).toEqual(['\ufffd', '\u{1f600}'])
})

test('JSON over the limit is refused', async () => {
  await expect(readJson(post(`"${'x'.repeat(17 * 1024 * 1024)}"`), z.string())).rejects.toMatchObject({
    status: 413,
  })
})

const deck = { pieces: [] }
const prefer = { prefer: 'respond-async' }

test('long work gives its result to who waits, and a task to who does not', async () => {
  const { taskOf } = await import('../tasks')
  const long = serveLong(
    'POST /api/decks',
    () => 'Reading the copy',
    async ({ body }, tell) => {
      tell({ done: 1, total: 2, what: 'half' })
      if (body.text === 'bad') throw new Problem(422, 'not-a-deck', 'No', 'Because')
      return deck
    },
  )
  expect(await (await long(post('{"text":"x"}'), context())).json()).toEqual(deck)
  expect((await long(post('{"text":"bad"}'), context())).status).toBe(422)
  const answer = await long(post('{"text":"x"}', prefer), context())
  expect([answer.status, answer.headers.get('preference-applied')]).toEqual([202, 'respond-async'])
  const { id } = (await answer.json()) as { id: string }
  expect(answer.headers.get('location')).toBe(`/api/tasks/${id}`)
  await new Promise((r) => setTimeout(r, 20))
  expect(taskOf(id)).toMatchObject({
    state: 'done',
    title: 'Reading the copy',
    result: deck,
    progress: { done: 1 },
  })
})

test('going away cancels the work of who waits, not of who took the task', async () => {
  const { listTasks } = await import('../tasks')
  const ended: string[] = []
  const long = serveLong(
    'POST /api/decks',
    ({ body }) => body.text,
    ({ body }, _, signal) =>
      new Promise((resolve, reject) => {
        const timer = setTimeout(() => resolve(deck), 300)
        signal.addEventListener('abort', () => {
          ended.push(body.text)
          clearTimeout(timer)
          reject(signal.reason as Error)
        })
      }),
  )
  for (const [text, headers] of [
    ['waits', {}],
    ['leaves', prefer],
  ] as const) {
    const stop = new AbortController()
    const request = new Request('http://127.0.0.1:4310/api/decks', {
      method: 'POST',
      body: JSON.stringify({ text }),
      headers: { ...host, ...headers },
      signal: stop.signal,
    })
    const answer = long(request, context())
    await new Promise((r) => setTimeout(r, 30))
    stop.abort()
    await answer
  }
  await new Promise((r) => setTimeout(r, 400))
  expect(ended).toEqual(['waits'])
  const states = new Map(listTasks().map((t) => [t.title, t.state]))
  expect([states.get('waits'), states.get('leaves')]).toEqual(['cancelled', 'done'])
})
