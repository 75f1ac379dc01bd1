import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { isApng, readApng } from './apng'
import { countdownQuery, designOf } from './countdown/query'
import { leftOf } from './countdown/open'
import { GifError, MOST_FRAMES, readGif } from './gif/read'
import { writeGif } from './gif/write'
import { motionSchema } from './schema'
import type { Frame } from './sequence'

/* What comes from outside: whatever it is, it is read within bounds, or refused in words. */

const frame = (v: number): Frame => ({
  data: new Uint8Array(16 * 8 * 4).fill(v).map((b, i) => (i % 4 === 3 ? 255 : b)),
  delay: 80,
})
const whole = writeGif({ width: 16, height: 8, loop: 0, frames: [10, 90, 200].map(frame) }).bytes

/** A file with some of its bytes changed. */
const changed = (bytes: Uint8Array) =>
  fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { minLength: 1, maxLength: 12 }).map((at) => {
    const out = Uint8Array.from(bytes)
    for (const [i, v] of at) out[i] = v
    return out
  })

test('a GIF with any of its bytes changed is read, or refused in words; never more than there is', () => {
  fc.assert(
    fc.property(changed(whole), (bytes) => {
      try {
        const { frames, width, height } = readGif(bytes)
        expect(frames.length).toBeGreaterThan(0)
        expect(frames.length).toBeLessThanOrEqual(MOST_FRAMES)
        for (const f of frames) {
          expect(f.x + f.width).toBeLessThanOrEqual(width)
          expect(f.y + f.height).toBeLessThanOrEqual(height)
          expect(f.bytes).toBeLessThanOrEqual(bytes.length)
        }
      } catch (error) {
        expect(error).toBeInstanceOf(GifError)
        expect((error as Error).message).toMatch(/^[A-Z].*\.$/)
      }
    }),
    { numRuns: samples(600) },
  )
})

test('any bytes at all are no GIF and no animated PNG, or are read', () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ maxLength: 400 }),
      fc.constantFrom('', 'GIF89a', '\x89PNG\r\n\x1a\n'),
      (tail, head) => {
        const bytes = Uint8Array.from([...[...head].map((c) => c.charCodeAt(0)), ...tail])
        expect(() => {
          try {
            readGif(bytes)
          } catch (error) {
            if (!(error instanceof GifError)) throw error
          }
        }).not.toThrow()
        expect(() => readApng(bytes)).not.toThrow()
        expect(() => isApng(bytes)).not.toThrow()
      },
    ),
    { numRuns: samples(400) },
  )
})

test('the address of a countdown: whatever stands in it, sizes and words stay within bounds, or it is refused', () => {
  const value = fc.oneof(
    fc.string({ maxLength: 200 }),
    fc.constantFrom('1e9', '-1', 'NaN', '0x10', '99999999999', '', '🌒'.repeat(80), '<script>', 'dhmsdhms'),
  )
  const keys = [
    'to',
    'in',
    'span',
    'key',
    'w',
    'h',
    'x',
    'u',
    'l',
    'rtl',
    'f',
    'c',
    'lc',
    'g',
    'b',
    'r',
    'over',
  ] as const
  fc.assert(
    fc.property(fc.record(Object.fromEntries(keys.map((k) => [k, value])), { requiredKeys: [] }), (asked) => {
      const read = countdownQuery.safeParse(asked)
      if (!read.success) return
      const d = designOf(read.data)
      expect(d.width * d.density * d.height * d.density).toBeLessThanOrEqual(1200 * 2 * 400 * 2)
      expect(d.units.length).toBeGreaterThan(0)
      expect(d.over.length + d.labels.join('').length).toBeLessThanOrEqual(240)
      try {
        expect(leftOf(read.data, 0, () => 0)).toBeGreaterThanOrEqual(0)
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError)
      }
    }),
    { numRuns: samples(400) },
  )
})

test('what does not describe a moving picture is not stored as one', () => {
  const good = {
    made: {
      kind: 'strip',
      pictures: [{ id: 'a'.repeat(64), type: 'image/png', width: 4, height: 4, bytes: 9 }],
      frames: [{ of: 0, page: 0, delay: 100 }],
    },
    height: 40,
    density: 1,
    rate: 12,
    loop: 0,
    speed: 1,
    colors: 128,
    dither: 'none',
    loss: 0,
    budget: 400_000,
  }
  expect(motionSchema.safeParse(good).success).toBe(true)
  const bad: object[] = [
    { ...good, rate: 0 },
    { ...good, rate: Infinity },
    { ...good, colors: 1 },
    { ...good, height: 1e9 },
    { ...good, made: { kind: 'strip', pictures: [], frames: [] } },
    { ...good, made: { ...good.made, frames: Array.from({ length: 401 }, () => good.made.frames[0]) } },
    { ...good, made: { kind: 'spell' } },
    { ...good, made: { ...good.made, kind: 'headline' } },
    { ...good, trim: { from: -1, to: 5 } },
    { ...good, density: 40 },
  ]
  for (const motion of bad) expect(motionSchema.safeParse(motion).success).toBe(false)
})
