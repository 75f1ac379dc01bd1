import { longEmail } from '@/test-support/emails'
import { differencesOf } from './differences'

const then = {
  ...longEmail(3),
  bands: longEmail(3).bands.map((b, i) => ({ ...b, id: `b${i}`, name: `Band ${i}` })),
}

test('what came, went, changed and stands elsewhere is told, with the band it leads to', () => {
  expect(differencesOf(then, structuredClone(then))).toEqual([])
  const [a, b, c] = then.bands
  const now = {
    ...then,
    subject: 'Other',
    bands: [{ ...c!, name: 'Third' }, a!, { ...b!, id: 'new', name: 'New' }],
  }
  expect(differencesOf(then, now)).toEqual([
    { said: 'the subject changed', band: null },
    { said: 'Third changed', band: 'b2' },
    { said: 'New came', band: 'new' },
    { said: 'Band 1 went', band: null },
    { said: 'the order changed', band: null },
  ])
})
