import { z } from 'zod'
import { asProblem } from './as-problem'

const detailOf = (schema: z.ZodType, value: unknown) => asProblem(schema.safeParse(value).error).detail

test('how much is taken is said in plain words; what a schema says in its own words stays', () => {
  const list = z.object({ cuts: z.array(z.number()).min(1).max(2) })
  expect(detailOf(list, { cuts: [1, 2, 3] })).toBe('cuts: too many: at most 2 entries are taken')
  expect(detailOf(list, { cuts: [] })).toBe('cuts: too few: at least 1 entries are needed')
  expect(detailOf(z.object({ a: z.string().max(3) }), { a: 'four' })).toMatch(/at most 3 characters/)
  expect(detailOf(z.object({ name: z.string().min(1, 'a name is needed') }), { name: '' })).toBe(
    'name: a name is needed',
  )
})

test('a full disk and a cancelled piece of work are told apart from faults', () => {
  expect(asProblem(Object.assign(new Error('x'), { code: 'SQLITE_FULL' })).status).toBe(507)
  expect(asProblem(new DOMException('x', 'AbortError')).kind).toBe('cancelled')
})
