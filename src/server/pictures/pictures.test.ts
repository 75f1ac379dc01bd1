import { rmSync } from 'node:fs'
import sharp from 'sharp'
import { longEmail } from '@/test-support/emails'
import { asProblem } from '../as-problem'
import { createClient } from '../jobs/clients'
import { saveDocument } from '../jobs/documents'
import { createJob } from '../jobs/jobs'
import { compute } from '../pool'
import { emptyPng, ownData, sampleGif, samplePng } from '@/test-support/server'
import { ssim } from 'ssim.js'
import { photograph, photographs } from '@/test-support/photographs'
import { encodeCrop, LIKENESS, type Pixels } from './encode'
import { MOST_BYTES } from '../designs/board'
import { takeInDesign } from '@/test-support/server'
import { readPixels } from '../designs/pixels'
import { takeInPicture } from './take-in'
import { fileOf, pictureBytes, pictureInfo } from './store'
import { cropOf, storedSize } from './crops'

ownData()
const flat = () => sharp({ create: { width: 600, height: 300, channels: 3, background: '#b4572f' } })
const raw = async (png: Buffer) => {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { data, width: info.width, height: info.height }
}
/** SSIM by the reference library, of an encoded picture against the pixels it was made from. */
const likenessOf = async (bytes: Buffer, { data, width, height }: Pixels) =>
  ssim(
    { data: new Uint8ClampedArray(data), width, height } as never,
    { data: new Uint8ClampedArray((await raw(bytes)).data), width, height } as never,
  ).mssim

describe('designs are judged by their content', () => {
  test.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    ['an empty file', () => Buffer.alloc(0), /is empty \(0 bytes\)/],
    [
      'a text file named .png',
      () => Buffer.from('hello, I am a picture, trust me'),
      /is not a PNG, JPEG, WebP, AVIF, SVG or PDF/,
    ],
    ...(
      [
        ['png', 'a PNG'],
        ['jpeg', 'a JPEG'],
        ['webp', 'a WebP'],
        ['avif', 'an AVIF'],
      ] as const
    ).map(([format, said]): [string, () => Promise<Buffer>, RegExp] => [
      `a truncated ${format}`,
      async () => {
        const whole = await sharp(await samplePng(400, 300))
          .toFormat(format)
          .toBuffer()
        return whole.subarray(0, whole.length / 2)
      },
      new RegExp(`starts as ${said} but breaks off or is damaged`),
    ]),
    ['a picture of 30000 x 30000', () => emptyPng(30_000, 30_000), /30000 x 30000 px, 900 megapixels/],
    ['an animated GIF', sampleGif, /is animated \(2 frames\)/],
    [
      'an SVG',
      () =>
        Buffer.from(
          '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>',
        ),
      /holds SVG/,
    ],
  ])('%s is refused, and says why', async (_, make, why) => {
    const bytes = await make()
    await expect(readPixels(bytes, 'design.png')).rejects.toMatchObject({
      detail: expect.stringMatching(why),
    })
  })

  test('what is too heavy is refused before it is read', async () => {
    await expect(readPixels(Buffer.alloc(MOST_BYTES + 1), 'heavy.png')).rejects.toMatchObject({
      status: 413,
    })
  })

  test('PNG, JPEG, WebP and AVIF are kept as the same pixels, the same bytes once', async () => {
    const png = await samplePng(300, 200)
    const one = await takeInDesign(png, 'a.png')
    expect(await takeInDesign(png, 'b.png')).toEqual(one)
    expect((await raw(await pictureBytes(one.id))).data.equals((await raw(png)).data)).toBe(true)
    for (const bytes of [
      await sharp(png).jpeg().toBuffer(),
      await sharp(png).webp().toBuffer(),
      await sharp(png).avif({ effort: 0 }).toBuffer(),
    ])
      expect(await takeInDesign(bytes, 'x')).toMatchObject({ type: 'image/png', width: 300, height: 200 })
    expect(pictureInfo(one.id)).toEqual(one)
  })
})

test('a picture for the email keeps its bytes; what mail programs do not show is refused', async () => {
  const gif = await sampleGif()
  const kept = await takeInPicture(gif, 'a.gif')
  expect(kept).toMatchObject({ type: 'image/gif', width: 40, height: 30 })
  expect((await pictureBytes(kept.id)).equals(gif)).toBe(true)
  await expect(takeInPicture(await flat().webp().toBuffer(), 'a.webp')).rejects.toMatchObject({ status: 415 })
})

describe('a crop is encoded at no visible loss', () => {
  test('slopes of light as JPEG, keeping the likeness and no more', async () => {
    const pixels = await raw(await samplePng(800, 500, false))
    const out = await encodeCrop(pixels)
    expect(out.type).toBe('image/jpeg')
    expect(out.likeness).toBeGreaterThanOrEqual(LIKENESS)
    expect(await likenessOf(out.bytes, pixels)).toBeCloseTo(out.likeness, 3)
    const losslessly = await sharp(pixels.data, { raw: { width: 800, height: 500, channels: 4 } })
      .png()
      .toBuffer()
    expect(out.bytes.length).toBeLessThan(losslessly.length / 3)
  })

  test.each(photographs)(
    'a real photograph, the %s, becomes a JPEG like it by ssim.js, a good deal smaller than its PNG',
    async (name) => {
      const pixels = await raw(photograph(name))
      const out = await encodeCrop(pixels)
      expect(out.type).toBe('image/jpeg')
      expect(await likenessOf(out.bytes, pixels)).toBeGreaterThanOrEqual(LIKENESS - 0.0005)
      expect(out.bytes.length).toBeLessThan(
        (
          await sharp(pixels.data, { raw: { width: pixels.width, height: pixels.height, channels: 4 } })
            .png()
            .toBuffer()
        ).length / 3,
      )
    },
  )

  test('flat work as palette PNG, with its exact colours', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="600" height="300"><rect width="600" height="300" fill="#b4572f"/><circle cx="300" cy="150" r="90" fill="#f0cf98"/></svg>'
    const pixels = await raw(await sharp(Buffer.from(svg)).png().toBuffer())
    const out = await encodeCrop(pixels)
    expect(out.type).toBe('image/png')
    // Colour type 3: indexed (PNG, third edition, 11.2.1), the tenth byte of IHDR.
    expect(out.bytes[25]).toBe(3)
    const { data } = await sharp(out.bytes).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    expect([...data.subarray(0, 3)]).toEqual([0xb4, 0x57, 0x2f])
  })

  test('it shows the very pixels of its place, at double density where the design has them', async () => {
    const design = await takeInDesign(await samplePng(1200, 900), 'd.png')
    const rect = { x: 100, y: 200, w: 640, h: 301, ground: null }
    const { picture, likeness } = await cropOf(design.id, rect, 2)
    expect(picture).toMatchObject({ width: 640, height: 301 })
    const truth = await raw(
      await sharp(await pictureBytes(design.id))
        .extract({ left: 100, top: 200, width: 640, height: 301 })
        .png()
        .toBuffer(),
    )
    expect(await likenessOf(await pictureBytes(picture.id), truth)).toBeCloseTo(likeness, 3)
    expect(await cropOf(design.id, rect, 2, AbortSignal.abort())).toMatchObject({
      picture,
      likeness: expect.closeTo(likeness, 5),
    })
    expect([storedSize(rect, 1), storedSize(rect, 2), storedSize({ ...rect, w: 900, h: 300 }, 3)]).toEqual([
      { width: 640, height: 301 },
      { width: 640, height: 301 },
      { width: 600, height: 200 },
    ])
  })
})

/** The sampling factors of each component of a JPEG, from its frame header (ITU-T T.81, B.2.2). */
function samplingOf(jpeg: Buffer): number[] {
  for (let at = 2; at < jpeg.length;) {
    const [marker, length] = [jpeg.readUInt16BE(at), jpeg.readUInt16BE(at + 2)]
    if (marker === 0xffc0 || marker === 0xffc2)
      return Array.from({ length: jpeg[at + 9]! }, (_, i) => jpeg[at + 11 + 3 * i]!)
    at += 2 + length
  }
  throw new Error('no frame')
}

test('a JPEG keeps its colours whole and is never of a quality at which letters ring', async () => {
  const size = { width: 240, height: 160 }
  const { data } = await sharp(await samplePng(size.width, size.height))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const written = (quality: number) =>
    sharp(data, { raw: { ...size, channels: 4 } })
      .removeAlpha()
      .jpeg({ quality, mozjpeg: true, chromaSubsampling: '4:4:4' })
      .toBuffer()
  // However little likeness is asked for, 60 is the least (common practice, no source).
  const least = await encodeCrop({ data, ...size }, { format: 'jpeg', likeness: 0.1 })
  expect(least.bytes.equals(await written(60))).toBe(true)
  for (const likeness of [0.1, 0.98, 0.9999]) {
    const { bytes } = await encodeCrop({ data, ...size }, { format: 'jpeg', likeness })
    // 0x11: one sample across and down for each, so no component is halved.
    expect(samplingOf(bytes)).toEqual([0x11, 0x11, 0x11])
  }
})

test('a file that is not where it was kept is named, with what it is and where it is used', async () => {
  const picture = await takeInPicture(await samplePng(61, 43), 'hill.png')
  const { id: client } = createClient('Fennmoor')
  const job = createJob({ clientId: client, name: 'Sowing letter', width: 600 })
  const email = longEmail(1)
  const used = JSON.parse(JSON.stringify(email).replaceAll('a'.repeat(64), picture.id)) as typeof email
  saveDocument(job.id, 'email', 0, used)
  rmSync(fileOf(picture.id))
  const problem = asProblem(await pictureBytes(picture.id).catch((e: unknown) => e))
  expect(problem).toMatchObject({ status: 404, kind: 'file-missing' })
  expect(problem.detail).toMatch(/picture of 61 x 43 \(PNG, .*"Sowing letter"/)
  // From a process that computes, too.
  const crop = compute('cropPicture', { file: fileOf(picture.id), rect: { x: 0, y: 0, w: 9, h: 9 } })
  expect(asProblem(await crop.catch((e: unknown) => e))).toMatchObject({ kind: 'file-missing' })
  // The same bytes bring it back.
  await takeInPicture(await samplePng(61, 43), 'again.png')
  expect((await pictureBytes(picture.id)).length).toBeGreaterThan(0)
})
