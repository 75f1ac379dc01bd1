import { mkdtempSync, readFileSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type { AddressInfo } from 'node:net'
import { readGif } from '@/core/motion/gif/read'
import { writeGif } from '@/core/motion/gif/write'
import { countdownQuery } from '@/core/motion/countdown/query'
import { ownData, sampleGif } from '@/test-support/server'
import sharp from 'sharp'
import JSZip from 'jszip'
import { filmResponse, takeInFilm } from '../films/films'
import { pictureBytes } from '../pictures/store'
import { takeInPicture } from '../pictures/take-in'
import { countdownServer } from './countdown/alone'
import { openedCountdown } from './countdown/opened'
import { countdownZip } from './countdown/zip'

ownData()

/** A GIF of so many frames of 1 x 1. */
function manyFrames(n: number): Buffer {
  const { bytes } = writeGif({
    width: 1,
    height: 1,
    loop: 0,
    frames: [0, 255].map((v) => ({ data: Uint8Array.from([v, v, v, 255]), delay: 100 })),
  })
  // From the first control extension on to the end are the frames.
  const start = bytes.indexOf(0xf9) - 1
  const frames = bytes.subarray(start, bytes.length - 1)
  const all = Array.from({ length: n / 2 }, () => frames)
  return Buffer.concat([bytes.subarray(0, start), ...all, Buffer.from([0x3b])])
}

describe('moving pictures that are taken in', () => {
  test('a GIF stays as it is, and it is known how it moves', async () => {
    const gif = await sampleGif()
    const picture = await takeInPicture(gif, 'a.gif')
    expect(picture).toMatchObject({ type: 'image/gif', moving: { frames: 2, ms: 200, loop: 0 } })
    expect((await pictureBytes(picture.id)).equals(gif)).toBe(true)
  })

  test('an animated WebP becomes a GIF that shows the same for as long; the WebP is kept', async () => {
    const webp = await sharp(await sampleGif(), { animated: true })
      .webp({ lossless: true, loop: 3 })
      .toBuffer()
    const picture = await takeInPicture(webp, 'a.webp')
    expect(picture).toMatchObject({
      type: 'image/gif',
      width: 40,
      height: 30,
      moving: { frames: 2, ms: 200, loop: 3 },
    })
    expect((await pictureBytes(picture.moving!.of!)).equals(webp)).toBe(true)
    const pixels = (b: Buffer) => sharp(b, { animated: true }).removeAlpha().raw().toBuffer()
    expect((await pixels(await pictureBytes(picture.id))).equals(await pixels(webp))).toBe(true)
  })

  test('a WebP that stands still is not for emails', async () => {
    const still = await sharp({ create: { width: 4, height: 4, channels: 3, background: 'red' } })
      .webp()
      .toBuffer()
    await expect(takeInPicture(still, 'still.webp')).rejects.toMatchObject({ status: 415 })
  })

  test.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    ['a GIF that is cut off', async () => (await sampleGif()).subarray(0, 90), /cut off/],
    ['100,000 frames of 1 x 1', () => manyFrames(100_000), /more than 1000 frames/],
    [
      'a frame outside its screen',
      async () => {
        const gif = Buffer.from(await sampleGif())
        gif.writeUInt16LE(8, 6)
        return gif
      },
      /outside the picture/,
    ],
    [
      'frames that say they are huge',
      async () => {
        const gif = Buffer.from(await sampleGif())
        for (const at of [6, 8]) gif.writeUInt16LE(60_000, at)
        return gif
      },
      /./,
    ],
  ])('%s is refused in words, and the next one is taken', async (_, make, why) => {
    const before = process.memoryUsage.rss()
    await expect(takeInPicture(await make(), 'bad.gif')).rejects.toMatchObject({
      status: 415,
      detail: expect.stringMatching(why) as string,
    })
    expect(process.memoryUsage.rss() - before).toBeLessThan(1024 * 1048576)
    expect((await takeInPicture(await sampleGif(), 'good.gif')).moving).toBeDefined()
  })

  test('delays of nothing are taken as they are: readers choose their own', async () => {
    const gif = Buffer.from(await sampleGif())
    for (
      let at = gif.indexOf(Buffer.from([0x21, 0xf9, 4]));
      at >= 0;
      at = gif.indexOf(Buffer.from([0x21, 0xf9, 4]), at + 1)
    )
      gif.writeUInt16LE(0, at + 4)
    expect((await takeInPicture(gif, 'fast.gif')).moving).toMatchObject({ frames: 2, ms: 0 })
  })
})

describe('films', () => {
  const sent = async (bytes: Buffer, name: string) => {
    const { writeFileSync } = await import('node:fs')
    const path = join(mkdtempSync(join(tmpdir(), 'film-')), 'f')
    writeFileSync(path, bytes)
    return takeInFilm({ content: { path }, name })
  }
  const film = () => readFileSync('demo/designs/fennmoor-how-to.webm')

  test('are told by their content, kept once, and given piece by piece', async () => {
    const kept = await sent(film(), 'how-to.webm')
    expect(kept).toMatchObject({ type: 'video/webm', bytes: film().length })
    expect((await sent(film(), 'again.webm')).id).toBe(kept.id)
    const whole = filmResponse(kept.id, null)
    expect(whole.headers.get('accept-ranges')).toBe('bytes')
    expect(Buffer.from(await whole.arrayBuffer()).equals(film())).toBe(true)
    const part = filmResponse(kept.id, 'bytes=100-199')
    expect([part.status, part.headers.get('content-range')]).toEqual([206, `bytes 100-199/${film().length}`])
    expect(Buffer.from(await part.arrayBuffer()).equals(film().subarray(100, 200))).toBe(true)
    const last = filmResponse(kept.id, 'bytes=-10')
    expect(Buffer.from(await last.arrayBuffer()).equals(film().subarray(-10))).toBe(true)
    expect(filmResponse(kept.id, 'bytes=99999999-').status).toBe(416)
  })

  test('what is none is refused, whatever its name says', async () => {
    for (const bytes of [
      Buffer.from('GIF89a and more than sixteen bytes'),
      Buffer.alloc(0),
      Buffer.alloc(100),
    ])
      await expect(sent(bytes, 'film.mp4')).rejects.toMatchObject({ status: 415 })
    expect(() => filmResponse('0'.repeat(64), null)).toThrow()
  })
})

const query = (more: Record<string, string>) =>
  countdownQuery.parse({ w: '300', h: '80', g: '14202f', c: 'ffffff', over: 'Now', ...more })
const gifOf = async (r: Response | Promise<Response>) => new Uint8Array(await (await r).arrayBuffer())

describe('countdowns that are opened', () => {
  const now = Date.parse('2026-11-27T12:00:00.250Z')
  const to = { to: '2026-11-27T13:00', in: 'Europe/London' }

  test('are right to the second, are kept by nobody, and ask again', async () => {
    const answer = await openedCountdown(query(to), now)
    expect(answer.headers.get('content-type')).toBe('image/gif')
    expect(answer.headers.get('cache-control')).toMatch(/no-store/)
    const { frames } = readGif(await gifOf(answer))
    expect(frames).toHaveLength(60)
    // 0.25 s of the first second are over.
    expect(frames[0]!.delay).toBe(750)
    const same = await gifOf(openedCountdown(query(to), now))
    expect(Buffer.from(same).equals(Buffer.from(await gifOf(openedCountdown(query(to), now))))).toBe(true)
  })

  test('show the end once it is over', async () => {
    expect(readGif(await gifOf(openedCountdown(query(to), now + 3_600_000))).frames).toHaveLength(1)
    expect(readGif(await gifOf(openedCountdown(query(to), now + 3_598_000))).frames.length).toBe(3)
  })

  test('a span is counted from the first opening of each key, also after a restart', async () => {
    const span = { span: '60' }
    const frames = async (key: string, at: number) =>
      readGif(await gifOf(openedCountdown(query({ ...span, key }), at))).frames.length
    expect(await frames('ada', now)).toBe(61)
    expect(await frames('ada', now + 50_000)).toBe(11)
    expect(await frames('bo', now + 50_000)).toBe(61)
    expect(await frames('ada', now + 90_000)).toBe(1)
  })

  test('without an end that there is, it says so', async () => {
    const ends: Record<string, string>[] = [
      {},
      { to: 'soon', in: 'UTC' },
      { to: '2026-11-27T13:00', in: 'Mars/Olympus' },
    ]
    for (const bad of ends)
      await expect(openedCountdown(query(bad), now)).rejects.toMatchObject({ status: 422 })
  })
})

describe('the server of countdowns that is hosted elsewhere', () => {
  test('answers as the app does, and remembers openings', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'alone-'))
    symlinkSync(resolve('node_modules/@fontsource'), join(folder, 'fonts'))
    let now = Date.parse('2026-11-27T12:00:00Z')
    const open = async (search: string) => {
      // Each time another server: what it knows it has from its file.
      const server = countdownServer(folder, () => now)
      await new Promise<void>((go) => server.listen(0, '127.0.0.1', go))
      const { port } = server.address() as AddressInfo
      const answer = await fetch(`http://127.0.0.1:${port}/countdown.gif?${search}`)
      const body = new Uint8Array(await answer.arrayBuffer())
      server.close()
      return { status: answer.status, body }
    }
    const to = 'w=300&h=80&g=14202f&c=ffffff&over=Now&to=2026-11-27T13:00&in=Europe/London'
    const ours = await gifOf(openedCountdown(query({ to: '2026-11-27T13:00', in: 'Europe/London' }), now))
    expect(Buffer.from((await open(to)).body).equals(Buffer.from(ours))).toBe(true)
    const span = 'w=300&h=80&span=60&key=ada'
    expect(readGif((await open(span)).body).frames).toHaveLength(61)
    now += 55_000
    expect(readGif((await open(span)).body).frames).toHaveLength(6)
    const bad = await open('w=300&h=80&to=2026-11-27T13:00&in=Nowhere')
    expect([bad.status, new TextDecoder().decode(bad.body)]).toEqual([
      400,
      expect.stringContaining('no time zone'),
    ])
  })

  test('comes as a ZIP with all that it needs', async () => {
    const script = '../../../scripts/build-worker.mjs'
    const { buildCountdown } = (await import(script)) as { buildCountdown: () => Promise<void> }
    await buildCountdown()
    const zip = await JSZip.loadAsync(await countdownZip())
    expect(Object.keys(zip.files)).toEqual(
      expect.arrayContaining([
        'README.md',
        'countdown.mjs',
        'package.json',
        'fonts/ibm-plex-sans/files/ibm-plex-sans-latin-600-normal.woff2',
        'fonts/ibm-plex-sans-hebrew/files/ibm-plex-sans-hebrew-hebrew-600-normal.woff2',
      ]),
    )
    const { dependencies } = JSON.parse(await zip.file('package.json')!.async('string')) as {
      dependencies: Record<string, string>
    }
    // Nothing that the bundle asks for is missing.
    const code = await zip.file('countdown.mjs')!.async('string')
    const asked = [...code.matchAll(/^import .* from "([^"]+)"/gm)]
      .map((m) => m[1]!)
      .filter((n) => !n.startsWith('node:'))
    for (const name of asked) expect(Object.keys(dependencies)).toContain(name)
  })
})
