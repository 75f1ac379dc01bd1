import fc from 'fast-check'
import { decompressFrames, parseGIF } from 'gifuct-js'
import sharp from 'sharp'
import { samples } from '@/test-support/samples'
import type { Frame, Sequence } from '../sequence'
import { GifError, readGif } from './read'
import { hundredths, writeGif } from './write'

const solid = (w: number, h: number, at: (x: number, y: number) => readonly number[]): Uint8Array => {
  const data = new Uint8Array(w * h * 4)
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) data.set(at(x, y), (y * w + x) * 4)
  return data
}

/** What another decoder shows of a GIF, frame by frame (libvips, through sharp). */
async function shownBy(bytes: Uint8Array): Promise<Uint8Array[]> {
  const { data, info } = await sharp(bytes, { animated: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const size = info.width * (info.pageHeight ?? info.height) * 4
  return Array.from(
    { length: data.length / size },
    (_, i) => new Uint8Array(data.subarray(i * size, (i + 1) * size)),
  )
}

const square = (shift: number): Frame => ({
  data: solid(60, 40, (x, y) =>
    x >= shift && x < shift + 10 && y >= 10 && y < 20 ? [180, 75, 42, 255] : [234, 227, 213, 255],
  ),
  delay: 100,
})

test('two other decoders show every frame as it was meant, of few colours to the last pixel', async () => {
  const sequence: Sequence = { width: 60, height: 40, loop: 0, frames: [0, 5, 10, 30].map(square) }
  const { bytes } = writeGif(sequence)
  const shown = await shownBy(bytes)
  shown.forEach((data, i) =>
    expect(Buffer.from(data).equals(Buffer.from(sequence.frames[i]!.data))).toBe(true),
  )
  const parsed = parseGIF(bytes.slice().buffer)
  expect(parsed.lsd).toMatchObject({ width: 60, height: 40 })
  const frames = decompressFrames(parsed, true)
  expect(frames.map((f) => f.delay)).toEqual([100, 100, 100, 100])
  // Only what changes is written: the square before and after.
  expect(frames[1]!.dims).toEqual({ left: 0, top: 10, width: 15, height: 10 })
  expect(readGif(bytes)).toMatchObject({ width: 60, height: 40, loop: 0, frames: { length: 4 } })
})

test('what was shown is what the writer says, whatever is drawn, with loss and without', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.record({
        width: fc.integer({ min: 1, max: 40 }),
        height: fc.integer({ min: 1, max: 30 }),
        seed: fc.integer({ min: 1, max: 1e6 }),
        frames: fc.integer({ min: 1, max: 5 }),
        clear: fc.boolean(),
        colors: fc.constantFrom(2, 3, 16, 64, 256),
        dither: fc.constantFrom('none' as const, 'pattern' as const, 'diffused' as const),
        loss: fc.constantFrom(0, 20, 80),
      }),
      async ({ width, height, seed, frames, clear, ...settings }) => {
        let s = seed
        const random = () => (s = (s * 48271) % 2147483647) / 2147483647
        const sequence: Sequence = {
          width,
          height,
          loop: 3,
          frames: Array.from({ length: frames }, () => ({
            delay: 40,
            data: solid(width, height, () => [
              random() * 255,
              random() * 255,
              (random() * 4) | 0,
              clear && random() < 0.3 ? 0 : 255,
            ]),
          })),
        }
        const { bytes, shown } = writeGif(sequence, settings)
        const other = await shownBy(bytes)
        expect(other).toHaveLength(shown.length)
        other.forEach((data, i) => {
          const ours = shown[i]!.data
          for (let p = 0; p < data.length; p += 4) {
            if (data[p + 3] !== ours[p + 3]) throw new Error(`frame ${i}, pixel ${p / 4}: clear or not`)
            if (
              ours[p + 3] &&
              (data[p] !== ours[p] || data[p + 1] !== ours[p + 1] || data[p + 2] !== ours[p + 2])
            )
              throw new Error(`frame ${i}, pixel ${p / 4}`)
          }
        })
        if (shown.length > 1) expect(readGif(bytes).loop).toBe(3)
      },
    ),
    { numRuns: samples(60) },
  )
})

test('what is clear in the next frame is taken away', async () => {
  const dot = (x0: number): Frame => ({
    delay: 100,
    data: solid(20, 20, (x, y) =>
      x >= x0 && x < x0 + 5 && y > 5 && y < 10 ? [10, 20, 30, 255] : [0, 0, 0, 0],
    ),
  })
  const frames = [dot(2), dot(10), dot(3)]
  const shown = await shownBy(writeGif({ width: 20, height: 20, loop: 0, frames }).bytes)
  frames.forEach((f, i) => {
    for (let p = 3; p < f.data.length; p += 4) expect(shown[i]![p]).toBe(f.data[p])
  })
})

test('a pinned colour comes out exactly, whatever else there is', () => {
  const frames: Frame[] = [
    {
      delay: 100,
      data: solid(64, 64, (x, y) => (x < 4 ? [246, 241, 231, 255] : [x * 4, y * 4, (x * y) & 255, 255])),
    },
  ]
  const { shown } = writeGif(
    { width: 64, height: 64, loop: 0, frames },
    { colors: 16, dither: 'diffused', loss: 0, pinned: [0xf6f1e7] },
  )
  for (let y = 0; y < 64; y++)
    expect([...shown[0]!.data.subarray(y * 256, y * 256 + 3)]).toEqual([246, 241, 231])
})

test('delays are kept in sum, and none is shorter than readers keep', () => {
  expect(hundredths([33, 33, 34])).toEqual([3, 4, 3])
  expect(hundredths([5, 5])).toEqual([2, 2])
})

test('a GIF that is cut off, or no GIF, is refused in words wherever it is cut', () => {
  const { bytes } = writeGif({ width: 60, height: 40, loop: 0, frames: [0, 5].map(square) })
  for (let n = 0; n < bytes.length; n++) expect(() => readGif(bytes.subarray(0, n))).toThrow(GifError)
  expect(() => readGif(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toThrow(
    'no GIF',
  )
})
