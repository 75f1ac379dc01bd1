import { fontStacks } from '../../email/fonts'
import { narrowLetters } from './narrow-letters'

const of = (said: string, size: number) =>
  narrowLetters(said, { stack: fontStacks.sans, size, line: Math.round(size * 1.2), bold: true })

test('headings keep their size on phones while three lines hold them', () => {
  expect(of('The dome opens at nine', 30)).toEqual({})
  expect(of('The dome opens at nine and closes when the last visitor has seen Saturn', 22)).toEqual({})
})

test('a heading of more than three lines steps down by a minor third, line height and all, not below 22 px', () => {
  const long = 'The dome opens at nine and closes when the last has gone home'
  expect(of(long, 36)).toEqual({ narrowSize: 25, narrowLine: 30 })
  expect(of(`${long} ${long}`, 36)).toEqual({ narrowSize: 22, narrowLine: 26 })
})

test('a word that would not fit on the narrowest phone steps down too', () => {
  expect(of('Donaudampfschifffahrt', 40).narrowSize).toBeLessThan(40)
})

test('small words grow to 14 px', () => {
  expect(of('Unsubscribe', 11)).toEqual({ narrowSize: 14, narrowLine: 17 })
  expect(of('Unsubscribe', 14)).toEqual({})
})
