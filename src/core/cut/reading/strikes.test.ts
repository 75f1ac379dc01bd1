/** @jest-environment node */
import sharp from 'sharp'
import { textOf } from '../../email/richtext'
import type { Raster } from '../raster'
import { strikesIn, withoutStrikes, withStrikes } from './strikes'

/** Words as the shipped sans draws them, old ones struck through by the drawing itself. */
const drawn = async (words: string): Promise<Raster> => {
  const { data, info } = await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="60"><rect width="400" height="60" fill="#fff"/><text x="10" y="42" font-family="Arimo" font-size="32" fill="#333">${words}</text></svg>`,
    ),
  )
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const whole = { x: 0, y: 0, w: 400, h: 60 }
const struck = (text: string) => `<tspan text-decoration="line-through">${text}</tspan>`

test('of two prices the old one is seen to be struck through', async () => {
  const seen = strikesIn(await drawn(`£79 ${struck('£99')}`), whole, '#ffffff')
  expect(seen.map((w) => w.line !== null)).toEqual([false, true])
})

test.each(['£79 £99', 'THE HELP', 'FEE £44', '— and –', 'een huis', '$1,240.00'])(
  'nothing is struck through in %s',
  async (text) => {
    expect(strikesIn(await drawn(text), whole, '#ffffff').some((w) => w.line)).toBe(false)
  },
)

test('without the line letters stand as they did, but for where it ran through slanted strokes', async () => {
  const [plain, old] = [await drawn('£120'), await drawn(struck('£120'))]
  const off = (a: Raster) =>
    [...a.data].reduce((n, v, i) => n + (Math.abs(v - plain.data[i]!) > 90 ? 1 : 0), 0)
  const before = off(old)
  withoutStrikes(old, '#ffffff')
  expect(before).toBeGreaterThan(100)
  expect(strikesIn(old, whole, '#ffffff').some((w) => w.line)).toBe(false)
  expect(off(old)).toBeLessThan(0.7 * before)
})

test('words that are as many as were seen are marked, others stay as they are', () => {
  const text = textOf('£79 £99')
  expect(withStrikes(text, [false, true]).content[0]).toEqual({
    type: 'paragraph',
    content: [
      { type: 'text', text: '£79' },
      { type: 'text', text: ' ' },
      { type: 'text', text: '£99', marks: [{ type: 'strike' }] },
    ],
  })
  expect(withStrikes(text, [true])).toBe(text)
  expect(withStrikes(text, [false, false])).toBe(text)
  // A stroke of a letter is no line through an old price.
  const sale = textOf('Was t99')
  expect(withStrikes(sale, [true, false])).toBe(sale)
})
