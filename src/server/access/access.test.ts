import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { ownData } from '@/test-support/server'
import { closedTo, cookieOf, enter, insideHeaders, leave } from './gate'
import { hashOf, keptHash, LEAST, matches, removePassphrase, setPassphrase } from './passphrase'
import { isOpen, openSession, SESSION } from './sessions'
import { addressOf, askerOf, fromOwnMachine, notePeers, PEER } from './peer'
import { beginTry, FREE, takeTries, waitAfter } from './tries'

ownData()

const GOOD = 'four wet stones shine'
const ask = (path: string, headers: Record<string, string> = {}) =>
  closedTo({
    url: `http://x${path}`,
    headers: new Headers({ host: 'studio.example', [PEER]: '::1', ...headers }),
  })
const from = (peer: string, more: Record<string, string> = {}) =>
  new Headers({ host: 'studio.example', [PEER]: peer, ...more })
const withCookie = (token: string) => ({ cookie: `other=1; mosaicus=${token}` })

test('hashes are read as the standard makes them, and are slow and salted', async () => {
  // RFC 7914, section 12, the third vector (its first 64 bytes are all of it).
  const kept = (key: string) =>
    `$scrypt$ln=14,r=8,p=1$${Buffer.from('SodiumChloride').toString('base64')}$${Buffer.from(key, 'hex').toString('base64')}`
  const key =
    '7023bdcb3afd7348461c06cd81fd38ebfda8fbba904f8e3ea9b543f6545da1f2d5432955613f0fcf62d49705242a9af9e61e85dc0d651e40dfcf017b45575887'
  expect(await matches('pleaseletmein', kept(key))).toBe(true)
  expect(await matches('pleaseletmeim', kept(key))).toBe(false)
  const [one, two] = [await hashOf(GOOD), await hashOf(GOOD)]
  expect(one).toMatch(/^\$scrypt\$ln=17,r=8,p=1\$/)
  expect(one).not.toBe(two)
  expect(await matches(GOOD, one)).toBe(true)
  // Composed and decomposed letters are the same (Unicode Standard Annex 15).
  expect(await matches('caf\u00e9 at the old mill', await hashOf('cafe\u0301 at the old mill'))).toBe(true)
  expect(await matches(GOOD, 'plain')).toBe(false)
})

test('without a passphrase the app answers its own machine alone, under its own names', () => {
  removePassphrase()
  for (const host of ['127.0.0.1:4310', 'localhost', '[::1]:4310'])
    expect(ask('/api/jobs', { host })).toBeNull()
  for (const host of ['studio.example', '127.0.0.1.evil.example', '192.168.1.5:4310'])
    expect(ask('/api/jobs', { host })).toMatchObject({ status: 403, kind: 'no-passphrase' })
  // What the Host header says counts for nothing where the connection comes from elsewhere, or from nobody knows where.
  for (const peer of [
    '192.168.1.9',
    '::ffff:10.0.0.3',
    'fd00::7',
    '93.184.216.34',
    '',
    'localhost',
    '127.0.0.1, 10.0.0.3',
  ])
    expect(ask('/api/jobs', { host: '127.0.0.1:4310', [PEER]: peer })).toMatchObject({
      kind: 'no-passphrase',
    })
  for (const peer of ['127.0.0.1', '127.9.9.9', '::ffff:127.0.0.1'])
    expect(ask('/api/jobs', { host: '127.0.0.1:4310', [PEER]: peer })).toBeNull()
  expect(ask('/share/abc')).toBeNull()
})

test('with one, links for clients alone are open to who has not entered', async () => {
  await expect(setPassphrase('x'.repeat(LEAST - 1))).rejects.toThrow(/15 to 200/)
  await setPassphrase(GOOD)
  for (const path of [
    '/share/abc',
    '/api/shares/abc/remarks',
    '/enter',
    '/api/session',
    '/_next/static/a.js',
  ])
    expect(ask(path)).toBeNull()
  for (const path of [
    '/',
    '/jobs/1',
    '/share',
    '/shares/a',
    '/api/share/abc',
    '/api/jobs',
    '/api/pictures/1',
  ])
    expect(ask(path, { host: '127.0.0.1:4310' })).toMatchObject({ status: 401 })
  for (const path of ['/standins/inbox', '/standins/platform/v1/templates', '/api/jobs?x=/share/abc'])
    expect(ask(path)).toMatchObject({ status: 401 })
  expect(ask('/standins/platform/v1/templates', insideHeaders())).toBeNull()
  expect(ask('/api/jobs', { 'x-mosaicus-inside': 'guess' })).toMatchObject({ status: 401 })

  await expect(enter('four wet stones shone', from('10.0.0.3'))).rejects.toMatchObject({
    kind: 'wrong-passphrase',
  })
  const { token, tries } = await enter(GOOD, from('10.0.0.4'))
  expect(tries).toMatchObject([{ address: '10.0.0.3', count: 1 }])
  expect(ask('/api/jobs', withCookie(token))).toBeNull()
  expect(ask('/api/jobs', withCookie(`${token}x`))).toMatchObject({ status: 401 })
  expect(keptHash()).not.toContain(GOOD)
  leave({ headers: new Headers(withCookie(token)) })
  expect(ask('/api/jobs', withCookie(token))).toMatchObject({ status: 401 })
  const { token: other } = await enter(GOOD, from('::1'))
  await setPassphrase(`${GOOD} again`)
  expect(ask('/api/jobs', withCookie(other))).toMatchObject({ status: 401 })
})

test('a session is over after 30 days; its cookie is out of reach of scripts, and bound to TLS under a name of the web', () => {
  const token = openSession()
  expect(isOpen(token, Date.now() + SESSION * 990)).toBe(true)
  expect(isOpen(token, Date.now() + SESSION * 1001)).toBe(false)
  const cookie = (host: string) => cookieOf({ headers: new Headers({ host }) }, token)
  process.env.MOSAICUS_HOSTS = 'https://studio.example'
  expect(cookie('localhost:4310')).toBe(`mosaicus=${token}; Path=/; Max-Age=2592000; HttpOnly; SameSite=Lax`)
  expect(cookie('studio.example')).toBe(
    `__Host-mosaicus=${token}; Path=/; Max-Age=2592000; HttpOnly; SameSite=Lax; Secure`,
  )
  delete process.env.MOSAICUS_HOSTS
})

// RFC 7239 (section 5.2) and common practice: a proxy adds the address it was asked from behind those it was told.
test('who asks is told by the connection, and by the header of a named proxy alone', () => {
  process.env.MOSAICUS_PROXY = '10.0.0.2, ::1'
  const said = (peer: string, chain: string) => addressOf(from(peer, { 'x-forwarded-for': chain }))
  expect(said('10.0.0.2', '1.2.3.4, 93.184.216.34')).toBe('93.184.216.34')
  expect(said('::ffff:10.0.0.2', '93.184.216.34, 10.0.0.2')).toBe('93.184.216.34')
  expect(said('10.0.0.2', 'nonsense')).toBe('10.0.0.2')
  expect(said('10.0.0.9', '127.0.0.1')).toBe('10.0.0.9')
  // A named proxy of this machine speaks for others.
  expect(fromOwnMachine(from('::1', { host: 'localhost', 'x-forwarded-for': '93.184.216.34' }))).toBe(false)
  delete process.env.MOSAICUS_PROXY
  expect(said('10.0.0.2', '93.184.216.34')).toBe('10.0.0.2')
  expect(fromOwnMachine(from('::1', { host: 'localhost' }))).toBe(true)
  // RFC 6177: a site has many addresses of IPv6.
  expect(askerOf(from('2001:db8:1:2:aa::1'))).toBe(askerOf(from('2001:db8:1:2:bb::2')))
  expect(askerOf(from('2001:db8:1:3::1'))).not.toBe(askerOf(from('2001:db8:1:2::1')))
})

test('the connection prevails over what a request says of itself', async () => {
  notePeers()
  const server = createServer((q, r) => r.end(String(q.headers[PEER]))).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  const answer = await fetch(`http://127.0.0.1:${port}/`, { headers: { [PEER]: '10.9.9.9' } })
  expect(await answer.text()).toBe('127.0.0.1')
  server.close()
})

test('each wrong try of an address waits longer, no other address does, and a success takes its own try back', () => {
  takeTries()
  const now = 1e12
  for (let i = 0; i < FREE; i++) beginTry('10.0.0.3', now)
  const again = (at: number) => () => beginTry('10.0.0.3', at)
  expect(again(now + 4999)).toThrow(/Too many/)
  expect(again(now + 5000)).not.toThrow()
  expect(again(now + 5000 + 9999)).toThrow(/Too many/)
  expect(again(now + 15_000)).not.toThrow()
  expect(() => beginTry('10.0.0.4', now)).not.toThrow()
  expect([waitAfter(FREE - 1), waitAfter(FREE), waitAfter(FREE + 3), waitAfter(500)]).toEqual([
    0, 5000, 40_000, 900_000,
  ])
  // A clock that is set back locks nobody in.
  expect(again(now - 1e10)).not.toThrow()
  takeTries()
  for (let i = 0; i < 3 * FREE; i++) beginTry('10.0.0.5', now)()
  expect(takeTries()).toEqual([])
})

test('wrong tries of anybody lock neither this machine nor a browser that has entered', async () => {
  await setPassphrase(GOOD)
  const wrong = (headers: Headers) => enter('four wet stones shone', headers)
  for (let i = 0; i < FREE; i++) await expect(wrong(from('10.0.0.6'))).rejects.toMatchObject({ status: 401 })
  await expect(enter(GOOD, from('10.0.0.6'))).rejects.toMatchObject({ status: 429, kind: 'too-many-tries' })
  const here = from('127.0.0.1', { host: '127.0.0.1:4310' })
  for (let i = 0; i < 2 * FREE; i++) await expect(wrong(here)).rejects.toMatchObject({ status: 401 })
  const { token, tries } = await enter(GOOD, here)
  expect(tries).toMatchObject([{ address: '10.0.0.6', count: FREE }])
  for (let i = 0; i < FREE; i++) await wrong(from('10.0.0.6')).catch(() => {})
  await expect(enter(GOOD, from('10.0.0.6', withCookie(token)))).resolves.toBeDefined()
})

test('a passphrase has a longest length: what is hashed is bounded', async () => {
  await expect(setPassphrase('x'.repeat(201))).rejects.toMatchObject({
    status: 422,
    kind: 'passphrase-length',
  })
  await expect(setPassphrase('x'.repeat(200))).resolves.toBeUndefined()
  // By letters, not by bytes: 200 of them are 800 bytes here.
  await expect(setPassphrase('\u{1f30d}'.repeat(200))).resolves.toBeUndefined()
})
