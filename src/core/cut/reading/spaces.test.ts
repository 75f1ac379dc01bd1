import sharp from 'sharp'
import type { Raster } from '../raster'
import { linesOf } from './lines'
import { withSpaces } from './spaces'

/** Words drawn in one of the shipped faces, and the ink around them, as a reader that saw no spaces in them gives it. */
async function drawn(text: string, size: number, style: string) {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="100"><rect width="900" height="100" fill="#fff"/><text x="20" y="60" font-size="${size}" fill="#223" ${style}>${text}</text></svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const raster: Raster = { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
  let [x0, x1, y0, y1] = [900, 0, 100, 0]
  for (let y = 0; y < 100; y++)
    for (let x = 0; x < 900; x++)
      if (data[4 * (900 * y + x)]! < 160)
        [x0, x1, y0, y1] = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)]
  const word = { text: text.replaceAll(' ', ''), sure: 95, x: x0, y: y0, w: x1 - x0 + 1, h: y1 - y0 + 1 }
  const [line] = linesOf([[{ ...word, base: 60 }]])
  return withSpaces(raster, line!).text
}

const faces = ['Arimo', 'Tinos', 'Gelasio', 'Fira Sans', 'DejaVu Sans', 'Roboto Condensed']

test.each(faces)('two words that were read as one are two again, in %s', async (face) => {
  const style = `font-family="${face}"`
  for (const text of ['what it costs', 'se casan', 'end of it', 'veut plus'])
    expect(await drawn(text, 30, style)).toBe(text)
  expect(await drawn('se casan', 26, `${style} letter-spacing="9"`)).toBe('se casan')
  expect(await drawn('loved evenings', 30, `${style} font-style="italic"`)).toBe('loved evenings')
})

test.each(faces)('a single word stays one, in %s', async (face) => {
  for (const size of [11, 14, 32])
    for (const text of [
      'Street',
      'Share',
      'lettre',
      'rillette',
      'AVATAR',
      'Tyrkia',
      '1,240',
      'o’clock',
      '10:30',
      'LITERIE',
    ])
      for (const more of ['', 'font-style="italic"', 'font-weight="700"', 'letter-spacing="5"'])
        expect(await drawn(text, size, `font-family="${face}" ${more}`)).toBe(text)
})
