import sharp from 'sharp'
import { ssim as reference } from 'ssim.js'
import { samplePng } from '@/test-support/server'
import { ssim } from './ssim'

const raw = async (bytes: Buffer) => {
  const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}

// Against the reference library ssim.js, with its defaults.
test.each([
  [200, 150],
  [640, 301],
  [1200, 960],
  [500, 1300],
  [37, 20],
])('agrees with ssim.js at %d x %d', async (width, height) => {
  const png = await samplePng(width, height)
  const a = await raw(png)
  for (const quality of [20, 60, 90]) {
    const b = await raw(await sharp(png).jpeg({ quality }).toBuffer())
    expect(ssim(a, b)).toBeCloseTo(reference(a, b).mssim, 2)
  }
  expect(ssim(a, a)).toBe(1)
})

test('pictures of different sizes are not compared', () => {
  expect(() =>
    ssim(
      { width: 2, height: 2, data: new Uint8Array(16) },
      { width: 2, height: 3, data: new Uint8Array(24) },
    ),
  ).toThrow(RangeError)
})
