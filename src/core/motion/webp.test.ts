import fc from 'fast-check'
import sharp from 'sharp'
import { animatedWebp, changedPatch, type WebpFrame } from './webp'

const [W, H] = [40, 30]

/** A picture of one colour with a square in another. */
function drawn(ground: number[], square: number[], x: number, y: number, side: number): Uint8Array {
  const data = new Uint8Array(W * H * 4)
  for (let j = 0; j < H; j++)
    for (let i = 0; i < W; i++)
      data.set(i >= x && i < x + side && j >= y && j < y + side ? square : ground, 4 * (j * W + i))
  return data
}

/** Frames as an animated WebP, each still by sharp without loss. */
async function written(
  pictures: readonly Uint8Array[],
  ms: readonly number[],
  loop: number,
): Promise<Uint8Array> {
  const frames: WebpFrame[] = []
  for (const [i, data] of pictures.entries()) {
    const patch = changedPatch({ width: W, height: H }, pictures[i - 1] ?? null, data)!
    const still = await sharp(data, { raw: { width: W, height: H, channels: 4 } })
      .extract({ left: patch.x, top: patch.y, width: patch.w, height: patch.h })
      .webp({ lossless: true, exact: true })
      .toBuffer()
    frames.push({ ...patch, ms: ms[i]!, still })
  }
  return animatedWebp({ width: W, height: H, loop }, frames)
}

// Read back by libwebp, through sharp.
test('frames come back as they were, with their times and rounds; each holds only what changed', async () => {
  const pictures = [
    drawn([250, 240, 220, 255], [180, 70, 40, 255], 3, 5, 8),
    drawn([250, 240, 220, 255], [180, 70, 40, 255], 4, 5, 8),
    drawn([250, 240, 220, 255], [30, 60, 90, 128], 20, 11, 9),
  ]
  const bytes = await written(pictures, [100, 250, 1000], 3)
  const read = sharp(bytes, { animated: true })
  expect(await read.metadata()).toMatchObject({
    format: 'webp',
    width: W,
    pages: 3,
    pageHeight: H,
    loop: 3,
    delay: [100, 250, 1000],
    hasAlpha: true,
  })
  const { data } = await read.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  expect(data.equals(Buffer.concat(pictures))).toBe(true)
  expect(new DataView(bytes.buffer).getUint32(4, true)).toBe(bytes.length - 8)
})

test('what changes is found, whatever it is; two frames alike change nothing', () => {
  const place = fc.record({ x: fc.integer({ min: 0, max: W - 1 }), y: fc.integer({ min: 0, max: H - 1 }) })
  fc.assert(
    fc.property(fc.array(place, { minLength: 1, maxLength: 5 }), (places) => {
      const before = drawn([9, 9, 9, 255], [9, 9, 9, 255], 0, 0, 1)
      const now = before.slice()
      for (const { x, y } of places) now[4 * (y * W + x)] = 200
      const patch = changedPatch({ width: W, height: H }, before, now)!
      expect([patch.x % 2, patch.y % 2]).toEqual([0, 0])
      for (const { x, y } of places) {
        expect(x >= patch.x && x < patch.x + patch.w).toBe(true)
        expect(y >= patch.y && y < patch.y + patch.h).toBe(true)
      }
      expect(patch.x + patch.w).toBe(Math.max(...places.map((p) => p.x)) + 1)
      expect(patch.y + patch.h).toBe(Math.max(...places.map((p) => p.y)) + 1)
      expect(changedPatch({ width: W, height: H }, now, now)).toBeNull()
    }),
  )
})

test('what is no WebP is refused', () => {
  const frame = { x: 0, y: 0, w: W, h: H, ms: 100, still: new Uint8Array(40) }
  expect(() => animatedWebp({ width: W, height: H, loop: 0 }, [frame])).toThrow(SyntaxError)
})
