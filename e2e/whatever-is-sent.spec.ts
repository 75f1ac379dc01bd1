import { expect, test } from '@playwright/test'
import fc from 'fast-check'
import { z } from 'zod'
import { routes } from '@/contract'
import type { Route } from '@/contract/route'
import { thorough } from '@/test-support/samples'
import { copyOf } from './support'

/* Whatever is sent to any route, the answer is one that says what is wrong: never 500, and the app goes on. */

interface Schema {
  type?: string | string[]
  enum?: unknown[]
  const?: unknown
  anyOf?: Schema[]
  properties?: Record<string, Schema>
  items?: Schema
  $ref?: string
}

const odd = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    -1,
    0,
    1e308,
    '',
    ' ',
    '\ud83d',
    '[[constructor]]',
    '__proto__',
    [],
    {},
  ),
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.constantFrom(
    'http://[',
    'https://',
    '//',
    'javascript:1',
    '<a '.repeat(500),
    '['.repeat(500),
    '{'.repeat(500),
  ),
  fc.jsonValue({ maxDepth: 3 }),
)

/** Values of a schema, with something odd in their place now and then. */
function valuesOf(schema: Schema): fc.Arbitrary<unknown> {
  const fitting = (): fc.Arbitrary<unknown> => {
    if (schema.const !== undefined) return fc.constant(schema.const)
    if (schema.enum) return fc.constantFrom(...schema.enum)
    if (schema.anyOf) return fc.oneof(...schema.anyOf.map(valuesOf))
    const type = Array.isArray(schema.type) ? schema.type[0] : schema.type
    if (type === 'object') {
      const fields = Object.entries(schema.properties ?? {}).map(
        ([key, value]) => [key, valuesOf(value)] as const,
      )
      return fc.record(Object.fromEntries(fields), { requiredKeys: [] })
    }
    if (type === 'array') return fc.array(schema.items ? valuesOf(schema.items) : odd, { maxLength: 3 })
    if (type === 'number' || type === 'integer') return fc.oneof(fc.integer(), fc.double())
    if (type === 'boolean') return fc.boolean()
    return fc.string({ maxLength: 30 })
  }
  return fc.oneof({ arbitrary: fitting(), weight: 9 }, { arbitrary: odd, weight: 1 })
}

const schemaOf = (type: z.ZodType): Schema =>
  z.toJSONSchema(type, { io: 'input', unrepresentable: 'any' }) as Schema

/** What a parameter of a path may be: something that is, something that is not, something that cannot be. */
const segments = (job: string) =>
  fc.constantFrom(
    job,
    'nobody',
    'a'.repeat(64),
    '%E0%A4%A',
    '%00',
    '..%2f..%2fetc',
    '%F0%9F%98%80',
    'constructor',
  )

function requests(key: string, route: Route, job: string): fc.Arbitrary<{ path: string; init: RequestInit }> {
  const [method, pattern] = key.split(' ') as [string, string]
  const query = fc.oneof(
    fc.constant(''),
    fc.webQueryParameters().map((q) => `?${q}`),
    fc.constantFrom(...Object.keys(route.query?.shape ?? { x: 1 })).map((k) => `?${k}=1&${k}=%FF&${k}`),
  )
  const body = route.body
    ? valuesOf(schemaOf(route.body)).map((v) => JSON.stringify(v) ?? '')
    : fc.constant('')
  const sent = fc.oneof(
    { arbitrary: body, weight: 6 },
    { arbitrary: fc.string({ unit: 'binary', maxLength: 60 }), weight: 1 },
  )
  const types = fc.constantFrom(
    'application/json',
    'multipart/form-data; boundary=x',
    'multipart/form-data',
    'text/plain',
  )
  const type = fc.oneof(
    { arbitrary: fc.constant('application/json'), weight: 6 },
    { arbitrary: types, weight: 1 },
  )
  return fc
    .tuple(fc.array(segments(job), { minLength: 3, maxLength: 3 }), query, sent, type)
    .map(([names, q, b, t]) => {
      let at = 0
      const path = pattern.replace(/:\w+/g, () => (at === 0 ? (at++, names[0]!) : names[at++ % 3]!))
      return {
        path: path + q,
        init: { method, headers: { 'content-type': t }, ...(method === 'GET' ? {} : { body: b }) },
      }
    })
}

test('every route answers whatever it is sent, and never with 500', async ({ request, baseURL }) => {
  test.setTimeout(thorough ? 1_200_000 : 240_000)
  const job = await copyOf(request, 'Winter timetable')
  // Streams have no end, stand-ins are outside services, and what asks another host has its own tests.
  const skipped = /events|standins|\/pages|\/crops/
  const keys = Object.keys(routes).filter((key) => !skipped.test(key))
  const any = fc.constantFrom(...keys).chain((key) => requests(key, routes[key as keyof typeof routes], job))
  await fc.assert(
    fc.asyncProperty(any, async ({ path, init }) => {
      const answer = await fetch(baseURL + path, { ...init, signal: AbortSignal.timeout(60_000) })
      await answer.body?.cancel()
      expect(answer.status, `${init.method} ${path}`).not.toBe(500)
    }),
    { numRuns: thorough ? 2000 : 200, seed: 12, endOnFailure: true },
  )
  expect((await request.get('/api/jobs')).status()).toBe(200)
})
