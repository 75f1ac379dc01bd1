import { expect, test, type APIRequestContext } from '@playwright/test'
import sharp from 'sharp'
import type { SafeFont } from '@/core/email/fonts'
import { plainOf } from '@/core/email/richtext'
import type { Autocut } from '@/core/cut/autocut'
import type { Cut, CutPlan } from '@/core/cut/plan'
import { compile } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import { plainHouseStyle } from '@/core/email/styles'
import { sceneOf, scenePng, type Scene } from '@/test-support/scenes'
import { thorough } from '@/test-support/samples'
import { saidIn, scoreOf, together } from '@/test-support/score'
import {
  accessible,
  clientWith,
  findAndRead,
  likeness,
  newJob,
  quiet,
  saved,
  type UploadedDesign,
} from './support'

/** The safe font of a scene, as a client's own house style would have it. */
const fontOf = (scene: Scene): SafeFont => {
  const font = scene.bands.flatMap((b) => b.parts).find((p) => p.words)!.words!.font
  return font.startsWith('Tinos') ? 'times' : font.startsWith('DejaVu') ? 'wide' : 'sans'
}
const jobFor = async (request: APIRequestContext, scene: Scene, design: UploadedDesign) =>
  newJob(
    request,
    scene.name,
    await clientWith(request, `Client of ${scene.name}`, fontOf(scene)),
    600,
    design,
  )
const svg = (scene: Scene) => ({
  name: 'design.svg',
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(scene.svg(2)),
})
const png = async (scene: Scene, scale: number) => ({
  name: 'design.png',
  mimeType: 'image/png',
  buffer: await scenePng(scene, scale),
})

/**
 * The first build against its design: found, built, shown at the design's width, nothing touched. SSIM by
 * ssim.js at its defaults. Seeds 9 and later were not looked at while the autocut and the build were tuned.
 */
const seeds = thorough ? Array.from({ length: 16 }, (_, i) => i + 1) : [1, 5, 9, 13]
for (const seed of seeds) {
  test(`the first build of scene ${seed} looks like its design: SSIM 0.90 or better, every band within 4 %`, async ({
    page,
    request,
  }) => {
    const scene = sceneOf(seed)
    const id = await jobFor(request, scene, svg(scene))
    const found = (await (await request.post(`/api/jobs/${id}/autocut`)).json()) as {
      edges: { y: number }[]
      panels: CutPlan['panels']
      cuts: Cut[]
    }
    const plan = {
      version: 2,
      built: {},
      cuts: found.cuts,
      edges: found.edges.map((e) => e.y),
      panels: found.panels,
    }
    expect((await request.put(`/api/jobs/${id}/cuts`, { data: { revision: 0, plan } })).status()).toBe(200)
    const built = await request.post(`/api/jobs/${id}/build`, { data: {}, timeout: 120_000 })
    expect(built.status()).toBe(200)
    const { email } = (await built.json()) as { email: Email }
    await page.setViewportSize({ width: 600, height: scene.height })
    await page.goto(`/api/jobs/${id}/html`)
    await quiet(page)
    const shot = await page.screenshot({ fullPage: true })
    const mssim = await likeness(shot, await scenePng(scene, 1), 600, scene.height)
    expect(mssim).toBeGreaterThanOrEqual(0.9)
    // Bands that share their ground may have been parted anywhere between them, so each is held against where
    // it was cut.
    const tops = [0, ...plan.edges, scene.height * 2].map((y) => y / 2)
    expect(email.bands.length).toBe(tops.length - 1)
    const height = (await sharp(shot).metadata()).height
    expect(Math.abs(height - scene.height) / scene.height).toBeLessThan(0.02)
    // Bands of one ground share a wrapper in what leaves: each is measured in one of its own, as the lenses have them.
    const house = plainHouseStyle()
    house.text.body.font = fontOf(scene)
    const src = (p: { id: string }) => `${new URL(page.url()).origin}/api/pictures/${p.id}`
    await page.setContent(compile(email, house, { src, marks: true, apart: true }))
    await quiet(page)
    const heights = await page.evaluate(
      (ids) => ids.map((id) => document.querySelector(`[data-m~="${id}"]`)!.getBoundingClientRect().height),
      email.bands.map((b) => b.id),
    )
    heights.forEach((h, i) => {
      const wanted = tops[i + 1]! - tops[i]!
      expect(Math.abs(h - wanted) / Math.max(50, wanted)).toBeLessThan(0.04)
    })
  })
}

const distance = (a: string, b: string): number => {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(next[j - 1]! + 1, row[j]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1))
    row = next
  }
  return row[b.length]!
}

for (const [seed, scale] of [
  [11, 2],
  ...(thorough
    ? ([
        [4, 2],
        [10, 1],
      ] as const)
    : []),
] as const) {
  test(`words are read off scene ${seed} at ${scale}x: at most 3 % wrong characters at body size`, async ({
    page,
    request,
  }) => {
    const scene = sceneOf(seed)
    const id = await jobFor(request, scene, await png(scene, scale))
    await findAndRead(page, id)
    const { plan } = (await (await request.get(`/api/jobs/${id}/cuts`)).json()) as { plan: CutPlan }
    let wrong = 0,
      all = 0
    for (const p of scene.bands.flatMap((b) => b.parts)) {
      if (!p.words || p.words.size < 15 || p.words.size > 18) continue
      const cut = plan.cuts.find(
        (c) =>
          c.kind === 'words' &&
          (p.x + p.w / 2) * scale >= c.x &&
          (p.x + p.w / 2) * scale < c.x + c.w &&
          (p.y + p.h / 2) * scale >= c.y &&
          (p.y + p.h / 2) * scale < c.y + c.h,
      )
      const truth = p.words.lines.join(' ')
      all += truth.length
      const said = cut?.words ? plainOf(cut.words).replace(/\s+/g, ' ') : ''
      // Where a cut holds more than this part, the part's own words are looked for in it.
      wrong += said.includes(truth) ? 0 : Math.min(truth.length, distance(truth, said))
    }
    expect(all).toBeGreaterThan(100)
    expect(wrong / all).toBeLessThanOrEqual(0.03)
  })
}

/**
 * Printed as PDF by a browser, a scene has its own words and fonts: both halves, the one tuned on and the one
 * not looked at.
 */
for (const [half, seeds] of [
  ...(thorough ? ([['looked at while tuning', [1, 2, 3, 4, 6, 7]]] as const) : []),
  ['not looked at', thorough ? [9, 10, 11, 12, 13, 14] : [9, 10, 11]],
] as const) {
  test(`as PDF, its words and parts are found: the half that was ${half}`, async ({ page, request }) => {
    const scores = []
    for (const seed of seeds) {
      const scene = sceneOf(seed)
      await page.setContent(
        `<style>@page { size: ${scene.width}px ${scene.height}px; margin: 0 } body { margin: 0 } svg { display: block }</style>${scene.svg(1)}`,
      )
      const pdf = await page.pdf({
        width: `${scene.width}px`,
        height: `${scene.height}px`,
        printBackground: true,
        pageRanges: '1',
      })
      const id = await jobFor(request, scene, {
        name: 'design.pdf',
        mimeType: 'application/pdf',
        buffer: pdf,
      })
      const found = (await (await request.post(`/api/jobs/${id}/autocut`)).json()) as Autocut
      scores.push(scoreOf(scene, found, 2, 0))
      const said = saidIn(found)
      for (const p of scene.bands.flatMap((b) => b.parts))
        if (p.words) expect(said).toContain(p.words.lines.join(' ').replace(/\s+/g, ' '))
        else if (p.button) expect(said).toContain(p.button.label)
    }
    const { bands, columns, parts, grounds } = together(scores)
    console.log(
      `PDF, ${half}: bands ${bands.toFixed(3)}, columns ${columns.toFixed(3)}, parts ${parts.toFixed(3)}, grounds ${grounds.toFixed(3)}`,
    )
    expect({
      bands: bands >= 0.98,
      columns: columns >= 0.95,
      parts: parts >= 0.9,
      grounds,
      misses: parts >= 0.9 ? [] : scores.flatMap((s) => s.misses),
    }).toEqual({ bands: true, columns: true, parts: true, grounds: 1, misses: [] })
  })
}

test('cutting by hand: trim, lock, align, order, colours, copy, pictures; every dialog passes axe', async ({
  page,
  request,
}) => {
  const scene = sceneOf(5)
  const id = await jobFor(request, scene, svg(scene))
  await page.goto(`/jobs/${id}?stage=cut`)
  await page.getByRole('button', { name: 'Find the parts' }).first().click()
  await expect(page.getByText(/parts found/)).toBeVisible({ timeout: 60_000 })
  const cuts = page.locator('[data-cut]')
  const read = async () => {
    await saved(page)
    return ((await (await request.get(`/api/jobs/${id}/cuts`)).json()) as { plan: CutPlan }).plan
  }

  // The words came with the file, once they are read.
  const firstWords = async () => (await read()).cuts.find((c) => c.kind === 'words')!
  await expect
    .poll(async () => (await firstWords()).words && plainOf((await firstWords()).words!))
    .toBe('Halden Rail')
  const first = await firstWords()
  // Locked, it is neither moved nor found anew.
  await page.locator(`[data-cut="${first.id}"]`).click()
  await page.keyboard.press('l')
  await page.keyboard.press('Shift+ArrowDown')
  expect((await read()).cuts.find((c) => c.id === first.id)).toMatchObject({ locked: true, y: first.y })
  await page.keyboard.press('l')
  await page.keyboard.press('t')
  await expect.poll(async () => (await read()).cuts.find((c) => c.id === first.id)!.h).toBeLessThan(first.h)
  // Order: later by one, and by place again.
  await page.keyboard.press('Control+ArrowDown')
  expect((await read()).order!.indexOf(first.id)).toBe(1)
  // Kind and link of several at once.
  const pictures = (await read()).cuts.filter((c) => c.kind === 'button')
  const entry = (id: string) => page.locator('[aria-label=Cuts] li button').nth(orderOf.indexOf(id))
  const orderOf = (await read()).order!
  await entry(pictures[0]!.id).click()
  for (const p of pictures.slice(1)) await entry(p.id).click({ modifiers: ['Control'] })
  await page.getByLabel('Link', { exact: true }).fill('https://halden.example/go')
  expect((await read()).cuts.filter((c) => c.link === 'https://halden.example/go')).toHaveLength(
    pictures.length,
  )

  // Colours of the design.
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Colours of the design' }).click()
  await expect(page.getByRole('dialog').getByText('#22382f')).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Escape')
  // A copy deck, offered in reading order.
  await page.getByRole('button', { name: 'Copy deck' }).click()
  await page
    .getByLabel('The copy')
    .fill('# The night train\n\nA line of copy\n\n[Take a berth](https://halden.example/berth)')
  await page.getByRole('button', { name: 'Offer it to the cuts' }).click()
  await expect(page.getByRole('dialog').getByLabel('Cut for piece 1')).not.toHaveValue('')
  await accessible(page)
  await page.getByRole('button', { name: 'Take it over' }).click()
  expect(
    (await read()).cuts.some(
      (c) =>
        c.kind === 'button' &&
        c.link === 'https://halden.example/berth' &&
        plainOf(c.words!) === 'Take a berth',
    ),
  ).toBe(true)
  // The weight of the pictures, with a budget and a chart.
  await page.getByRole('button', { name: 'Weight of the pictures' }).click()
  await expect(page.getByRole('img', { name: /Seconds to load/ })).toBeVisible()
  await page.getByLabel('Divider between design and file').fill('20')
  await accessible(page)
  await page.keyboard.press('Escape')
  // Phones get a part of a picture of its own: drawn, then set by number.
  const photo = (await read()).cuts.find((c) => c.kind === 'picture' && c.w > 300)!
  await page.locator(`[data-cut="${photo.id}"]`).press('Enter')
  await page.getByRole('button', { name: 'For narrow…' }).click()
  const box = (await page.getByLabel('Where it is taken from').boundingBox())!
  await page.mouse.move(box.x + 20, box.y + 10)
  await page.mouse.down()
  await page.mouse.move(box.x + 120, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await page.getByLabel('Width of the part, px').fill('240')
  await page.getByLabel('Width of the part, px').press('Enter')
  await accessible(page)
  await page.getByRole('button', { name: 'Use it on narrow' }).click()
  const part = (await read()).cuts.find((c) => c.id === photo.id)!.narrow!
  expect([part.of, part.w]).toEqual(['wide', 240])
  expect(part.x).toBeGreaterThan(photo.x)
  await expect(page.getByText(/On narrow/)).toBeVisible({ timeout: 20_000 })
  // A new version of the design.
  await page.getByRole('button', { name: 'Design and plan as files' }).click()
  await page.getByLabel('Replace it by a new version…').setInputFiles({
    name: 'new.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(scene.svg(2).replace('>Halden Rail<', '>Holden Mail<')),
  })
  await expect(page.getByText(/The design was replaced/)).toBeVisible({ timeout: 30_000 })
  await accessible(page)
  await page.keyboard.press('Escape')
  const flagged = (await read()).cuts.filter((c) => c.since)
  expect(flagged.length).toBeGreaterThan(0)
  expect(flagged.length).toBeLessThan((await cuts.count()) / 2)
  await page.getByRole('button', { name: 'Former' }).click()
  await expect(page.getByAltText(/The former design/)).toBeVisible()
})

test('looks of a page, the shelf and the plan files come through the routes', async ({ request }) => {
  const scene = sceneOf(7)
  const id = await jobFor(request, scene, svg(scene))
  await request.post(`/api/jobs/${id}/autocut`)
  const { clients } = (await (await request.get('/api/clients')).json()) as {
    clients: { id: string; name: string }[]
  }
  const client = clients.find((c) => c.name === 'Client of scene 7')!
  const found = (await (
    await request.post('/api/pages', {
      data: {
        html: '<body style="background:#faf5ea"><a style="background:#b4572f;color:#fff;padding:10px 20px;border-radius:5px" href="/">Go there</a></body>',
      },
    })
  ).json()) as { buttons: { value: { background: string } }[] }
  expect(found.buttons[0]!.value.background).toBe('#b4572f')
  expect((await request.post('/api/pages', { data: { address: 'http://127.0.0.1:1/' } })).status()).toBe(422)
  expect((await request.get(`/api/clients/${client.id}/pictures`)).status()).toBe(200)
  for (const as of ['json', 'svg', 'zip'])
    expect((await request.get(`/api/jobs/${id}/plan?as=${as}`)).status()).toBe(200)
})
