import fc from 'fast-check'
import gifenc from 'gifenc'
import { samples } from '@/test-support/samples'
import { alikeTo } from '../likeness'
import type { Sequence } from '../sequence'
import { apart, AXES, between, colorAt, seen, weightsOf } from './eye'
import { Nearest } from './nearest'
import { Palette } from './palette'
import { writeGif } from './write'

const color = fc.integer({ min: 0, max: 0xffffff })
const pointOf = (c: number): Float64Array => {
  const point = new Float64Array(AXES)
  seen(c >> 16, (c >> 8) & 255, c & 255, point, 0)
  return point
}

test('a colour comes back from how it is seen, and is no way from itself', () => {
  fc.assert(
    fc.property(color, color, (a, b) => {
      expect(colorAt(pointOf(a), 0)).toBe(a)
      expect(apart(a, a)).toBe(0)
      expect(apart(a, b)).toBeCloseTo(apart(b, a))
      if (a !== b) expect(apart(a, b)).toBeGreaterThan(0)
    }),
    { numRuns: samples(300) },
  )
})

test('a step of lightness is seen more than one of hue', () => {
  expect(apart(0x808080, 0x818181)).toBeCloseTo(9)
  // Blue alone changes hardly any lightness.
  expect(apart(0x808080, 0x808081)).toBeLessThan(1)
  expect(apart(0x808080, 0x808180)).toBeGreaterThan(apart(0x808080, 0x818080))
})

test('the nearest point is found, as by looking at all', () => {
  fc.assert(
    fc.property(fc.uniqueArray(color, { minLength: 1, maxLength: 60 }), color, (colors, wanted) => {
      const points = Float64Array.from(colors.flatMap((c) => [...pointOf(c)]))
      const [y, u, v] = pointOf(wanted) as unknown as [number, number, number]
      const far = colors.map((_, i) => between(points, i * AXES, pointOf(wanted), 0))
      expect(far[new Nearest(points).to(y, u, v)]).toBe(Math.min(...far))
    }),
    { numRuns: samples(300) },
  )
})

test('the neighbours of a colour are the nearest there are, itself first', () => {
  fc.assert(
    fc.property(fc.uniqueArray(color, { minLength: 1, maxLength: 40 }), (colors) => {
      const palette = new Palette(Uint8Array.from(colors.flatMap((c) => [c >> 16, (c >> 8) & 255, c & 255])))
      palette.neighbours.forEach((near, n) => {
        const far = colors.map((c) => apart(c, colors[n]!)).sort((a, b) => a - b)
        expect(near[0]).toBe(n)
        near.forEach((k, i) => expect(apart(colors[k]!, colors[n]!)).toBeCloseTo(far[i]!, 1))
      })
    }),
    { numRuns: samples(100) },
  )
})

/** A picture by its lightness at each place. */
const picture = (width: number, height: number, at: (x: number, y: number) => number) =>
  Uint8Array.from({ length: width * height * 4 }, (_, i) =>
    (i & 3) === 3 ? 255 : at((i >> 2) % width, Math.floor((i >> 2) / width)),
  )

test('what is busy hides an error; what is calm, and the ground beside an edge, does not', () => {
  const size = { width: 40, height: 20 }
  // Calm on the left, an edge at 10, a chequer from 20 on.
  const data = picture(40, 20, (x, y) => (x < 10 ? 200 : x < 20 ? 40 : (x + y) % 2 ? 200 : 40))
  const whole = weightsOf(data, size, { x: 0, y: 0, w: 40, h: 20 })
  const at = (x: number, y: number) => whole[y * 40 + x]!
  expect(at(3, 10)).toBe(1)
  expect(at(9, 10)).toBe(1)
  expect(at(10, 10)).toBe(1)
  expect(at(32, 10)).toBeLessThan(0.05)
  // Far from its edges, a part is weighed as it is in the whole.
  const part = weightsOf(data, size, { x: 4, y: 4, w: 30, h: 12 })
  for (let y = 3; y < 9; y++)
    for (let x = 3; x < 27; x++) expect(part[y * 30 + x]).toBeCloseTo(at(x + 4, y + 4))
})

/** Slopes with noise that move, as a film has them. */
function film(): Sequence {
  const [width, height] = [160, 100]
  let seed = 11
  const noise = () => ((seed = (seed * 48271) % 2147483647) / 2147483647 - 0.5) * 12
  const frames = Array.from({ length: 5 }, (_, t) => {
    const data = new Uint8ClampedArray(width * height * 4)
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i += 4) {
        const u = (x + t * 3) / 30
        data[i] = 120 + 90 * Math.sin(u) + noise()
        data[i + 1] = 110 + 70 * Math.sin(u + y / 25) + noise()
        data[i + 2] = 90 + 60 * Math.cos(y / 18 - u) + noise()
        data[i + 3] = 255
      }
    return { data, delay: 80 }
  })
  return { width, height, loop: 0, frames }
}

test('at the likeness of another encoder (gifenc) a film takes less than nine tenths of its bytes', () => {
  const source = film()
  const { applyPalette, GIFEncoder, quantize } = gifenc
  const alike = alikeTo(source)
  const encoder = GIFEncoder()
  const shown = source.frames.map(({ data, delay }) => {
    const palette = quantize(data, 256)
    const numbers = applyPalette(data, palette)
    encoder.writeFrame(numbers, source.width, source.height, { palette, delay })
    return { data: Uint8Array.from([...numbers].flatMap((n) => [...palette[n]!.slice(0, 3), 255])), delay }
  })
  encoder.finish()
  const theirs = alike({ ...source, frames: shown })
  const { bytes, shown: ours } = writeGif(source, { colors: 128, loss: 33, dither: 'none' })
  const { mean, worst } = alike({ ...source, frames: ours })
  expect(mean).toBeGreaterThan(theirs.mean)
  expect(worst).toBeGreaterThan(theirs.worst)
  expect(bytes.length).toBeLessThan(0.9 * encoder.bytes().length)
})
