import { crc32 } from 'node:zlib'
import sharp from 'sharp'
import { readMoving } from '@/server/motion/read'
import { animatedPng, isApng, readApng } from './apng'

const chunk = (type: string, data: Uint8Array): Buffer => {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  sum.writeUInt32BE(crc32(body))
  return Buffer.concat([length, body, sum])
}
const chunksOf = (png: Buffer): { type: string; data: Buffer }[] => {
  const out = []
  for (let at = 8; at < png.length;) {
    const length = png.readUInt32BE(at)
    out.push({ type: png.toString('latin1', at + 4, at + 8), data: png.subarray(at + 8, at + 8 + length) })
    at += 12 + length
  }
  return out
}
const square = (color: string, width: number, height: number) =>
  sharp({ create: { width, height, channels: 4, background: color } })
    .png()
    .toBuffer()

interface Part {
  color: string
  x?: number
  w?: number
  dispose?: number
  blend?: number
}

/** An animated PNG of squares, 20 x 10, put together chunk by chunk (PNG third edition, 11.3.6). */
async function apng(parts: Part[]): Promise<Buffer> {
  const first = chunksOf(await square(parts[0]!.color, 20, 10))
  const out = [Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]), chunk('IHDR', first[0]!.data)]
  const control = Buffer.alloc(8)
  control.writeUInt32BE(parts.length, 0)
  control.writeUInt32BE(2, 4)
  out.push(chunk('acTL', control))
  let n = 0
  for (const [i, { color, x = 0, w = 20, dispose = 0, blend = 0 }] of parts.entries()) {
    const frame = Buffer.alloc(26)
    ;[n++, w, 10, x, 0].forEach((v, k) => frame.writeUInt32BE(v, k * 4))
    frame.writeUInt16BE(1, 20)
    frame.writeUInt16BE(4, 22)
    frame[24] = dispose
    frame[25] = blend
    out.push(chunk('fcTL', frame))
    for (const { type, data } of chunksOf(await square(color, w, 10)))
      if (type === 'IDAT') {
        const number = Buffer.alloc(4)
        if (i) number.writeUInt32BE(n++)
        out.push(i ? chunk('fdAT', Buffer.concat([number, data])) : chunk('IDAT', data))
      }
  }
  out.push(chunk('IEND', Buffer.alloc(0)))
  return Buffer.concat(out)
}

test('is parted into whole PNGs, with what is said of each frame', async () => {
  const bytes = await apng([{ color: '#ff0000' }, { color: '#0000ff', x: 5, w: 10, blend: 1 }])
  expect(isApng(bytes)).toBe(true)
  const read = readApng(bytes)!
  expect(read).toMatchObject({ width: 20, height: 10, loop: 2 })
  expect(read.frames.map(({ png: _, ...f }) => f)).toEqual([
    { x: 0, y: 0, width: 20, height: 10, delay: 250, dispose: 0, replaces: true },
    { x: 5, y: 0, width: 10, height: 10, delay: 250, dispose: 0, replaces: false },
  ])
  for (const f of read.frames) expect((await sharp(f.png).metadata()).width).toBe(f.width)
})

test('frames are laid onto each other as they ask: over, in place of, cleared, brought back', async () => {
  const at = (data: Uint8Array | Uint8ClampedArray, x: number) => [...data.slice(x * 4, x * 4 + 4)]
  const [red, blue, clear, mixed] = [
    [255, 0, 0, 255],
    [0, 0, 255, 255],
    [0, 0, 0, 0],
    [128, 0, 128, 255],
  ]
  const over = await readMoving(
    await apng([{ color: '#ff0000' }, { color: '#0000ff80', x: 5, w: 10, blend: 1 }]),
  )
  expect(at(over.frames[1]!.data, 7).map((v, i) => Math.abs(v - mixed[i]!) < 3)).toEqual([
    true,
    true,
    true,
    true,
  ])
  expect(at(over.frames[1]!.data, 1)).toEqual(red)
  const places = await readMoving(await apng([{ color: '#ff0000' }, { color: '#00000000', x: 5, w: 10 }]))
  expect(at(places.frames[1]!.data, 7)).toEqual(clear)
  const cleared = await readMoving(
    await apng([
      { color: '#ff0000' },
      { color: '#0000ff', x: 5, w: 10, dispose: 1 },
      { color: '#0000ff', x: 0, w: 2 },
    ]),
  )
  expect(at(cleared.frames[2]!.data, 7)).toEqual(clear)
  expect(at(cleared.frames[2]!.data, 18)).toEqual(red)
  const back = await readMoving(
    await apng([
      { color: '#ff0000' },
      { color: '#0000ff', x: 5, w: 10, dispose: 2 },
      { color: '#0000ff', x: 0, w: 2 },
    ]),
  )
  expect(at(back.frames[2]!.data, 7)).toEqual(red)
  expect(at(back.frames[2]!.data, 1)).toEqual(blue)
})

test('what is no animated PNG is none, and one that is cut off loses only what is missing', async () => {
  expect(readApng(await square('#ff0000', 4, 4))).toBeNull()
  expect(readApng(Buffer.from('GIF89a'))).toBeNull()
  const whole = await apng([{ color: '#ff0000' }, { color: '#0000ff' }, { color: '#00ff00' }])
  for (let n = 0; n < whole.length; n += 7) {
    const read = readApng(whole.subarray(0, n))
    if (read) expect(read.frames.length).toBeLessThanOrEqual(3)
  }
})

test('stills are written as an animated PNG that reads back as they were, and whose first frame any reader of PNG shows', async () => {
  const stills = [
    { png: await square('#c0392b', 20, 10), x: 0, y: 0, ms: 120 },
    { png: await square('#2980b9', 6, 4), x: 3, y: 2, ms: 80 },
  ]
  const bytes = animatedPng(3, stills)
  const read = readApng(bytes)!
  expect(read).toMatchObject({ width: 20, height: 10, loop: 3 })
  expect(read.frames.map(({ x, y, width, height, delay }) => [x, y, width, height, delay])).toEqual([
    [0, 0, 20, 10, 120],
    [3, 2, 6, 4, 80],
  ])
  const raw = (png: Uint8Array) => sharp(png).raw().toBuffer()
  for (const [i, { png }] of stills.entries()) expect(await raw(read.frames[i]!.png)).toEqual(await raw(png))
  // libpng, through sharp, as a reader that knows still pictures only.
  expect(await raw(bytes)).toEqual(await raw(stills[0]!.png))
  // Sequence numbers of all control and data chunks count on (11.3.6.3).
  const numbers = chunksOf(Buffer.from(bytes)).flatMap((c) =>
    c.type === 'fcTL' || c.type === 'fdAT' ? [c.data.readUInt32BE(0)] : [],
  )
  expect(numbers).toEqual(numbers.map((_, i) => i))
  expect(chunksOf(Buffer.from(bytes)).map((c) => c.type)).toEqual(
    expect.arrayContaining(['IHDR', 'acTL', 'fcTL', 'IDAT', 'fdAT', 'IEND']),
  )
})

test('frames that keep their colours differently are refused', async () => {
  const plain = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#fff' } })
    .png()
    .toBuffer()
  const clear = await square('#fff', 4, 4)
  const at = { x: 0, y: 0, ms: 100 }
  expect(() =>
    animatedPng(0, [
      { png: clear, ...at },
      { png: plain, ...at },
    ]),
  ).toThrow(SyntaxError)
})
