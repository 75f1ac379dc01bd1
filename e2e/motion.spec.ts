import { readApng } from '@/core/motion/apng'
import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { build } from 'esbuild'
import { ALL_FORMATS, BufferSource, EncodedPacketSink, Input } from 'mediabunny'
import sharp from 'sharp'
import type { Email } from '@/core/email/schema'
import type { TileOf } from '@/core/email/tile'
import { ssim } from '@/core/picture/ssim'
import { placesOf } from '@/core/email/walk'
import { accessible, copyOf, saved } from './support'

/** The pictures of a job's email, as the server has them. */
async function pictures(request: APIRequestContext, job: string): Promise<TileOf<'picture'>[]> {
  const { email } = (await (await request.get(`/api/jobs/${job}/email`)).json()) as { email: Email }
  return [...placesOf(email)].flatMap(({ tile }) => (tile.kind === 'picture' ? [tile] : []))
}
const bytesOf = async (request: APIRequestContext, id: string) =>
  (await request.get(`/api/pictures/${id}`)).body()

async function open(page: Page, job: string): Promise<void> {
  await page.goto(`/jobs/${job}?stage=motion`)
  await expect(page.locator('[aria-label="Moving pictures"]')).toBeVisible()
  await expect(page.locator('[aria-label="Wide lens"] iframe')).toBeVisible()
}
const made = (page: Page) => page.getByText(/frames, alike/)

test('words become a headline that changes; what it says is drawn at once, encoded by itself, and undone', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'How to sow a row')
  const before = (await pictures(request, job)).length
  await open(page, job)
  const frame = page.frameLocator('[aria-label="Wide lens"] iframe')
  const words = frame.getByText('How to sow a row')
  const headlineOf = page.getByRole('button', { name: 'Changing headline' })
  // The lens may still be coming to rest under the pointer.
  await expect(async () => {
    // What moves was brought into view; the words may lie above that.
    await words.scrollIntoViewIfNeeded()
    const box = (await words.boundingBox())!
    await page.mouse.click(box.x + 20, box.y + box.height / 2)
    await expect(headlineOf).toBeVisible({ timeout: 2000 })
  }).toPass({ timeout: 30_000 })
  await headlineOf.click()
  await expect(made(page)).toBeVisible({ timeout: 30_000 })
  await saved(page)
  const headline = async () => (await pictures(request, job)).find((p) => p.motion?.made.kind === 'headline')
  const first = (await headline())!
  expect(first.picture!.moving!.frames).toBeGreaterThan(2)
  expect(first.alt).toContain('How to sow a row')
  // Another decoder shows as many frames.
  expect((await sharp(await bytesOf(request, first.picture!.id), { animated: true }).metadata()).pages).toBe(
    first.picture!.moving!.frames,
  )
  await page.getByLabel('2', { exact: true }).fill('Peas first')
  await expect
    .poll(async () => (await headline())?.picture?.id, { timeout: 30_000 })
    .not.toBe(first.picture!.id)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await saved(page)
  await expect.poll(async () => (await pictures(request, job)).length).toBe(before)
})

test('the part that moves is dragged over its picture, and placed and sized by keys', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByRole('button', { name: /Gentle move/ }).click()
  const place = page.getByRole('button', { name: /^The part that moves:/ })
  const left = page.getByLabel('Left of the piece, px')
  await expect(left).toHaveValue('337')
  await place.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  await expect(left).toHaveValue('340')
  await page.keyboard.press('Shift+ArrowUp')
  await expect(page.getByLabel('Height of the piece, px')).toHaveValue('202')
  const box = (await place.boundingBox())!
  await page.mouse.move(box.x + 10, box.y + 10)
  await page.mouse.down()
  await page.mouse.move(box.x - 18, box.y + 10, { steps: 4 })
  await page.mouse.up()
  // 28 of 168 px, of a slot of 600.
  await expect(left).toHaveValue('240')
  await saved(page)
  const made = (await pictures(request, job)).flatMap((p) => p.motion?.made ?? [])
  expect(made.flatMap((m) => (m.kind === 'drift' ? [Math.round(m.at.x * 600)] : []))).toEqual([240])
})

test('the frames of a moving picture are dragged, and stepped, duplicated, moved, timed and taken out by keys', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  const raw = Buffer.concat([30, 90, 150].map((v) => Buffer.alloc(60 * 40 * 3, v)))
  const gif = await sharp(raw, { raw: { width: 60, height: 120, channels: 3, pageHeight: 40 } })
    .gif({ loop: 0, delay: [200, 300, 400] })
    .toBuffer()
  const [film] = (await pictures(request, job)).filter((p) => p.motion)
  await page.locator('[aria-label="Moving pictures"] li button').first().click()
  await page
    .locator('[aria-label="Moving pictures"] input[type=file]')
    .setInputFiles({ name: 'three.gif', mimeType: 'image/gif', buffer: gif })
  await expect(page.getByRole('button', { name: /^Frame 3, 400 ms/ })).toBeVisible({ timeout: 20_000 })
  await saved(page)
  // It took the film's place: what the tile says and where it leads stays.
  const replaced = (await pictures(request, job)).find((p) => p.id === film!.id)!
  expect([replaced.alt, replaced.link, replaced.width]).toEqual([film!.alt, film!.link, film!.width])
  expect(replaced.picture!.moving).toMatchObject({ frames: 3, ms: 900 })

  // By hand: the last is brought before the first.
  const frame = (of: RegExp) => page.getByRole('button', { name: of })
  await frame(/^Frame 3, 400 ms/).dragTo(frame(/^Frame 1, 200 ms/), { targetPosition: { x: 3, y: 20 } })
  await expect(frame(/^Frame 1, 400 ms/)).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(frame(/^Frame 3, 400 ms/)).toBeVisible()

  await page.getByRole('button', { name: /^Frame 1, / }).click()
  await page.getByRole('slider', { name: 'Playhead' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText(/0\.20 of 0\.9 s/)).toBeVisible()
  await page.keyboard.press('Alt+ArrowRight')
  await expect(page.getByRole('button', { name: /^Frame 1, 300 ms/ })).toBeVisible()
  await page.getByRole('button', { name: 'Duplicate the frames' }).click()
  await expect(page.getByRole('button', { name: /^Frame 2, / })).toBeVisible()
  await page.getByLabel('How long the chosen frames are shown, ms').fill('250')
  await page.keyboard.press('Escape')
  await expect
    .poll(async () => (await pictures(request, job)).find((p) => p.id === film!.id)?.picture?.moving?.ms, {
      timeout: 20_000,
    })
    .toBeGreaterThan(900)
  await page.getByRole('button', { name: 'Delete the frames' }).click()
  await saved(page)
})

test('a slot of which most never moves is split into stills and a stripe; what was said to be saved is', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByRole('button', { name: /Gentle move/ }).click()
  const offer = page.getByText(/As stills and a stripe that moves it has/)
  await expect(offer).toBeVisible({ timeout: 60_000 })
  const [, said, less] = /it has ([\d.]+) KB, ([\d.]+) KB less/.exec((await offer.textContent())!)!
  const before = await pictures(request, job)
  const whole = before.find((p) => p.motion?.made.kind === 'drift')!
  await page.getByRole('button', { name: 'Split it' }).click()
  const now = async () => {
    const all = await pictures(request, job)
    const at = all.findIndex((p) => p.id === whole.id)
    const parts = [all[at - 1]!, all[at]!, all[at + 1]!]
    return all[at]?.motion?.key && all.length === before.length + 2 ? parts : []
  }
  await expect.poll(async () => (await now()).length, { timeout: 60_000 }).toBe(3)
  const parts = await now()
  const bytes = parts.reduce((sum, p) => sum + p.picture!.bytes, 0)
  expect(Math.abs(bytes / 1024 - Number(said))).toBeLessThan(1)
  expect(Math.abs((whole.picture!.bytes - bytes) / 1024 - Number(less))).toBeLessThan(1)
  // As tall as it was, to the pixel, and as it looked.
  const files = await Promise.all(parts.map(async (p) => bytesOf(request, p.picture!.id)))
  const rows = await Promise.all(files.map((f) => sharp(f).removeAlpha().raw().toBuffer()))
  const joined = Buffer.concat(rows)
  const { width, height } = whole.picture!
  expect(joined.length).toBe(width * height * 3)
  const was = await sharp(await bytesOf(request, whole.picture!.id))
    .removeAlpha()
    .raw()
    .toBuffer()
  const rgba = (data: Buffer) =>
    sharp(data, { raw: { width, height, channels: 3 } })
      .ensureAlpha()
      .raw()
      .toBuffer()
  expect(
    ssim({ width, height, data: await rgba(was) }, { width, height, data: await rgba(joined) }),
  ).toBeGreaterThan(0.98)
  // At the seams rows follow each other as they did: no step that was not there.
  for (const y of [parts[0]!.picture!.height, height - parts[2]!.picture!.height]) {
    const step = (data: Buffer) => {
      let sum = 0
      for (let i = y * width * 3; i < (y + 1) * width * 3; i++) sum += data[i]! - data[i - width * 3]!
      return sum / (width * 3)
    }
    expect(Math.abs(step(joined) - step(was))).toBeLessThan(1.5)
  }
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await pictures(request, job)).length).toBe(before.length)
})

test('clips and captions are dragged on the strip, by an end or whole, and moved by keys', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  await page.locator('[aria-label="Moving pictures"] li button').first().click()
  const film = async () => {
    const kept = (await pictures(request, job)).flatMap((p) => p.motion?.made ?? [])
    return kept.find((m) => m.kind === 'film')!
  }
  const before = await film()
  const caption = page.getByRole('button', { name: /^Caption 1,/ })
  await caption.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Shift+ArrowRight')
  // Dragged by its middle, as far as a third of it is long.
  const box = (await caption.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + box.width / 3, y, { steps: 3 })
  await page.mouse.up()
  // The clip by its end.
  const clip = page.getByRole('button', { name: /^Clip 1,/ })
  const bar = (await clip.boundingBox())!
  await page.mouse.move(bar.x + bar.width - 2, bar.y + bar.height / 2)
  await page.mouse.down()
  await page.mouse.move(bar.x + bar.width * 0.75 - 2, bar.y + bar.height / 2, { steps: 3 })
  await page.mouse.up()
  await expect.poll(async () => (await film()).clips[0]!.to).toBeLessThan(before.clips[0]!.to - 200)
  const after = await film()
  expect(after.clips[0]!.from).toBe(before.clips[0]!.from)
  const long = (c: { from: number; to: number }) => c.to - c.from
  const [was, is] = [before.captions[0]!, after.captions[0]!]
  // A frame later, a frame longer, and a third of that further.
  const frame = long(is) - long(was)
  expect(frame).toBeGreaterThan(0)
  expect(Math.abs(is.from - was.from - frame - long(is) / 3)).toBeLessThan(frame)
  expect(is.says).toBe(was.says)
  await accessible(page)
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await film()).clips[0]!.to).toBe(before.clips[0]!.to)
})

/** A film whose pictures carry their numbers as twelve black and white stripes, made by the browser. */
async function numbered(page: Page, count: number, rate: number): Promise<Buffer> {
  const bundle = await build({
    stdin: {
      contents: "export { Output, WebMOutputFormat, BufferTarget, CanvasSource } from 'mediabunny'",
      resolveDir: process.cwd(),
    },
    bundle: true,
    format: 'iife',
    globalName: 'film',
    write: false,
  })
  await page.route('http://localhost/', (r) =>
    r.fulfill({ body: '<!doctype html>', contentType: 'text/html' }),
  )
  await page.goto('http://localhost/')
  await page.addScriptTag({ content: bundle.outputFiles[0]!.text })
  const text = await page.evaluate<string>(`(async () => {
    const canvas = new OffscreenCanvas(480, 270)
    const c = canvas.getContext('2d')
    const output = new film.Output({ format: new film.WebMOutputFormat(), target: new film.BufferTarget() })
    const source = new film.CanvasSource(canvas, { codec: 'vp8', bitrate: 2e6 })
    output.addVideoTrack(source, { frameRate: ${rate} })
    await output.start()
    for (let n = 0; n < ${count}; n++) {
      for (let bit = 0; bit < 12; bit++) {
        c.fillStyle = (n >> bit) & 1 ? '#ffffff' : '#000000'
        c.fillRect(bit * 40, 0, 40, 270)
      }
      await source.add(n / ${rate}, 1 / ${rate})
    }
    await output.finalize()
    return btoa(Array.from(new Uint8Array(output.target.buffer), (b) => String.fromCharCode(b)).join(''))
  })()`)
  return Buffer.from(text, 'base64')
}

/** The number painted in each frame of a moving picture: twelve stripes, a bit each. */
async function numbersIn(picture: Buffer): Promise<number[]> {
  const { data, info } = await sharp(picture, { animated: true })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const height = info.pageHeight!
  return Array.from({ length: info.height / height }, (_, f) => {
    let n = 0
    for (let bit = 0; bit < 12; bit++) {
      const x = Math.round((bit + 0.5) * (info.width / 12))
      const at = ((f * height + Math.round(height / 2)) * info.width + x) * 3
      if (data[at]! > 128) n |= 1 << bit
    }
    return n
  })
}

/** The moving picture of a film from its first second on, without the mark, which would lie over the stripes. @param to s */
async function clipOf(page: Page, request: APIRequestContext, job: string, to: number) {
  await page.getByLabel('a mark for playing').uncheck()
  await page.getByLabel('In, s').fill('99')
  await expect(page.getByText(/The film is only \d+\.\d\d s long/)).toBeVisible()
  await page.getByLabel('In, s').fill('1.00')
  await expect(page.getByText(/The film is only/)).toBeHidden()
  await page.getByLabel('Out, s').fill(`${to}.00`)
  const tile = async () => (await pictures(request, job)).find((p) => p.motion?.made.kind === 'film')
  const made = async () => {
    const t = await tile()
    const m = t?.motion?.made
    const whole = m?.kind === 'film' && m.clips[0]!.from === 1000 && m.clips[0]!.to === 1000 * to && !m.mark
    return whole && t?.motion?.key ? t.picture?.moving?.ms : 0
  }
  await expect.poll(made, { timeout: 60_000 }).toBe(1000 * (to - 1))
  return (await tile())!.picture!
}

// Made once by ffmpeg, as a telephone held sideways writes films: H.264 with frames out of order, AAC beside it, QuickTime, turned by 90 degrees.
test('a film as a camera writes it is shown upright, frame by frame', async ({ page, request }) => {
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  await page.locator('[aria-label="Moving pictures"] li button').first().click()
  await page.locator('[aria-label="Moving pictures"] input[type=file]').setInputFiles({
    name: 'turned.mov',
    mimeType: 'video/quicktime',
    buffer: await readFile('src/test-support/fixtures/films/turned.mov'),
  })
  await expect(page.getByText(/turned\.mov, 480 x 270, 3\.0 s/)).toBeVisible({ timeout: 60_000 })
  const picture = await clipOf(page, request, job, 2)
  const wanted = Array.from({ length: 10 }, (_, i) => 30 + i * 3)
  expect(await numbersIn(await bytesOf(request, picture.id))).toEqual(wanted)
})

test('a film is read picture by picture: those that come out carry the right numbers at the right times', async ({
  page,
  request,
}) => {
  const film = await numbered(page, 150, 30)
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  await page.locator('[aria-label="Moving pictures"] li button').first().click()
  await page
    .locator('[aria-label="Moving pictures"] input[type=file]')
    .setInputFiles({ name: 'numbers.webm', mimeType: 'video/webm', buffer: film })
  await expect(page.getByText(/numbers\.webm, 480 x 270, 5\.0 s/)).toBeVisible({ timeout: 20_000 })
  const picture = await clipOf(page, request, job, 3)
  // Ten a second of thirty, from the first second on.
  const wanted = Array.from({ length: 20 }, (_, i) => 30 + i * 3)
  expect(await numbersIn(await bytesOf(request, picture.id))).toEqual(wanted)

  // The same as files of other forms, read back by other software.
  const file = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ])
    return readFile(await download.path())
  }
  const webp = await file('Animated WebP')
  expect(await sharp(webp, { animated: true }).metadata()).toMatchObject({
    format: 'webp',
    delay: Array(20).fill(100),
    loop: picture.moving!.loop,
  })
  expect(await numbersIn(webp)).toEqual(wanted)
  const png = readApng(await file('Animated PNG'))!
  expect(png.frames.map((f) => f.delay)).toEqual(Array(20).fill(100))
  const track = (await new Input({
    source: new BufferSource(await file('Film')),
    formats: ALL_FORMATS,
  }).getPrimaryVideoTrack())!
  const times: number[] = []
  for await (const packet of new EncodedPacketSink(track).packets()) times.push(packet.timestamp)
  expect(times.sort((x, y) => x - y).map((t) => Math.round(t * 10))).toEqual(wanted.map((_, i) => i))
  expect(await track.computeDuration()).toBeCloseTo(2, 1)
  // The range of ITU-R BT.709-6, 3.5, said in the file.
  expect(await track.getColorSpace()).toMatchObject({ fullRange: false, matrix: 'bt709' })
  expect((await sharp(await file('First frame')).metadata()).format).toBe('png')
})

test('what is no film, or has no picture, says so, and the stage goes on', async ({ page, request }) => {
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  const input = page.locator('[aria-label="Moving pictures"] input[type=file]')
  await input.setInputFiles({
    name: 'film.mp4',
    mimeType: 'video/mp4',
    buffer: Buffer.from('no film at all, but text'),
  })
  await expect(page.getByText(/is not MP4, MOV or WebM/)).toBeVisible()
  // A file type box and nothing behind it (ISO/IEC 14496-12).
  const empty = Buffer.concat([
    Buffer.from([0, 0, 0, 24]),
    Buffer.from('ftypisom'),
    Buffer.alloc(4),
    Buffer.from('isommp41'),
  ])
  await input.setInputFiles({ name: 'cut-off.mp4', mimeType: 'video/mp4', buffer: empty })
  await expect(page.getByText(/This film cannot be read. Its index is missing/)).toBeVisible({
    timeout: 20_000,
  })
  await input.setInputFiles({ name: 'broken.gif', mimeType: 'image/gif', buffer: Buffer.from('GIF89a') })
  await expect(page.getByText(/is cut off/)).toBeVisible()
})

test('a countdown is made of a picture, and is live in the lens', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.locator('[aria-label="Moving pictures"] button', { hasText: 'Countdown' }).click()
  const img = page.frameLocator('[aria-label="Wide lens"] iframe').locator('img[src*="/api/countdown"]')
  await expect(img).toBeVisible()
  await page.getByRole('button', { name: /^Time zone:/ }).click()
  await page.getByPlaceholder(/Town, name or offset/).fill('+5:45')
  await page.getByRole('option', { name: /Kat/ }).click()
  await expect(img).toHaveAttribute('src', /in=Asia%2FKat/)
  await expect(page.getByRole('button', { name: /^Time zone: Asia.Kat.*UTC\+05:45/ })).toBeVisible()
  await page.getByLabel('Label of the days').fill('дней')
  await expect(img).toHaveAttribute('src', /%D0%B4%D0%BD%D0%B5%D0%B9/)
  await expect.poll(() => img.evaluate((e: HTMLImageElement) => e.naturalWidth)).toBeGreaterThan(0)
})

test('who asked for less movement sees the first frame, and a button that plays', async ({
  page,
  request,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const job = await copyOf(request, 'How to sow a row')
  await open(page, job)
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible({ timeout: 20_000 })
  await page.waitForTimeout(800)
  await expect(page.getByText(/0\.00 of/)).toBeVisible()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByText(/0\.00 of/)).toBeHidden()
})

for (const theme of ['plaster', 'slate'])
  test(`Motion passes axe in ${theme}`, async ({ page, request }) => {
    await page.addInitScript((t) => localStorage.setItem('mosaicus:theme', t), theme)
    for (const name of ['Eclipse night', 'How to sow a row']) {
      await open(page, await copyOf(request, name))
      await expect(page.getByRole('slider', { name: 'Playhead' })).toBeVisible({ timeout: 30_000 })
      await page.getByRole('button', { name: 'Stop', exact: true }).click()
      await accessible(page)
    }
  })

test('a story that is begun comes into view, fits its budget by itself, and stands still for those who ask for less motion', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  // Narrower than it is: searching for what fits takes as long as a picture is large.
  const { email, revision } = (await (await request.get(`/api/jobs/${job}/email`)).json()) as {
    email: Email
    revision: number
  }
  const tiles = [...placesOf(email)].flatMap(({ tile }) => (tile.kind === 'picture' ? [tile] : []))
  const hero = tiles.reduce((a, b) => (b.picture && b.picture.bytes > (a.picture?.bytes ?? 0) ? b : a))
  Object.assign(hero, { width: 380, percent: undefined })
  await request.put(`/api/jobs/${job}/email`, { data: { revision, email } })
  await open(page, job)
  const shown = page
    .frameLocator('[aria-label="Wide lens"] iframe')
    .locator(`img[src*="${hero.picture!.id}"]`)
  await shown.click({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Story of pictures' }).click()
  await expect(made(page).or(page.getByText('being made anew'))).toBeVisible()
  const told = page.getByRole('status').filter({ hasText: 'frames, alike' })
  const story = async () => (await pictures(request, job)).find((p) => p.motion?.made.kind === 'story')
  await expect
    .poll(
      async () => {
        const now = await story()
        return now?.motion?.key && now.picture!.bytes <= now.motion.budget
      },
      { timeout: 150_000, intervals: [500] },
    )
    .toBe(true)
  await expect(told).toBeVisible()
  const { picture: moving, stillPicture: still } = (await story())!
  expect(still).toMatchObject({ type: 'image/png', width: moving!.width, height: moving!.height })
  const slot = page.locator('[aria-label="Wide lens"] canvas').first()
  await expect(slot).toBeInViewport({ ratio: 0.5 })
  const source = page
    .frameLocator('[aria-label="Wide lens"] iframe')
    .locator(`source[media*=reduced-motion][srcset*="${still!.id}"]`)
  await expect(source).toHaveCount(1)
  // It was brought down to fit, not small from the start.
  const { loss, colors, density, rate } = (await story())!.motion!
  expect([loss, colors, density, rate]).not.toEqual([0, 128, 1, 8])
  // Beginning and fitting are one step.
  await page.keyboard.press('Control+z')
  await expect.poll(story).toBeUndefined()
})
