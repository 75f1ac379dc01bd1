import { ownData } from '@/test-support/server'
import { closedTo, cookieOf, enter, insideHeaders, leave } from './gate'
import { hashOf, keptHash, LEAST, matches, removePassphrase, setPassphrase } from './passphrase'
import { isOpen, openSession, SESSION } from './sessions'
import { MOST_TRIES, Tries, WINDOW } from './tries'

ownData()

const GOOD = 'four wet stones shine'
const ask = (path: string, headers: Record<string, string> = {}) =>
  closedTo({ url: `http://x${path}`, headers: new Headers({ host: 'studio.example', ...headers }) })
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

test('without a passphrase the app answers under the names of its own machine alone', () => {
  removePassphrase()
  for (const host of ['127.0.0.1:4310', 'localhost', '[::1]:4310'])
    expect(ask('/api/jobs', { host })).toBeNull()
  for (const host of ['studio.example', '127.0.0.1.evil.example', '192.168.1.5:4310'])
    expect(ask('/api/jobs', { host })).toMatchObject({ status: 403, kind: 'no-passphrase' })
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

  await expect(enter('four wet stones shone')).rejects.toMatchObject({ kind: 'wrong-passphrase' })
  const token = await enter(GOOD)
  expect(ask('/api/jobs', withCookie(token))).toBeNull()
  expect(ask('/api/jobs', withCookie(`${token}x`))).toMatchObject({ status: 401 })
  expect(keptHash()).not.toContain(GOOD)
  leave({ headers: new Headers(withCookie(token)) })
  expect(ask('/api/jobs', withCookie(token))).toMatchObject({ status: 401 })
  const other = await enter(GOOD)
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

test('after ten wrong tries none is tried for a while, also when they come at once', () => {
  const tries = new Tries()
  const now = 1e9
  for (let i = 0; i < 50; i++) tries.begin(now)() // went well
  for (let i = 0; i < MOST_TRIES; i++) tries.begin(now + i)
  expect(() => tries.begin(now + 1000)).toThrow(/Too many/)
  expect(() => tries.begin(now + WINDOW + 1)).not.toThrow()
})
