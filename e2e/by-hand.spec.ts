import { expect, test, type Page } from '@playwright/test'
import { emptyPlan, type Cut } from '@/core/cut/plan'
import { copyOf, quiet, saved } from './support'

/** The demo's design with one cut across its first rows, and two more. */
async function opened(page: Page, request: Parameters<typeof copyOf>[0]): Promise<string> {
  const id = await copyOf(request, 'Winter timetable')
  const { revision } = (await (await request.get(`/api/jobs/${id}/cuts`)).json()) as { revision: number }
  const cuts = [
    [0, 1120],
    [1120, 560],
    [1680, 700],
    [2380, 600],
  ].map(([y, h], i): Cut => ({
    ...{ id: `cut${i}`, x: 0, y: y!, w: 1200, h: h!, kind: 'picture' },
    ...{ alt: null, link: '', words: null, ground: null },
  }))
  await request.put(`/api/jobs/${id}/cuts`, { data: { revision, plan: { ...emptyPlan(), cuts } } })
  await page.goto(`/jobs/${id}?stage=cut`)
  await expect(page.locator('[data-cut]')).toHaveCount(4)
  await quiet(page)
  return id
}

/** Drags on the design, px of it. */
async function drag(page: Page, from: [number, number], to: [number, number]) {
  const box = (await page.locator('[data-design]').boundingBox())!
  const zoom = box.width / 1200
  await page.mouse.move(box.x + from[0] * zoom, box.y + from[1] * zoom)
  await page.mouse.down()
  await page.mouse.move(box.x + to[0] * zoom, box.y + to[1] * zoom, { steps: 8 })
  await page.mouse.up()
}
const plan = async (page: Page, id: string) => {
  await saved(page)
  const { plan } = (await (await page.request.get(`/api/jobs/${id}/cuts`)).json()) as {
    plan: { cuts: Cut[] }
  }
  return plan.cuts.map(({ x, y, w, h }) => [x, y, w, h])
}

test('a cut is drawn within another, which gives way; nothing that is not chosen is moved; the lens stays', async ({
  page,
  request,
}) => {
  const id = await opened(page, request)
  const lens = page.getByRole('region', { name: 'The design with its cuts' })
  await lens.evaluate((e) => (e.scrollTop = 60))
  const cuts = page.locator('[data-cut]')
  await drag(page, [200, 350], [900, 700])
  await expect(cuts).toHaveCount(8)
  expect(await lens.evaluate((e) => e.scrollTop)).toBe(60)
  const now = await plan(page, id)
  expect(now.slice(-3)).toEqual([
    [0, 1120, 1200, 560],
    [0, 1680, 1200, 700],
    [0, 2380, 1200, 600],
  ])
  // The drawn one, within what the snapping allows, is chosen, and alone is moved by a drag.
  const drawn = now.find(([x, y]) => Math.abs(x! - 200) < 30 && Math.abs(y! - 350) < 30)!
  await expect(page.locator('[data-cut][aria-pressed=true]')).toHaveCount(1)
  expect(drawn[2]).toBeGreaterThan(640)
  // All of that is one step.
  await page.keyboard.press('Control+z')
  await expect(cuts).toHaveCount(4)
})

test('several are chosen by a frame or as a range, and undo lives through a reload', async ({
  page,
  request,
}) => {
  const id = await opened(page, request)
  const chosen = page.locator('[data-cut][aria-pressed=true]')
  const lens = page.getByRole('region', { name: 'The design with its cuts' })
  await lens.evaluate((e) => (e.scrollTop = 400))
  await page.keyboard.down('Shift')
  await drag(page, [1100, 1000], [300, 1300])
  await page.keyboard.up('Shift')
  await expect(chosen).toHaveCount(2)
  const spine = page.getByRole('complementary', { name: 'Cuts' }).getByRole('button')
  await spine.nth(1).click()
  await spine.nth(3).click({ modifiers: ['Shift'] })
  await expect(chosen).toHaveCount(3)
  await expect(page.getByText('3 cuts', { exact: true })).toBeVisible()
  await page.keyboard.press('Delete')
  await expect(page.locator('[data-cut]')).toHaveCount(1)
  await saved(page)
  // Steps are kept a moment after the saving.
  await expect
    .poll(() => page.evaluate(() => indexedDB.databases().then((all) => all.length)), { timeout: 10_000 })
    .toBeGreaterThan(0)
  await page.waitForFunction(
    (name) =>
      new Promise((done) => {
        const open = indexedDB.open('keyval-store')
        open.onsuccess = () => {
          const asked = open.result.transaction('keyval').objectStore('keyval').get(name)
          asked.onsuccess = () => (open.result.close(), done(!!asked.result))
        }
      }),
    `mosaicus:history:cuts:${id}`,
  )
  // A context of tests is a private window: Chromium may let its databases go with the last page that holds them.
  const other = await page.context().newPage()
  await other.goto('/api/clients')
  await other.evaluate(
    () =>
      new Promise<void>((held) => {
        const open = indexedDB.open('keyval-store')
        open.onsuccess = () => (Object.assign(window, { held: open.result }), held())
      }),
  )
  await page.reload()
  await quiet(page)
  await expect(page.locator('[data-cut]')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-cut]')).toHaveCount(4)
})

test('a split falls between the things of a cut', async ({ page, request }) => {
  const id = await opened(page, request)
  await page.locator('[data-cut]').nth(2).click()
  await page.keyboard.press('s')
  await expect(page.locator('[data-cut]')).toHaveCount(5)
  const [, , third, fourth] = await plan(page, id)
  expect(third![1]! + third![3]!).toBe(fourth![1])
  // Both sides of the line are of the ground's colour from side to side.
  const rows = await page.evaluate(
    async ([y]) => {
      const img = document.querySelector<HTMLImageElement>('[data-design] img')!
      const canvas = new OffscreenCanvas(img.naturalWidth, img.naturalHeight)
      const context = canvas.getContext('2d')!
      context.drawImage(img, 0, 0)
      return [y! - 2, y! + 1].map((row) => {
        const { data } = context.getImageData(0, row, img.naturalWidth, 1)
        let most = 0
        for (let i = 4; i < data.length; i += 4) most = Math.max(most, Math.abs(data[i]! - data[0]!))
        return most
      })
    },
    [fourth![1]!],
  )
  for (const most of rows) expect(most).toBeLessThanOrEqual(12)
})
