import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { reckoned } from './reckon'

test.each([
  ['600/3-10', 190],
  ['2*(40+8)px', 96],
  ['600 x 2', 1200],
  ['-4+10', 6],
  ['2+3*4', 14],
  ['10-2-3', 5],
  ['100/10/2', 5],
  ['1,5*2', 3],
  ['((8))', 8],
])('%s is %s', (typed, value) => expect(reckoned(typed)).toBe(value))

test.each(['', 'a', '5+', '(5', '5)', '1/0', '2**3', '1 2a', '--', '1+'.repeat(40) + '1', '1..2', '()'])(
  '"%s" is no sum',
  (typed) => expect(reckoned(typed)).toBeNull(),
)

test('it reckons as the language does, whatever the sum', () => {
  const sum = fc
    .array(fc.tuple(fc.constantFrom('+', '-', '*'), fc.integer({ min: 0, max: 99 })), { maxLength: 6 })
    .map((list) => list.reduce((text, [sign, n]) => `${text}${sign}${n}`, '7'))
  fc.assert(
    fc.property(sum, (text) => {
      // The reference: the language's own arithmetic.
      expect(reckoned(text)).toBe(new Function(`return ${text}`)() as number)
    }),
    { numRuns: samples(100) },
  )
})
