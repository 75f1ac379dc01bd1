import { createServer, request, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { guardedFetch, type FetchLimits } from './guarded-fetch'

/** What hosts answer, by their address. */
const answers: Record<string, RequestListener> = {}
let server: Server
const asked: string[] = []
beforeAll((done) => {
  server = createServer((q, r) => {
    const address = `${q.headers['x-scheme'] as string}://${q.headers.host}${q.url}`
    asked.push(address)
    const answer = answers[address]
    if (answer) answer(q, r)
    else r.writeHead(404).end()
  }).listen(0, '127.0.0.1', done)
})
afterAll((done) => {
  server.closeAllConnections()
  server.close(done)
})
beforeEach(() => {
  asked.length = 0
  for (const address of Object.keys(answers)) delete answers[address]
})

const sends =
  (status: number, headers: Record<string, string> = {}, body: string | Buffer = ''): RequestListener =>
  (_, r) =>
    r.writeHead(status, headers).end(body)

/** Every host of `.example` stands at a public address; `inside.example` at one of a private network. */
const limits: FetchLimits = {
  most: 1000,
  patience: 1500,
  lookup: (host, _, done) =>
    (done as unknown as (e: null, a: { address: string; family: number }[]) => void)(null, [
      { address: host === 'inside.example' ? '10.0.0.7' : '93.184.216.34', family: 4 },
    ]),
  // The guard's own lookup is run, as the network would run it, before the stand-in is asked.
  ask: (url, options, answered) => {
    const { port } = server.address() as AddressInfo
    const asking = request(
      {
        host: '127.0.0.1',
        port,
        path: url.pathname,
        timeout: options.timeout,
        headers: { ...options.headers, host: url.host, 'x-scheme': url.protocol.slice(0, -1) },
      },
      answered,
    )
    options.lookup!(url.hostname, { all: true }, (error) => error && asking.destroy(error))
    return asking
  },
}
const get = (address: string, more: Partial<FetchLimits> = {}) =>
  guardedFetch(address, { ...limits, ...more })

test('an answer comes with its address, its kind and its bytes', async () => {
  answers['https://a.example/page'] = sends(200, { 'content-type': 'Text/HTML; charset=utf-8' }, '<p>Ä</p>')
  await expect(get(' a.example/page ')).resolves.toEqual({
    address: 'https://a.example/page',
    status: 200,
    type: 'text/html',
    bytes: Buffer.from('<p>Ä</p>'),
    headers: expect.objectContaining({ 'content-type': 'Text/HTML; charset=utf-8' }) as object,
  })
  answers['http://a.example:8080/'] = sends(200)
  await expect(get('http://a.example:8080/')).resolves.toMatchObject({ type: '', bytes: Buffer.alloc(0) })
})

test('an answer taken as it is: no redirect is followed, no status is a failure, and the guard holds', async () => {
  answers['https://a.example/list'] = sends(302, { location: '/other' }, '{}')
  await expect(get('https://a.example/list', { asIs: true })).resolves.toMatchObject({ status: 302 })
  expect(asked).toEqual(['https://a.example/list'])
  answers['https://a.example/list'] = sends(503, {}, 'busy')
  await expect(get('https://a.example/list', { asIs: true })).resolves.toMatchObject({
    status: 503,
    bytes: Buffer.from('busy'),
  })
  await expect(get('https://inside.example/list', { asIs: true })).rejects.toThrow()
})

test.each([300, 301, 302, 303, 307, 308])(
  'a redirect (status %i) is followed, relative to where it stands',
  async (status) => {
    answers['https://a.example/one/page'] = sends(status, { location: '../two' })
    answers['https://a.example/two'] = sends(status, { location: 'http://b.example/three' })
    answers['http://b.example/three'] = sends(200, {}, 'there')
    const got = await get('https://a.example/one/page')
    expect([got.address, got.bytes.toString()]).toEqual(['http://b.example/three', 'there'])
  },
)

test('four redirects are followed, a fifth is one too many', async () => {
  for (let i = 0; i < 5; i++) answers[`https://a.example/${i}`] = sends(302, { location: `/${i + 1}` })
  answers['https://a.example/5'] = sends(200)
  await expect(get('https://a.example/1')).resolves.toMatchObject({ address: 'https://a.example/5' })
  await expect(get('https://a.example/0')).rejects.toMatchObject({
    status: 502,
    detail: expect.stringMatching(/without end/),
  })
})

test.each([
  ['http://inside.example/', /leads to 10\.0\.0\.7/],
  ['http://127.0.0.1/', /belongs to this machine/],
  ['http://[fd00::1]/', /belongs to this machine/],
  ['file:///etc/passwd', /Only http and https/],
  ['http://a.example:25/', /Port 25/],
])('a redirect to %s is refused, and nothing is asked there', async (location, why) => {
  answers['https://a.example/'] = sends(302, { location })
  await expect(get('https://a.example/')).rejects.toMatchObject({
    kind: 'address-refused',
    detail: expect.stringMatching(why),
  })
  expect(asked).toEqual(['https://a.example/'])
})

test('what is heavier than asked for is broken off: at the limit it comes, a byte over it does not', async () => {
  answers['https://a.example/fits'] = sends(200, {}, Buffer.alloc(1000))
  answers['https://a.example/over'] = sends(200, {}, Buffer.alloc(1001))
  expect((await get('https://a.example/fits')).bytes).toHaveLength(1000)
  await expect(get('https://a.example/over')).rejects.toMatchObject({ status: 413, kind: 'too-heavy' })
  // Without a length, and without an end.
  answers['https://a.example/endless'] = (_, r) => {
    const timer = setInterval(() => r.write('x'.repeat(100)), 1)
    r.on('close', () => clearInterval(timer))
  }
  await expect(get('https://a.example/endless')).rejects.toMatchObject({ kind: 'too-heavy' })
})

test('a host that is late, that breaks off, or that says no is told of', async () => {
  answers['https://a.example/late'] = () => undefined
  answers['https://a.example/slow'] = (_, r) => void r.writeHead(200).write('begun')
  answers['https://a.example/broken'] = (_, r) => {
    r.writeHead(200, { 'content-length': '10' }).write('begun')
    setTimeout(() => r.destroy(), 20)
  }
  answers['https://a.example/gone'] = sends(410)
  answers['https://a.example/nowhere'] = sends(302)
  // A busy machine takes its time: only what never comes is waited for briefly.
  const [quick, patient] = [{ patience: 200 }, { patience: 20_000 }]
  for (const [path, why, how] of [
    ['late', /no answer within 0\.2 s/, quick],
    ['slow', /(not done|no answer) within 0\.2 s/, quick],
    ['broken', /broke off/, patient],
    ['gone', /status 410/, patient],
    ['nowhere', /status 302/, patient],
  ] as const)
    await expect(get(`https://a.example/${path}`, how)).rejects.toMatchObject({
      status: 502,
      kind: 'address-unreachable',
      detail: expect.stringMatching(why),
    })
})

test('a status that is no redirect leads nowhere, whatever location it names', async () => {
  for (const status of [201, 299, 400, 503]) {
    answers['https://a.example/'] = sends(status, { location: '/two' })
    answers['https://a.example/two'] = sends(200)
    await expect(get('https://a.example/')).rejects.toMatchObject({
      detail: expect.stringContaining(String(status)),
    })
  }
})

test('ports that web pages use are asked, others are not', async () => {
  for (const address of [
    'http://a.example:443/',
    'https://a.example:80/',
    'http://a.example:8080/',
    'http://a.example:8443/',
  ]) {
    answers[address] = sends(200, { 'content-type': ' image/PNG ; x=1' })
    await expect(get(` ${address}`)).resolves.toMatchObject({ type: 'image/png' })
  }
  for (const port of [21, 81, 8081, 3306])
    await expect(get(`http://a.example:${port}/`)).rejects.toMatchObject({
      title: 'This address is not fetched',
      detail: expect.stringContaining(`Port ${port}`),
    })
})

test('a name server that fails, or knows no address, is told apart from a host that is shut', async () => {
  const failing = (code: string) => ({
    lookup: ((_h: string, _o: object, done: (e: Error) => void) =>
      done(Object.assign(new Error('no'), { code }))) as unknown as FetchLimits['lookup'],
  })
  const why = async (more: Partial<FetchLimits>) =>
    ((await get('https://a.example/', more).catch((e: unknown) => e)) as { detail: string }).detail
  expect(await why(failing('ENOTFOUND'))).toContain('there is no such host, or no network')
  expect(await why(failing('EAI_AGAIN'))).toContain('there is no such host, or no network')
  expect(await why(failing('ECONNREFUSED'))).toContain('it could not be connected to')
  const none = {
    lookup: ((_h: string, _o: object, done: (e: null, a: object[]) => void) => done(null, [])) as never,
  }
  expect(await why(none)).toContain('it could not be connected to')
  expect(await why({})).toContain('status 404')
})

test('what is typed is looked at as it will be asked', async () => {
  answers['https://a.example/x:y'] = sends(200)
  await expect(get('a.example/x:y')).resolves.toMatchObject({ address: 'https://a.example/x:y' })
  await expect(get(`ht tp${'x'.repeat(300)}`)).rejects.toMatchObject({
    detail: expect.stringMatching(/^"ht tpx{95}" is no address/),
  })
})

test('the person is told which address it is about; what is sent says who asks and for what', async () => {
  answers['https://a.example/'] = (q, r) => r.writeHead(200).end(JSON.stringify(q.headers))
  const sent = JSON.parse((await get('https://a.example/')).bytes.toString()) as Record<string, string>
  expect(sent).toMatchObject({ 'user-agent': 'Mosaicus', 'accept-encoding': 'identity', host: 'a.example' })
  expect(sent.accept).toMatch(/text\/html.*image\/\*/)
  await expect(get('https://a.example/none')).rejects.toMatchObject({
    title: 'The address does not answer',
    detail: expect.stringMatching(/^a\.example: /),
  })
})
