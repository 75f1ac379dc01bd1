import fc from 'fast-check'
import { inReadingOrder, runsFromRight } from './reading-order'

const words = (text: string) => text.split(' ').map((t) => ({ text: t }))
const said = (list: { text: string }[]) => list.map((w) => w.text).join(' ')

// As the Unicode bidirectional algorithm lays these lines out (Unicode Standard Annex 9): what stands on the left was said last.
test.each([
  ['الرف على جديدة كتب', 'كتب جديدة على الرف'],
  ['ערב 20:30 בשעה', 'בשעה 20:30 ערב'],
  ['עכשיו הלילה Night Rail עם רכבת', 'רכבת עם Night Rail הלילה עכשיו'],
  ['The dome opens at nine', 'The dome opens at nine'],
  ['90 240', '90 240'],
])('%s', (seen, read) => expect(said(inReadingOrder(words(seen)))).toBe(read))

test('all words stay, each once; those of one direction keep their order or turn it', () => {
  const latin = fc.constantFrom('tide', 'Ø', 'x2')
  const hebrew = fc.constantFrom('שלום', 'עכשיו', 'ערב')
  fc.assert(
    fc.property(fc.array(latin), (list) =>
      expect(inReadingOrder(words(list.join(' ')))).toEqual(words(list.join(' '))),
    ),
  )
  fc.assert(
    fc.property(fc.array(hebrew, { minLength: 1 }), (list) =>
      expect(said(inReadingOrder(words(list.join(' '))))).toBe([...list].reverse().join(' ')),
    ),
  )
  fc.assert(
    fc.property(fc.array(fc.oneof(latin, hebrew), { minLength: 1 }), (list) =>
      expect(
        inReadingOrder(words(list.join(' ')))
          .map((w) => w.text)
          .sort(),
      ).toEqual([...list].sort()),
    ),
  )
})

test('figures and signs alone run no way of their own', () => {
  expect(runsFromRight('240 - 90')).toBe(false)
  expect(runsFromRight('תא 240')).toBe(true)
})
