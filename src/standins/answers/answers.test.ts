import { counted } from '@/core/interact/answers'
import { refusals, type Asking } from '@/core/interact/reader'
import { ownData } from '@/test-support/server'
import { setMode } from '../db'
import { dynamicFor, setDynamic } from '../inbox/dynamic'
import { askAnswer, getList, postAnswer } from './api'
import { answersOf, clearAnswers, formsAnswered, keepAnswer, keepList } from './store'

ownData()
const at = 'http://127.0.0.1:4310/standins/answers/poll'

/** An answer as a reader sends it. */
const send = (
  fields: Record<string, string> | BodyInit,
  more: { headers?: Record<string, string>; query?: string; form?: string } = {},
) =>
  postAnswer(
    new Request(`${at}${more.query ?? ''}`, {
      method: 'POST',
      headers: more.headers ?? { 'amp-email-sender': 'a@b.example' },
      body:
        typeof fields === 'string' || fields instanceof FormData
          ? fields
          : new URLSearchParams(fields as Record<string, string>),
    }),
    more.form ?? 'poll',
  )

const came = async (response: Response) => ({
  status: response.status,
  headers: Object.fromEntries(response.headers),
  body: await response.text(),
})
const two: Asking = { version: 2, sender: 'a@b.example', origin: 'https://reader.example' }

beforeEach(() => {
  clearAnswers('poll')
  setMode('answers', 'ok')
})

describe('an answer is taken as the standard asks (AMP for Email, "CORS in AMP for Email")', () => {
  test('version 2: the sender is let in by name', async () => {
    const answer = await came(await send({ stop: 'Lake End' }))
    expect(answer.headers['amp-email-allow-sender']).toBe('a@b.example')
    expect(refusals(two, answer)).toEqual([])
    expect(JSON.parse(answer.body)).toEqual({
      ok: true,
      results: [{ label: 'Lake End', count: 1, percent: 100 }],
    })
    expect(answersOf('poll')).toMatchObject([{ sender: 'a@b.example', fields: [['stop', 'Lake End']] }])
  })

  test('version 1: reader and sender are named, and the header that says so can be read', async () => {
    const answer = await came(
      await send(
        { stop: 'x' },
        { headers: { origin: 'https://reader.example' }, query: '?__amp_source_origin=a@b.example' },
      ),
    )
    expect(refusals({ ...two, version: 1 }, answer)).toEqual([])
    // Its own parameter is no answer.
    expect(answersOf('poll')[0]!.fields).toEqual([['stop', 'x']])
  })

  test('a page gets a page, without any of these headers', async () => {
    const answer = await came(await send({ stop: 'x' }, { headers: {} }))
    expect(answer.headers['content-type']).toContain('text/html')
    expect(answer.headers['amp-email-allow-sender']).toBeUndefined()
    expect(answersOf('poll')).toHaveLength(1)
  })

  test.each([
    ['headers', /missing/],
    ['other', /the sender is a@b/],
    ['mangle', /JSON only/],
    ['redirect', /redirect/],
  ] as const)('set to fail (%s), a real reader refuses it', async (mode, said) => {
    setMode('answers', mode)
    const reasons = refusals(two, await came(await send({ stop: 'x' })))
    expect(reasons.join()).toMatch(said)
  })

  test.each([
    ['refuse', 503],
    ['expire', 401],
  ] as const)('set to %s it answers %i, in JSON that the reader may read', async (mode, status) => {
    setMode('answers', mode)
    const answer = await came(await send({ stop: 'x' }))
    expect(answer.status).toBe(status)
    expect(refusals(two, answer)).toEqual([])
    expect(answersOf('poll')).toEqual([])
  })
})

describe('what is hostile is not kept', () => {
  test.each<[string, Parameters<typeof send>[0], Parameters<typeof send>[1], number]>([
    [
      'a sender that is none',
      { a: '1' },
      { headers: { 'amp-email-sender': 'a@b.example, c@d.example' } },
      403,
    ],
    ['a header in the sender', { a: '1' }, { headers: { 'amp-email-sender': '<a@b.example>' } }, 403],
    ['a form that has no such name', { a: '1' }, { form: '../x' }, 404],
    ['nothing', {}, {}, 400],
    ['a name with markup', { '<b>': '1' }, {}, 400],
    ['too much', { a: 'x'.repeat(70_000) }, {}, 400],
    ['too many fields', Object.fromEntries(Array.from({ length: 61 }, (_, i) => [`f${i}`, 'x'])), {}, 400],
    [
      'JSON',
      '{"a":1}',
      { headers: { 'amp-email-sender': 'a@b.example', 'content-type': 'application/json' } },
      400,
    ],
  ])('%s', async (_, fields, more, status) => {
    const answer = await came(await send(fields, more))
    expect(answer.status).toBe(status)
    expect(answersOf('poll')).toEqual([])
    expect(answer.headers['amp-email-allow-sender'] ?? 'a@b.example').toBe('a@b.example')
  })

  test('a file is no answer', async () => {
    const form = new FormData()
    form.set('a', new File(['x'], 'x.txt'))
    expect((await send(form)).status).toBe(400)
  })

  test('control characters go, markup is kept as words and shown as words', async () => {
    await send({ a: 'x\u0000\u001b[31m<script>alert(1)</script>' })
    expect(answersOf('poll')[0]!.fields).toEqual([['a', 'x[31m<script>alert(1)</script>']])
    const page = await askAnswer(new Request(`${at}?a=<script>alert(1)</script>`), 'poll').text()
    expect(page).not.toContain('<script>')
    expect(page).toContain('&#60;script&#62;')
  })

  test('a double press is kept once; the same a while later, or from elsewhere, is another', async () => {
    await send({ a: '1' })
    await send({ a: '1' })
    expect(answersOf('poll')).toHaveLength(1)
    const answer = { form: 'poll', sender: 'a@b.example', fields: [['a', '1']] as [string, string][] }
    expect(keepAnswer(answer, '', Date.now() + 11_000)).toMatchObject({ double: false })
    expect(keepAnswer(answer, 'another', Date.now())).toMatchObject({ double: false })
    expect(answersOf('poll')).toHaveLength(3)
  })

  test('a link only asks: programs open links too', async () => {
    const page = askAnswer(new Request(`${at}?stop=Lake%20End`), 'poll')
    expect(await page.text()).toContain('value="Lake End"')
    expect(page.headers.get('content-security-policy')).toContain("default-src 'none'")
    expect(answersOf('poll')).toEqual([])
    expect(askAnswer(new Request(at), '../x').status).toBe(404)
  })
})

test('a list is answered as it is kept; one that is not there says so', async () => {
  keepList('trains', '{"items":[{"title":"One"}]}')
  const request = () => new Request(`${at}/lists/trains`, { headers: { 'amp-email-sender': 'a@b.example' } })
  const found = await came(await getList(request(), 'trains'))
  expect(refusals(two, found)).toEqual([])
  expect(found.body).toBe('{"items":[{"title":"One"}]}')
  expect((await getList(request(), 'none')).status).toBe(404)
})

test('forms are listed with how often they were answered', async () => {
  await send({ a: '1' })
  await send({ a: '2' })
  expect(formsAnswered()).toMatchObject([{ form: 'poll', count: 2 }])
  expect(counted(answersOf('poll'))[0]!.values.map((v) => v.count)).toEqual([1, 1])
})

test('dynamic mail is switched by sender, however it is written', () => {
  expect(dynamicFor('A@B.example')).toBe(false)
  setDynamic('a@b.example', true)
  expect(dynamicFor('A@B.example')).toBe(true)
  setDynamic('A@B.EXAMPLE', false)
  expect(dynamicFor('a@b.example')).toBe(false)
})
