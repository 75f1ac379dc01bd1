import sharp from 'sharp'
import { cleaned } from './inpaint'
import type { Raster, Rect } from './raster'
import { ssim } from '../picture/ssim'

const raster = async (svg: string): Promise<Raster> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const W = 400
const H = 200
/** A sky that goes from dark to light, with soft clouds. */
const sky = `<defs><linearGradient id="s" x2="0.4" y2="1"><stop stop-color="#16324f"/><stop offset="1" stop-color="#d98c5f"/></linearGradient><filter id="b"><feGaussianBlur stdDeviation="14"/></filter></defs><rect width="${W}" height="${H}" fill="url(#s)"/><g filter="url(#b)" fill="#fff" opacity=".35"><ellipse cx="90" cy="60" rx="70" ry="16"/><ellipse cx="300" cy="120" rx="90" ry="20"/></g>`
const svg = (more = '') =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}">${sky}${more}</svg>`
const words =
  '<text x="30" y="90" font-family="Arimo" font-size="34" font-weight="700" fill="#fff">Your crossing</text>'
const line: Rect = { x: 30, y: 64, w: 240, h: 34 }
const whole = { x: 0, y: 0, w: W, h: H }

test('words are taken off a picture: it looks as it did before they were written', async () => {
  const [before, written] = await Promise.all([raster(svg()), raster(svg(words))])
  const after = cleaned({ raster: written, rect: whole, lines: [line], whole: [], scale: 1 })
  expect(ssim(after, before)).toBeGreaterThan(0.98)
  expect(ssim(after, before)).toBeGreaterThan(ssim(written, before) + 0.03)
  // Where nothing stood, no pixel is another.
  for (let y = 120; y < H; y++)
    expect(after.data.subarray(4 * W * y, 4 * W * (y + 1))).toEqual(
      written.data.subarray(4 * W * y, 4 * W * (y + 1)),
    )
})

test('a button is taken off with its ground, and what is left is of the colours around it', async () => {
  const button = '<rect x="40" y="120" width="120" height="40" rx="6" fill="#c0392b"/>'
  const [before, written] = await Promise.all([raster(svg()), raster(svg(button))])
  const box = { x: 40, y: 120, w: 120, h: 40 }
  const after = cleaned({ raster: written, rect: whole, lines: [], whole: [box], scale: 1 })
  expect(ssim(after, before)).toBeGreaterThan(0.97)
  const reds = (r: Raster) => r.data.filter((v, i) => i % 4 === 0 && v > 185 && r.data[i + 1]! < 70).length
  expect(reds(written)).toBeGreaterThan(3000)
  expect(reds(after)).toBe(0)
})

test('a part of a design is cut out as it is where nothing stands on it', async () => {
  const all = await raster(svg())
  const part = cleaned({ raster: all, rect: { x: 50, y: 20, w: 30, h: 10 }, lines: [], whole: [], scale: 2 })
  expect([part.width, part.height]).toEqual([30, 10])
  for (let y = 0; y < 10; y++)
    expect(part.data.subarray(120 * y, 120 * (y + 1))).toEqual(
      all.data.subarray(4 * (W * (20 + y) + 50), 4 * (W * (20 + y) + 80)),
    )
})
