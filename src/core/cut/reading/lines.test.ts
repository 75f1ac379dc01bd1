import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { linesOf, sizeByInk, type ReadWord } from './lines'

const word = (text: string, x: number, y: number, more: Partial<ReadWord> = {}): ReadWord => ({
  text,
  x,
  y,
  w: 12 * text.length,
  h: 15,
  sure: 95,
  base: y + 15,
  ...more,
})

test('the size of letters is told by what they say: capitals, small letters, what hangs', () => {
  // Heights of DejaVu Sans at 100 px: capitals 73, small letters 55 (its OS/2 table: sCapHeight 1493, sxHeight 1120 of 2048).
  // Fonts differ by a few in a hundred.
  for (const [text, height] of [
    ['HALDEN', 73],
    ['runcome', 55],
    ['1940', 73],
    ['Hay', 93],
  ] as const)
    expect(Math.abs(sizeByInk(text, height) - 100)).toBeLessThan(8)
})

test('of each place the surest reading is kept, and words on one row are a line', () => {
  const plain = [word('Your', 0, 0), word('cr0ssing', 60, 0, { sure: 61 }), word('is', 170, 0)]
  const over = [word('crossing', 60, 0, { sure: 93 }), word('on', 0, 30), word('Friday', 40, 30)]
  expect(linesOf([plain, over]).map((l) => l.text)).toEqual(['Your crossing is', 'on Friday'])
})

test('the sign between two names is kept', () => {
  const name = [word('Hearth', 0, 0), word('&', 84, 0), word('Rye', 108, 0)]
  expect(linesOf([name]).map((l) => l.text)).toEqual(['Hearth & Rye'])
})

test('what is hardly read is no word, and columns far apart are no line', () => {
  const noise = [word('~', 0, 0), word('a', 20, 0, { sure: 70 }), word('wall', 90, 0, { sure: 40 })]
  expect(linesOf([noise])).toEqual([])
  const columns = [word('Book', 0, 0), word('Help', 400, 0)]
  expect(linesOf([columns]).map((l) => l.text)).toEqual(['Book', 'Help'])
})

test('no word is said twice or invented, however often it was read', () => {
  const said = fc.constantFrom('Book', 'the', 'ferry', 'on', 'Friday', '06:45', 'Skerrey')
  const words = fc.array(fc.tuple(said, fc.integer({ min: 0, max: 8 })), { maxLength: 20 })
  fc.assert(
    fc.property(words, fc.integer({ min: 1, max: 4 }), (rows, times) => {
      const once = rows.map(([text, row], i) => word(text, 220 * (i % 5), 60 * (row + 9 * Math.floor(i / 5))))
      const readings = Array.from({ length: times }, (_, k) => once.map((w) => ({ ...w, sure: 95 - k })))
      const all = linesOf(readings).flatMap((l) => l.text.split(' '))
      expect(all.sort()).toEqual(once.map((w) => w.text).sort())
    }),
    { numRuns: samples(100) },
  )
})

test('a dash between two words of a row is kept, alone it is noise', () => {
  const dash = word('–', 40, 6, { w: 12, h: 2, sure: 70 })
  const score = [word('2', 20, 0), word('4', 62, 0)]
  expect(linesOf([[...score, dash]]).map((l) => l.text)).toEqual(['2 – 4'])
  // Read twice it is one.
  expect(linesOf([[...score, dash], [dash]]).map((l) => l.text)).toEqual(['2 – 4'])
  expect(linesOf([[dash]])).toEqual([])
  expect(linesOf([[word('4', 62, 0), dash]]).map((l) => l.text)).toEqual(['4'])
})
