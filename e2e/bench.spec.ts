import { expect, test, type Page } from '@playwright/test'
import type { Email } from '@/core/email/schema'
import { tilesOf } from '@/core/email/walk'
import sharp from 'sharp'
import { pairedDesign } from '@/test-support/paired'
import { accessible, clientWith, copyOf, findAndRead, saved } from './support'

const open = async (page: Page, job: string) => {
  await page.goto(`/jobs/${job}?stage=compose`)
  await page.waitForSelector('[data-lens]')
}
const emailOf = async (page: Page, job: string) =>
  ((await (await page.request.get(`/api/jobs/${job}/email`)).json()) as { email: Email }).email
const lens = (page: Page, name: string) => page.getByRole('region', { name: `${name} lens` })
/** Shows another lens in the place of one. */
const show = async (page: Page, instead: string, kind: string) => {
  await lens(page, instead).getByRole('button', { name: instead, exact: true }).click()
  await page.getByRole('menuitem', { name: kind, exact: true }).click()
}
const jobOf = (page: Page) => new URL(page.url()).pathname.split('/').at(-1)!

test('lenses are chosen, moved, resized, and remembered; the design is compared band by band', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const spine = page.getByRole('complementary', { name: 'Spine' })
  await expect.poll(() => spine.getByText(/\d+ % like/).count()).toBeGreaterThanOrEqual(5)

  await show(page, 'Design', 'Compare')
  const compare = lens(page, 'Compare')
  await compare.getByLabel('Way of comparing').selectOption('Difference')
  await accessible(page)
  await compare.getByRole('button', { name: 'Worst first' }).click()
  const listed = await page.getByRole('menuitem').allInnerTexts()
  const likeness = listed.map((t) => Number(/(\d+) %/.exec(t)![1]))
  expect(likeness).toEqual([...likeness].sort((a, b) => a - b))
  expect(Math.max(...likeness)).toBeGreaterThan(90)
  await page.keyboard.press('Escape')

  await show(page, 'Narrow', 'Source')
  await page.getByRole('button', { name: 'Add a lens' }).click()
  await page.getByRole('menuitem', { name: 'No pictures' }).click()
  await expect(page.getByRole('button', { name: 'Add a lens' })).toHaveCount(0)
  // With pictures off the alt text stands in their place, and nothing is loaded.
  const off = page.frameLocator('iframe[title="The email, No pictures, 600 px wide"]')
  expect(
    await off
      .locator('img')
      .first()
      .evaluate((i: HTMLImageElement) => i.naturalWidth),
  ).toBe(0)

  // What is selected in the spine is marked in the source; a line that is pressed selects its tile.
  await spine.getByRole('button', { name: /^Band Total eclipse/ }).click()
  const marked = lens(page, 'Source').locator('.cm-line[style*="background"]')
  await expect(marked.first()).toBeVisible()
  await marked
    .filter({ hasText: '<img' })
    .first()
    .click({ position: { x: 60, y: 5 } })
  await expect(page.getByRole('navigation', { name: 'Path' }).getByText('Picture')).toBeVisible()

  const edge = page.getByRole('slider', { name: 'Edge between Compare and Wide' })
  const before = await edge.getAttribute('aria-valuenow')
  await edge.focus()
  await page.keyboard.press('ArrowRight')
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeGreaterThan(Number(before))
  await page.reload()
  for (const name of ['Compare', 'Wide', 'Source', 'No pictures'])
    await expect(lens(page, name)).toBeVisible()
})

test('a phone of any width, upright and on its side; the text part; the night', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByLabel('Width of the phone, px').fill('320')
  await page.keyboard.press('Tab')
  await expect(page.locator('iframe[title="The email, Narrow, 320 px wide"]')).toBeVisible()
  await page.getByRole('button', { name: 'Lay the phone on its side' }).click()
  await expect(page.locator('iframe[title="The email, Narrow, 693 px wide"]')).toBeVisible()
  await show(page, 'Design', 'Text')
  await expect(page.getByRole('region', { name: 'The plain-text part' })).toContainText(
    'Bring a coat and a flask',
  )
  await page.getByRole('textbox', { name: 'Ground behind the email at night' }).fill('#10131c')
  await show(page, 'Wide', 'Night')
  const night = page.frameLocator('iframe[title="The email, Night, 600 px wide"]')
  await expect(night.locator('body')).toHaveCSS('background-color', 'rgb(16, 19, 28)')
})

test('a job begins from a starter and grows by bands; what is kept is placed tied, and changes along', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('radio', { name: 'a starter' }).click()
  await page.getByRole('button', { name: /^Invitation/ }).click()
  await accessible(page)
  await page.getByLabel('Name', { exact: true }).fill('December evening')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await page.waitForURL(/\/jobs\//)
  await expect(page.getByRole('button', { name: /^Band Invitation/ })).toBeVisible()
  const job = jobOf(page)
  const made = await emailOf(page, job)
  expect(made.bands).toHaveLength(6)
  // Its pictures are real ones by now.
  const [mark] = [...tilesOf(made.bands[0]!)]
  const picture = mark!.kind === 'picture' ? mark!.picture!.id : ''
  expect((await page.request.get(`/api/pictures/${picture}`)).headers()['content-type']).toBe('image/png')
  const { findings } = (await (await page.request.get(`/api/jobs/${job}/findings`)).json()) as {
    findings: { severity: string; what: string }[]
  }
  expect(findings.filter((f) => f.severity === 'mend').map((f) => f.what)).toEqual([])

  await page.getByRole('button', { name: /^Band What to bring/ }).click()
  await page.getByRole('button', { name: 'Starters and shelf' }).click()
  await page.getByRole('button', { name: 'Voices' }).click()
  await page.getByRole('list', { name: 'Voices' }).getByRole('button', { name: 'A quotation' }).click()
  await saved(page)
  const names = (await emailOf(page, job)).bands.map((b) => b.name)
  expect(names.indexOf('A quotation')).toBe(names.indexOf('What to bring') + 1)

  // The shelf may hold others from before.
  const kept = `The quotation ${Date.now()}`
  await page.getByRole('button', { name: /^Keep the band for/ }).click()
  await page.getByRole('dialog').getByLabel('Name', { exact: true }).fill(kept)
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('in no other email')).toBeVisible()
  await saved(page)

  // Another job, from what is kept.
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('radio', { name: 'the shelf' }).click()
  await page.getByRole('button', { name: kept }).click()
  await page.getByRole('button', { name: 'Make the job' }).click()
  await page.waitForURL(/\/jobs\//)
  await page.getByRole('button', { name: /^Band A quotation/ }).click()
  const other = jobOf(page)
  await page.getByLabel('Name', { exact: true }).first().fill('What was said')
  await expect(page.getByText('also in December evening')).toBeVisible()
  await page.getByRole('button', { name: 'Change the other 1' }).click()
  await expect(page.getByText('Changed along: December evening')).toBeVisible()
  expect((await emailOf(page, job)).bands.map((b) => b.name)).toContain('What was said')
  await saved(page)
  expect((await emailOf(page, other)).bands).toHaveLength(1)
})

test('an email made elsewhere becomes a job by being dropped on the wall', async ({ page }) => {
  await page.goto('/')
  await page.waitForSelector('[data-ready=true]')
  const html =
    '<html><head><title>Brought</title></head><body><table width="600" align="center"><tr><td style="padding:20px"><h1>From elsewhere</h1><p>Words.</p></td></tr></table></body></html>'
  const files = await page.evaluateHandle((text) => {
    const data = new DataTransfer()
    data.items.add(new File([text], 'spring-news.html', { type: 'text/html' }))
    return data
  }, html)
  const main = page.getByRole('main')
  await main.dispatchEvent('dragover', { dataTransfer: files })
  await expect(page.getByText('Let go: the email made elsewhere becomes a new job')).toBeVisible()
  await main.dispatchEvent('drop', { dataTransfer: files })
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Spring news')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await page.waitForURL(/\/jobs\//)
  await expect(
    page.frameLocator('iframe[title="The email, Wide, 600 px wide"]').getByText('From elsewhere'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Cut', exact: true }).click()
  await expect(page.getByText('This job began without a design')).toBeVisible()
  await accessible(page)
})

test('words are found and replaced, links and alt texts edited in their tables, and undo takes all back', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const first = await emailOf(page, job)
  await page.keyboard.press('Control+f')
  await page.getByLabel('Find', { exact: true }).fill('flask')
  await page.getByLabel('Replace by').fill('kettle')
  await expect(page.getByRole('status').filter({ hasText: 'place' })).toHaveText(/^\d+ place/)
  await accessible(page)
  await page.getByRole('button', { name: 'Replace all' }).click()
  await page.keyboard.press('Escape')
  await expect(
    page.frameLocator('iframe[title="The email, Wide, 600 px wide"]').getByText('Bring a coat and a kettle'),
  ).toBeVisible()

  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name: 'All links' }).click()
  const address = page.getByLabel(/^Address of/).first()
  await address.fill('orrery.example/nights')
  await address.press('Enter')
  await expect(address).toHaveValue('https://orrery.example/nights')
  await accessible(page)
  await page.keyboard.press('Escape')

  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name: 'All pictures' }).click()
  const alt = page.getByLabel(/^Alt text in/).first()
  await alt.fill('A copper moon')
  await alt.press('Enter')
  await accessible(page)
  await page.keyboard.press('Escape')
  await saved(page)
  expect(JSON.stringify(await emailOf(page, job))).toContain('A copper moon')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z')
  await saved(page)
  expect(await emailOf(page, job)).toEqual(first)
})

test('a second tab learns of changes by itself, and undo takes them back there', async ({
  page,
  context,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await open(page, job)
  const second = await context.newPage()
  await open(second, job)
  const subject = second.getByLabel('Subject', { exact: true })
  const was = await subject.inputValue()
  await page.getByLabel('Subject', { exact: true }).fill('Heard at once')
  await saved(page)
  await expect(subject).toHaveValue('Heard at once')
  await second.keyboard.press('Control+z')
  await expect(subject).toHaveValue(was)
  await saved(second)
  await expect(page.getByLabel('Subject', { exact: true })).toHaveValue(was)
})

test('a sum in a field is reckoned', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByRole('button', { name: /^Band Bring a coat/ }).click()
  const top = page.getByRole('spinbutton', { name: 'Space on wide, top, px' })
  await top.fill('600/20-4')
  await page.keyboard.press('Enter')
  await expect(top).toHaveValue('26')
})

test('bands are selected together, set, moved and deleted as one; they are copied from job to job', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const band = (name: RegExp) => page.getByRole('button', { name })
  await band(/^Band Bring a coat/).click()
  await page.keyboard.press('Shift+J')
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('2 bands')
  await page.getByRole('spinbutton', { name: 'Space on wide, top, px' }).fill('7')
  await saved(page)
  const ids = (e: Email) => e.bands.map((b) => b.id)
  const set = await emailOf(page, job)
  const own = set.bands.filter((b) => b.padding.top === 7)
  expect(own).toHaveLength(2)
  await page.keyboard.press('Escape')
  await band(/^Band Bring a coat/).click()
  await band(/^Band Keep places/).click({ modifiers: ['Shift'] })
  await page.keyboard.press('Alt+ArrowDown')
  await saved(page)
  const moved = await emailOf(page, job)
  expect(ids(moved).indexOf(own[0]!.id)).toBe(ids(set).indexOf(own[0]!.id) + 1)
  await page.keyboard.press('Control+c')
  await page.keyboard.press('Delete')
  await saved(page)
  expect((await emailOf(page, job)).bands).toHaveLength(set.bands.length - 2)

  const other = await copyOf(request, 'Winter timetable')
  await open(page, other)
  const before = (await emailOf(page, other)).bands.length
  await page.keyboard.press('j')
  await page.keyboard.press('Control+v')
  await expect(band(/^Band Bring a coat/)).toBeVisible()
  await saved(page)
  expect((await emailOf(page, other)).bands).toHaveLength(before + 2)
})

test('with a narrow design, each band is compared with its place in that one too, and laid over it there', async ({
  page,
  request,
}) => {
  const { wide, narrow } = pairedDesign()
  const drawn = async (name: string, svg: string) => ({
    name,
    mimeType: 'image/png',
    buffer: await sharp(Buffer.from(svg)).png().toBuffer(),
  })
  const clientId = await clientWith(request, 'Comet watch', 'sans')
  const made = await request.post('/api/jobs', {
    multipart: {
      clientId,
      name: 'Comet',
      width: '600',
      design: await drawn('wide.png', wide.svg(2)),
      narrow: await drawn('narrow.png', narrow.svg(2)),
    },
  })
  const { id } = (await made.json()) as { id: string }
  await findAndRead(page, id)
  await page
    .getByRole('button', { name: /^Build/ })
    .first()
    .click()
  const spine = page.getByRole('complementary', { name: 'Spine' })
  const strips = spine.getByRole('button', { name: /% like the design, \d+ % like the narrow design/ })
  // The least of them, whose photograph is drawn with other grain, is known all the same.
  await expect.poll(() => strips.count(), { timeout: 60_000 }).toBeGreaterThanOrEqual(3)
  const told = await strips.evaluateAll((all) => all.map((e) => e.getAttribute('aria-label')!))
  expect(Math.max(...told.map((t) => Number(/(\d+) % like the narrow/.exec(t)![1])))).toBeGreaterThan(90)

  await show(page, 'Design', 'Compare')
  const compare = lens(page, 'Compare')
  await compare.getByLabel('Compared with').selectOption('narrow')
  // Each slice of the narrow design lies where its band does.
  await expect.poll(() => compare.locator('img').count()).toBeGreaterThanOrEqual(told.length)
})
