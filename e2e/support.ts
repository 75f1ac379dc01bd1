import AxeBuilder from '@axe-core/playwright'
import { expect, type APIRequestContext, type Page } from '@playwright/test'
import sharp from 'sharp'
import { ssim } from 'ssim.js'
import type { SafeFont } from '@/core/email/fonts'
import { plainHouseStyle } from '@/core/email/styles'

/** The id of a demo job. */
export async function jobId(request: APIRequestContext, name: string): Promise<string> {
  const { jobs } = (await (await request.get('/api/jobs')).json()) as { jobs: { id: string; name: string }[] }
  const job = jobs.find((j) => j.name === name)
  if (!job) throw new Error(`The demo has no job ${name}`)
  return job.id
}

/** A copy of a demo job, so that tests do not meet in one. */
export async function copyOf(request: APIRequestContext, name: string): Promise<string> {
  return (
    (await (await request.post(`/api/jobs/${await jobId(request, name)}/duplicate`)).json()) as { id: string }
  ).id
}

/** Waits until the bench has saved what was changed. */
export const saved = (page: Page) =>
  expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved', { timeout: 15_000 })

/**
 * Waits until the page and its frames have loaded nothing more for half a second, and every picture is there. Not
 * the browser's "network idle": the job's stream of events never ends, so that state comes only where the page is
 * slower to open the stream than the half second.
 */
export async function quiet(page: Page): Promise<void> {
  const loaded = async () => {
    const counts = page.frames().map((frame) =>
      frame
        .evaluate(() => [
          performance.getEntriesByType('resource').length,
          [...document.images].filter((i) => !i.complete).length,
        ])
        // A frame that goes while it is asked is a change.
        .catch(() => [Math.random(), 0]),
    )
    return JSON.stringify(await Promise.all(counts))
  }
  await expect(async () => {
    const before = await loaded()
    await page.waitForTimeout(500)
    expect(await loaded()).toBe(before)
    expect(JSON.parse(before).every(([, missing]: number[]) => missing === 0)).toBe(true)
  }).toPass({ timeout: 60_000, intervals: [0] })
}

/**
 * axe-core finds nothing against WCAG 2.2 A and AA. What the lenses show is the client's email, not the app.
 */
export async function accessible(page: Page): Promise<void> {
  // After a link within the app a page's name comes with the rest of it, a moment later than what is seen first.
  await expect(page).toHaveTitle(/./)
  // What fades in or out is of its own colours only once it is there.
  await page.waitForFunction(
    () => !document.getAnimations().some((a) => a instanceof CSSTransition && a.playState === 'running'),
  )
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    // The spine draws bands in true proportion, so thin ones are small targets; WCAG 2.2, 2.5.8 allows it
    // where another control does the same: the lens, and the keys J and K.
    .exclude('iframe')
    .exclude('[aria-label=Spine] [aria-pressed]')
    .analyze()
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

/** A new client whose house style has one font throughout. */
export async function clientWith(request: APIRequestContext, name: string, font: SafeFont): Promise<string> {
  const house = plainHouseStyle()
  for (const t of Object.values(house.text)) t.font = font
  house.button.font = font
  return ((await (await request.post('/api/clients', { data: { name, house } })).json()) as { id: string }).id
}

export interface UploadedDesign {
  name: string
  mimeType: string
  buffer: Buffer
}

/** The id of a new job with a design. @param width of the email, px */
export async function newJob(
  request: APIRequestContext,
  name: string,
  clientId: string,
  width: number,
  design: UploadedDesign,
): Promise<string> {
  const made = await request.post('/api/jobs', {
    multipart: { clientId, name, width: String(width), design },
  })
  expect(made.status()).toBe(201)
  return ((await made.json()) as { id: string }).id
}

/** Finds the parts in the running app and takes all words read off the picture. */
export async function findAndRead(page: Page, id: string): Promise<void> {
  await page.goto(`/jobs/${id}?stage=cut`)
  await page.getByRole('button', { name: 'Find the parts' }).first().click()
  await expect(page.getByText(/parts found/)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: /^Read the words of/ }).click()
  await expect(page.getByText(/Look each proposal over/)).toBeVisible({ timeout: 120_000 })
  await page.getByRole('button', { name: /^Take \d+ readings/ }).click()
  await saved(page)
}

/**
 * SSIM, by ssim.js at its defaults, of a screenshot and a design at one size; what a page is too short for
 * counts as grey. px
 */
export async function likeness(shot: Buffer, design: Buffer, width: number, height: number): Promise<number> {
  const raw = async (b: Buffer) => ({
    data: new Uint8ClampedArray(
      await sharp(b).extract({ left: 0, top: 0, width, height }).ensureAlpha().raw().toBuffer(),
    ),
    width,
    height,
  })
  const tall = await sharp(shot).extend({ bottom: 2000, background: '#888888' }).png().toBuffer()
  return ssim((await raw(tall)) as never, (await raw(design)) as never).mssim
}
