import { allowedOrigins, boundTo, refusal } from './own-site'

const origins = allowedOrigins({ PORT: '4310', MOSAICUS_HOSTS: 'https://studio.example, desk:8080' })
const ask = (method: string, headers: Record<string, string>) =>
  refusal({ method, headers: new Headers(headers) }, origins)?.status ?? 200

// A name that resolves here is no name of the app's (DNS rebinding), whatever is asked.
test.each([
  ['127.0.0.1:4310', 200],
  ['localhost:4310', 200],
  ['LOCALHOST:4310', 200],
  ['[::1]:4310', 200],
  ['studio.example', 200],
  ['desk:8080', 200],
  ['127.0.0.1', 421],
  ['127.0.0.1:4311', 421],
  ['127.0.0.1:4310.evil.example', 421],
  ['rebind.example:4310', 421],
  ['desk', 421],
  ['', 421],
])('asked as "%s": %i', (host, status) => {
  for (const method of ['GET', 'HEAD', 'POST']) expect(ask(method, host ? { host } : {})).toBe(status)
})

const host = 'localhost:4310'
test.each([
  [{}, 200],
  [{ origin: 'http://localhost:4310' }, 200],
  [{ origin: 'http://localhost:4310', 'sec-fetch-site': 'same-origin' }, 200],
  [{ 'sec-fetch-site': 'none' }, 200],
  // The same machine at another port, by another scheme or another name is another site.
  [{ origin: 'http://localhost:3000' }, 403],
  [{ origin: 'https://localhost:4310' }, 403],
  [{ origin: 'http://127.0.0.1:4310' }, 403],
  [{ origin: 'null' }, 403],
  [{ origin: 'https://evil.example' }, 403],
  [{ 'sec-fetch-site': 'cross-site' }, 403],
  [{ 'sec-fetch-site': 'same-site' }, 403],
  [{ origin: 'http://localhost:4310', 'sec-fetch-site': 'cross-site' }, 403],
])('a change with %j: %i; looking is free', (headers: Record<string, string>, status) => {
  for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
    expect(ask(method, { host, ...headers })).toBe(status)
  expect(ask('GET', { host, ...headers })).toBe(200)
})

test('hosts that are named wrongly are left out', () => {
  expect([...allowedOrigins({ MOSAICUS_HOSTS: ' , http://, a b' })]).toEqual([
    'http://127.0.0.1:4310',
    'http://localhost:4310',
    'http://[::1]:4310',
  ])
})

test('the address it is bound to is one of its names; that of all is none', () => {
  expect(boundTo({ MOSAICUS_BIND: '192.168.1.5', PORT: '4310' })).toBe('192.168.1.5:4310')
  expect(boundTo({ MOSAICUS_BIND: 'fd00::5', PORT: '4310' })).toBe('[fd00::5]:4310')
  for (const MOSAICUS_BIND of ['', '0.0.0.0', '::', '127.0.0.1', 'localhost'])
    expect(boundTo({ MOSAICUS_BIND })).toBeNull()
  expect([...allowedOrigins({ MOSAICUS_BIND: '192.168.1.5' })]).toContain('http://192.168.1.5:4310')
})
