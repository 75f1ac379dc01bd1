import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { photograph, photographs } from '@/test-support/photographs'
import { thorough } from '@/test-support/samples'
import { clientWith, findAndRead, likeness, newJob, quiet } from './support'

/**
 * Designs as people make them, drawn as web pages by this browser: cards with hairlines, quotations,
 * thumbnails, steps, tables, coupons. What reaches the app is one flat picture; parts are found and words
 * read in the running app, nothing else is touched. SSIM by ssim.js at its defaults.
 */
const pages = {
  outfitter: [640, 'sans'],
  concerts: [600, 'times'],
  receipt: [600, 'sans'],
  workshop: [640, 'wide'],
  bakery: [600, 'sans'],
} as const
type Page = keyof typeof pages
/** Every page at both sizes, and some as JPEG; in a run that is not thorough one of each sort. */
const all: { name: Page; scale: 1 | 2; jpeg?: number }[] = [
  ...(Object.keys(pages) as Page[]).flatMap((name) => ([2, 1] as const).map((scale) => ({ name, scale }))),
  { name: 'outfitter', scale: 2, jpeg: 80 },
  { name: 'workshop', scale: 1, jpeg: 80 },
  { name: 'receipt', scale: 2, jpeg: 70 },
]

const sent = thorough ? all : all.filter((_, i) => [1, 2, 11].includes(i))

/** A page with real photographs in the places it names P1 to P4. */
const pageOf = (name: string) =>
  readFileSync(join(process.cwd(), 'src/test-support/fixtures/pages', `${name}.html`), 'utf8').replace(
    /P([1-4])(?=[)\s>" ])/g,
    (_, n: string) =>
      `data:image/jpeg;base64,${photograph(photographs[([1, 0, 2, 3] as const)[Number(n) - 1]!]!).toString('base64')}`,
  )

for (const { name, scale, jpeg } of sent) {
  const [width, font] = pages[name],
    as = `${name} ${scale}x${jpeg ? `, JPEG ${jpeg}` : ''}`
  test(`a flat picture of ${as} becomes an email that looks like it`, async ({ page, browser, request }) => {
    const drawn = await browser.newPage({ viewport: { width, height: 400 }, deviceScaleFactor: scale })
    await drawn.setContent(pageOf(name))
    await drawn.evaluate(() => Promise.all([...document.images].map((i) => i.decode())))
    const design = await drawn.screenshot({ fullPage: true })
    await drawn.close()
    const id = await newJob(
      request,
      name,
      await clientWith(request, as, font),
      width,
      jpeg
        ? {
            name: `${name}.jpg`,
            mimeType: 'image/jpeg',
            buffer: await sharp(design).jpeg({ quality: jpeg }).toBuffer(),
          }
        : { name: `${name}.png`, mimeType: 'image/png', buffer: design },
    )
    await findAndRead(page, id)
    const built = await request.post(`/api/jobs/${id}/build`, { data: {}, timeout: 120_000 })
    expect(built.status()).toBe(200)
    await page.setViewportSize({ width, height: 800 })
    await page.goto(`/api/jobs/${id}/html`)
    await quiet(page)
    const shot = await page.screenshot({ fullPage: true })
    const height = Math.round((await sharp(design).metadata()).height / scale)
    const like = await likeness(
      shot,
      await sharp(design).resize(width, height, { kernel: 'cubic' }).png().toBuffer(),
      width,
      height,
    )
    console.log(
      `${as}: SSIM ${like.toFixed(3)}, height ${(await sharp(shot).metadata()).height} of ${height}`,
    )
    expect(Math.abs((await sharp(shot).metadata()).height - height) / height).toBeLessThan(0.02)
    expect(like).toBeGreaterThanOrEqual(0.9)
  })
}
