import { expect, test } from '@playwright/test'
import { chromium } from '@playwright/test'
import { colorDifference } from '@/core/color/difference'
import { contrast } from '@/core/color/contrast'
import { compile } from '@/core/compile'
import { applyEdit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { behaviours } from '@/core/night/behaviours'
import { recoloredAround } from '@/core/night/page'
import { recolored } from '@/core/night/recolor'
import { styleOf } from '@/core/email/cascade'
import { placesOf } from '@/core/email/walk'
import { copyOf, jobId, saved } from './support'
import { launchOptions } from '../scripts/chromium'

/** Colours of every element that holds words, as the browser computes them. */
const COMPUTED = `() => [...document.querySelectorAll('p, h1, h2, h3, td, a, li, span')]
  .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.data.trim()))
  .map((e) => getComputedStyle(e).color)`

const hex = (rgb: string): string =>
  `#${(rgb.match(/[\d.]+/g) ?? [])
    .slice(0, 3)
    .map((n) => Math.round(Number(n)).toString(16).padStart(2, '0'))
    .join('')}`

test('the full inversion is that of the browser: what it draws of the demo emails, pixel by pixel', async ({
  request,
}) => {
  const browser = await chromium.launch({
    ...launchOptions,
    args: [...launchOptions.args, '--blink-settings=forceDarkModeEnabled=true'],
  })
  const plain = await chromium.launch(launchOptions)
  try {
    for (const name of ['Winter timetable', 'Eclipse night', 'How to sow a row']) {
      const id = await jobId(request, name)
      const { email } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as { email: Email }
      const job = (await (await request.get(`/api/jobs/${id}`)).json()) as { client: { id: string } }
      const { house } = (await (await request.get(`/api/clients/${job.client.id}`)).json()) as {
        house: HouseStyle
      }
      const src = () => 'data:,'
      // Without the metas by which an email asks to be left alone.
      const bare = (html: string) =>
        html
          .replace(/<meta name="(?:color-scheme|supported-color-schemes)"[^>]*>/g, '')
          .replace(/:root\{[^}]*\}/g, '')
      const day = bare(compile(email, house, { src }))
      const page = styleOf(house, email.styles).ground
      const night = recoloredAround(
        bare(
          compile(email, house, {
            src,
            pass: { key: 'f', run: (n) => recolored(n, behaviours.fully, page) },
          }),
        ),
        behaviours.fully,
      )
      const shot = async (b: typeof browser, html: string) => {
        const p = await b.newPage({ viewport: { width: 600, height: 800 } })
        await p.setContent(html)
        const data = await p.screenshot({ fullPage: true })
        const places = await p.evaluate<{ x: number; y: number }[]>(
          `[...document.querySelectorAll('td,p,h1,h2,h3')].map((e) => e.getBoundingClientRect()).filter((r) => r.width > 8 && r.height > 8).map((r) => ({ x: Math.round(r.left + 3), y: Math.round(r.top + 3) }))`,
        )
        const inks = await p.evaluate<string[]>(`(${COMPUTED})()`)
        await p.close()
        return { data, places, inks }
      }
      const forced = await shot(browser, day)
      const ours = await shot(plain, night)
      const { default: sharp } = await import('sharp')
      const raw = async (b: Buffer) => sharp(b).removeAlpha().raw().toBuffer({ resolveWithObject: true })
      const [a, b] = [await raw(forced.data), await raw(ours.data)]
      const at = ({ data, info }: typeof a, x: number, y: number) =>
        `#${[...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)].map((n) => n.toString(16).padStart(2, '0')).join('')}`
      const off = forced.places
        .filter((p) => p.x < a.info.width && p.y < Math.min(a.info.height, b.info.height))
        .map((p) => colorDifference(at(a, p.x, p.y), at(b, p.x, p.y)))
        .sort((m, n) => m - n)
      console.log(
        `${name}: ${off.length} grounds, median ${off[off.length >> 1]!.toFixed(2)}, worst ${off.at(-1)!.toFixed(2)}`,
      )
      expect(off.length).toBeGreaterThan(5)
      expect(off[off.length >> 1]).toBeLessThanOrEqual(5)
    }
  } finally {
    await browser.close()
    await plain.close()
  }
})

test('our rules for the dark, honoured by the browser, give the colours of the lens', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await page.goto(`/jobs/${job}?stage=night`)
  await page.getByRole('button', { name: 'Propose night colours' }).click()
  await saved(page)
  await page.getByRole('button', { name: 'As written' }).click()
  const lens = page.frameLocator('[aria-label="As written lens"] iframe')
  await expect(lens.locator('p').first()).toBeAttached()
  await page.waitForTimeout(1500)
  const inLens = (
    await lens
      .locator('p, h1, h2, h3, td, a, li, span')
      .evaluateAll((all) =>
        all
          .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && (n as Text).data.trim()))
          .map((e) => getComputedStyle(e).color),
      )
  ).map(hex)
  const html = await (await request.get(`/api/jobs/${job}/html`)).text()
  const other = await page.context().newPage()
  await other.emulateMedia({ colorScheme: 'dark' })
  await other.setContent(html)
  const honoured = (await other.evaluate<string[]>(`(${COMPUTED})()`)).map(hex)
  await other.close()
  expect(inLens.length).toBeGreaterThan(10)
  expect(inLens).toEqual(honoured)
})

test('a colour is found by its places, a better one tried on and taken, and undone', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'How to sow a row')
  await page.goto(`/jobs/${job}?stage=night`)
  const list = page.locator('[aria-label=Colours]')
  await expect(list.getByRole('button').first()).toBeVisible()
  expect(await list.getByRole('button').count()).toBeGreaterThan(3)
  await list.getByRole('button').first().click()
  await expect(page.getByRole('heading', { name: 'Where it stands' })).toBeVisible()
  for (const name of ['Attribute rules', 'Desktop program'])
    await page.getByRole('button', { name, exact: true }).click()
  // Two to four lenses stand beside each other.
  await expect(page.locator('section[aria-label$=" lens"]')).toHaveCount(4)
})

test('a colour that fails is tried on and taken in one band alone; what is chosen has its night colours at hand', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'How to sow a row')
  const read = async () =>
    (await (await request.get(`/api/jobs/${job}/email`)).json()) as { email: Email; revision: number }
  const { email, revision } = await read()
  // Words of two bands in a grey that is hardly read by day.
  const grey = '#b9b9b9'
  const wordsOf = (e: Email) => [...placesOf(e)].filter(({ tile }) => tile.kind === 'words')
  const [first, second] = wordsOf(email).filter(
    (place, i, all) => all.findIndex((o) => o.band.id === place.band.id) === i,
  )
  const faint = [first!, second!].reduce(
    (e: Email, { tile }) =>
      applyEdit(e, {
        name: 'setTile',
        what: { id: tile.id, kind: 'words', set: { style: { color: grey }, headings: { color: grey } } },
      }),
    email,
  )
  await request.put(`/api/jobs/${job}/email`, { data: { revision, email: faint } })

  await page.goto(`/jobs/${job}?stage=night`)
  await page
    .locator('[aria-label=Colours]')
    .getByRole('button', { name: new RegExp(grey) })
    .click()
  await page.getByRole('button', { name: /press to try it on/ }).click()
  await expect(page.getByRole('button', { name: /tried on/ })).toBeVisible()
  // Its band is chosen from the list of places.
  await page.locator('table').getByRole('button', { name: first!.band.name, exact: true }).first().click()
  await page.getByRole('button', { name: `Take it in ${first!.band.name} alone` }).click()
  await saved(page)
  const inks = async () =>
    wordsOf((await read()).email).flatMap(({ tile }) =>
      [first!, second!].some((p) => p.tile.id === tile.id)
        ? [(tile as { style?: { color?: string } }).style?.color]
        : [],
    )
  const [taken, left] = await inks()
  expect(left).toBe(grey)
  expect(taken).not.toBe(grey)
  // WCAG 2.2, 1.4.3.
  expect(contrast(taken!, '#ffffff')).toBeGreaterThan(contrast(grey, '#ffffff'))

  const ground = page.getByRole('textbox', { name: 'Ground of the band at night' })
  await ground.fill('#101820')
  await saved(page)
  const band = async () => (await read()).email.bands.find((b) => b.id === first!.band.id)!
  expect((await band()).nightBackground).toBe('#101820')
  await page.getByRole('region', { name: 'Values' }).click({ position: { x: 5, y: 5 } })
  await page.keyboard.press('Control+z')
  await saved(page)
  await expect.poll(async () => (await band()).nightBackground).toBe(first!.band.nightBackground)
})
