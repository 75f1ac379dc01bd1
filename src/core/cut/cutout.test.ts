import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { packHex, type Raster } from './raster'
import { cutout, laidOn, outlined, vanishing } from './cutout'

/** A mark of one ink with blended rims on a ground: a disc drawn with coverage. */
function disc(side: number, ink: number[], ground: number[]): Raster {
  const data = new Uint8Array(side * side * 4)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const a = Math.max(
        0,
        Math.min(1, side * 0.35 - Math.hypot(x - side / 2 + 0.5, y - side / 2 + 0.5) + 0.5),
      )
      for (let k = 0; k < 3; k++)
        data[(y * side + x) * 4 + k] = Math.round(ink[k]! * a + ground[k]! * (1 - a))
      data[(y * side + x) * 4 + 3] = 255
    }
  return { width: side, height: side, data }
}
const hex = (c: number[]) => `#${c.map((v) => v.toString(16).padStart(2, '0')).join('')}`
const whole = (r: Raster) => ({ x: 0, y: 0, w: r.width, h: r.height })
const worst = (a: Raster, b: Raster) =>
  [...a.data].reduce((m, v, i) => Math.max(m, Math.abs(v - b.data[i]!)), 0)

test('laid back on its ground, a cut-out mark is what it was, within 1 of each channel, whatever its colours', () => {
  const color = fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 3, maxLength: 3 })
  fc.assert(
    fc.property(color, color, (ink, ground) => {
      const r = disc(40, ink, ground)
      expect(worst(laidOn(cutout(r, whole(r), hex(ground)), hex(ground)), r)).toBeLessThanOrEqual(1)
    }),
    { numRuns: samples(200) },
  )
})

test('no halo of the old ground is left on another one', () => {
  const [ink, white, night] = [
    [180, 40, 30],
    [255, 255, 255],
    [18, 18, 18],
  ]
  const r = disc(60, ink, white)
  // What would have been drawn on the dark ground in the first place, by the same coverage.
  const truth = disc(60, ink, night)
  expect(worst(laidOn(cutout(r, whole(r), '#ffffff'), '#121212'), truth)).toBeLessThanOrEqual(6)
})

test('the ground itself is wholly clear, and the core of the ink wholly opaque', () => {
  const r = disc(60, [20, 40, 60], [250, 245, 234])
  const mark = cutout(r, whole(r), '#faf5ea')
  const at = (x: number, y: number) => [...mark.data.subarray((y * 60 + x) * 4, (y * 60 + x) * 4 + 4)]
  expect(at(0, 0)[3]).toBe(0)
  expect(at(30, 30)).toEqual([20, 40, 60, 255])
})

test('a dark mark vanishes on a dark ground and stays on a light one; an outline lies around it', () => {
  const r = disc(40, [20, 24, 30], [255, 255, 255])
  const mark = cutout(r, whole(r), '#ffffff')
  expect([vanishing(mark, '#121212'), vanishing(mark, '#ffffff')]).toEqual([expect.closeTo(1, 1), 0])
  const lined = outlined(mark, '#ffffff', 2)
  expect(lined.width).toBeGreaterThan(mark.width)
  const white = packHex('#ffffff')
  const px = new Int32Array(lined.data.buffer)
  expect(px.some((p) => p === white)).toBe(true)
  expect(vanishing({ width: 1, height: 1, data: new Uint8Array([0, 0, 0, 0]) }, '#000000')).toBe(0)
})
