import { expect, test, type Page } from '@playwright/test'
import type { Email } from '@/core/email/schema'
import { placesOf } from '@/core/email/walk'
import { accessible, copyOf, quiet, saved } from './support'

const wide = (page: Page) => page.frameLocator('iframe[title^="The email, Wide"]')

async function open(page: Page, job: string) {
  await page.goto(`/jobs/${job}?stage=compose`)
  await expect(wide(page).locator('[data-m]').first()).toBeVisible()
  await quiet(page)
}

/** The middle of what a mark of the wide lens shows, in px of the page. */
async function middle(page: Page, id: string): Promise<{ x: number; y: number; height: number }> {
  const at = await page.locator('iframe[title^="The email, Wide"]').evaluate((f, mark) => {
    const doc = (f as HTMLIFrameElement).contentDocument!
    const el = doc.querySelector(`[data-m~="${mark}"]`)!.getBoundingClientRect()
    return {
      x: el.x + el.width / 2,
      y: el.y + el.height / 2,
      height: el.height,
      of: doc.documentElement.clientWidth,
    }
  }, id)
  const lens = (await page.locator('[data-lens=Wide]').boundingBox())!
  const zoom = lens.width / at.of
  return { x: lens.x + at.x * zoom, y: lens.y + at.y * zoom, height: at.height * zoom }
}

const emailOf = async (page: Page, job: string) =>
  ((await (await page.request.get(`/api/jobs/${job}/email`)).json()) as { email: Email }).email

test('a tile is dragged to another place in the lens, the gutter shares the width, and undo takes both back', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const before = await emailOf(page, job)
  const row = before.bands.find((b) => b.cells.length === 2 && b.cells.every((c) => c.items.length > 1))!
  const [left, right] = row.cells
  const moved = left!.items[0]!.id
  await page.getByRole('button', { name: new RegExp(`^Band ${row.name}`) }).click()
  const gutter = page.getByRole('slider', { name: 'Width of the cell on the left, px' })
  await expect(gutter).toBeVisible()
  // What takes hold of a tile is a press that moves; where it is let go, a line shows.
  const from = await middle(page, moved)
  const to = await middle(page, right!.items.at(-1)!.id)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x + 20, from.y + 5, { steps: 3 })
  await page.mouse.move(to.x, to.y + to.height * 0.4, { steps: 6 })
  await page.mouse.up()
  await saved(page)
  const after = (await emailOf(page, job)).bands.find((b) => b.id === row.id)!
  expect(after.cells[1]!.items.map((i) => i.id)).toEqual([...right!.items.map((i) => i.id), moved])
  // By keyboard too.
  await gutter.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await saved(page)
  const wider = (await emailOf(page, job)).bands.find((b) => b.id === row.id)!
  expect(wider.cells[0]!.width - wider.cells[1]!.width).toBeGreaterThan(
    after.cells[0]!.width - after.cells[1]!.width + 15,
  )
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await saved(page)
  expect((await emailOf(page, job)).bands).toEqual(before.bands)
})

test('tiles that are selected together are set together; what they say stays their own', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await open(page, job)
  const words = [...placesOf(await emailOf(page, job))].filter((p) => p.tile.kind === 'words')
  const [one, two] = words.slice(0, 2).map((p) => p.tile.id)
  const at = await middle(page, one!)
  await page.mouse.click(at.x, at.y)
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('Words')
  await page.keyboard.press('Shift+j')
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('2 tiles')
  await page.getByLabel('Space, top, px').or(page.getByLabel('Space: top, px')).first().fill('33')
  await saved(page)
  const after = [...placesOf(await emailOf(page, job))].map((p) => p.tile)
  const beside = after.filter((t) => t.padding.top === 33).map((t) => t.id)
  expect(beside).toHaveLength(2)
  expect(beside).toContain(one)
  expect(after.find((t) => t.id === two)).toMatchObject({ kind: 'words' })
  expect(after.filter((t) => 'text' in t).map((t) => JSON.stringify('text' in t && t.text))).toEqual(
    words.map((p) => JSON.stringify('text' in p.tile && p.tile.text)),
  )
})

test('a picture is cropped around a point, another part of it later, and the whole is not lost', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const place = [...placesOf(await emailOf(page, job))].find((p) => p.tile.kind === 'picture')!
  const at = await middle(page, place.tile.id)
  await page.mouse.click(at.x, at.y)
  await page.getByRole('button', { name: 'Crop', exact: true }).click()
  await page.getByRole('radio', { name: '2:1' }).click()
  await page.getByLabel('Point from the left, %').fill('10')
  await accessible(page)
  await page.getByRole('button', { name: 'Show this part' }).click()
  await expect(page.getByRole('button', { name: 'Another part' })).toBeVisible()
  await saved(page)
  const picture = async () => {
    const t = [...placesOf(await emailOf(page, job))].find((p) => p.tile.id === place.tile.id)!.tile
    return t.kind === 'picture' ? t : null
  }
  const cropped = (await picture())!
  expect(Math.abs(cropped.picture!.width / cropped.picture!.height - 2)).toBeLessThan(0.03)
  expect(cropped.crop!.of).toEqual(place.tile.kind === 'picture' && place.tile.picture)
  await page.getByRole('button', { name: 'Another part' }).click()
  await page.getByRole('button', { name: 'Show the whole picture' }).click()
  await saved(page)
  expect(await picture()).toEqual(place.tile)
})

test('links get their parameters when the email leaves; here they stay as written', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await open(page, job)
  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name: 'What links say of where they stand' }).click()
  await page.getByLabel('Name of parameter 1').fill('from')
  await page.getByLabel('What parameter 1 says').fill('winter letter')
  await accessible(page)
  await page.getByRole('button', { name: 'Add them when it leaves' }).click()
  await saved(page)
  const html = await (await request.get(`/api/jobs/${job}/html`)).text()
  const links = [...html.matchAll(/href="(https?:[^"]+)"/g)].map((m) => m[1]!)
  expect(links.length).toBeGreaterThan(1)
  for (const link of links) expect(link).toContain('from=winter%20letter')
  expect(JSON.stringify((await emailOf(page, job)).bands)).not.toContain('winter%20letter')
})

test('what is pasted comes as plain words, with its links and emphasis on wish', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await open(page, job)
  const place = [...placesOf(await emailOf(page, job))].find((p) => p.tile.kind === 'words')!
  const editor = page.locator('.in-place .ProseMirror')
  await expect(async () => {
    const at = await middle(page, place.tile.id)
    await page.mouse.dblclick(at.x, at.y)
    await editor.waitFor({ timeout: 3000 })
  }).toPass()
  await expect(editor).toBeFocused()
  await page.keyboard.press('Control+a')
  await editor.evaluate((el) => {
    const data = new DataTransfer()
    data.setData('text/plain', 'See the plan\nof the line')
    data.setData(
      'text/html',
      '<p style="color:red">See <a href="https://halden.example/plan">the <b>plan</b></a> of the line</p>',
    )
    el.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(editor).toHaveText('See the plan of the line')
  await expect(editor.locator('a')).toHaveCount(0)
  await page.getByRole('button', { name: 'With links and emphasis' }).click()
  await expect(editor.locator('a')).toHaveText('the plan')
  await saved(page)
  const text = JSON.stringify(
    [...placesOf(await emailOf(page, job))].find((p) => p.tile.id === place.tile.id)!.tile,
  )
  expect(text).toContain('https://halden.example/plan')
  expect(text).not.toContain('ff0000')
})

test('twins say the same until they are let differ; a kept version is compared in its lens', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByRole('button', { name: 'Versions' }).click()
  await page.getByLabel('Name of the version').fill('Before twins')
  await page.getByRole('button', { name: 'Keep the email as it is now' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Before twins' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Band Bring a coat/ }).click()
  await page.getByRole('button', { name: 'Part into twins' }).click()
  await expect(page.getByText(/What it says, Bring a coat \(narrow\) says too/)).toBeVisible()
  await saved(page)
  const twins = (await emailOf(page, job)).bands.filter((b) => b.twin)
  expect(twins.map((b) => b.show)).toEqual(['wide', 'narrow'])
  await page.getByRole('button', { name: 'Let them differ' }).click()
  await saved(page)
  expect((await emailOf(page, job)).bands.filter((b) => b.twin)).toEqual([])

  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Versions' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Before twins' })
    .getByRole('button', { name: 'Compare' })
    .click()
  const lens = page.getByRole('region', { name: 'Version lens' })
  await expect(lens.getByText('2 different')).toBeVisible()
  await lens.getByLabel('Over the version').selectOption('as it is now')
  await lens.getByLabel('Way of comparing').selectOption('Split')
  const line = (await lens.locator('[data-split]').boundingBox())!
  await page.mouse.move(line.x + line.width / 2, line.y + 40)
  await page.mouse.down()
  await page.mouse.move(line.x - 40, line.y + 40, { steps: 4 })
  await page.mouse.up()
  await expect(lens.getByLabel('Where the other one begins, %')).not.toHaveValue('50')
  await accessible(page)
})

test('the house style has a page of its own: it is seen as it changes, undone, and kept', async ({
  page,
  request,
}) => {
  const made = await request.post('/api/clients', { data: { name: 'Cobble & Sons' } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/clients/${id}`)
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  const night = page.frameLocator('iframe[title="A sample email, Night"]')
  await expect(night.getByRole('heading').first()).toBeVisible()
  await page.getByRole('textbox', { name: 'Colour of Heading 1 at night' }).fill('#ffd9a0')
  await expect(night.getByRole('heading', { level: 1 })).toHaveCSS('color', 'rgb(255, 217, 160)')
  await page.getByLabel('Size of Heading 1 on narrow, px').fill('22')
  const narrow = page.frameLocator('iframe[title="A sample email, Narrow"]')
  await expect(narrow.getByRole('heading', { level: 1 })).toHaveCSS('font-size', '22px')
  await accessible(page)
  await page.getByRole('button', { name: 'Save the house style' }).click()
  await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible()
  const { house } = (await (await request.get(`/api/clients/${id}`)).json()) as {
    house: { text: { heading1: { narrowSize?: number; nightColor?: string } } }
  }
  expect(house.text.heading1).toMatchObject({ narrowSize: 22, nightColor: '#ffd9a0' })
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Save the house style' })).toBeEnabled()
})

test('a tile is dragged from the tray into the lens; a band is split before it, and made one again', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const before = await emailOf(page, job)
  const place = [...placesOf(before)].find((p) => p.band.cells.length === 1 && p.tile.kind === 'words')!
  // Its band is brought into view.
  await page.getByRole('button', { name: `Band ${place.band.name}` }).click()
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText(place.band.name)
  await page.waitForTimeout(600)
  const at = await middle(page, place.tile.id)
  await page.mouse.click(at.x, at.y)
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('Words')
  const lens = (await page.locator('[data-lens=Wide]').boundingBox())!
  await page.getByRole('button', { name: '+ Button' }).dragTo(page.locator('[data-lens=Wide]'), {
    targetPosition: { x: at.x - lens.x, y: at.y - lens.y + at.height * 0.4 },
  })
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('Button')
  await saved(page)
  const items = (e: Email) => e.bands.find((b) => b.id === place.band.id)!.cells[0]!.items
  const added = await emailOf(page, job)
  const index = items(added).findIndex((i) => i.id === place.tile.id)
  expect(items(added)[index + 1]).toMatchObject({ kind: 'button' })
  await page.getByRole('button', { name: 'Split the band before this tile' }).click()
  await saved(page)
  expect((await emailOf(page, job)).bands).toHaveLength(before.bands.length + 1)
  await page
    .getByRole('button', { name: new RegExp(`^Band ${place.band.name},|^Band ${place.band.name} \\d`) })
    .first()
    .click()
  await page.keyboard.press('Shift+j')
  await page.getByRole('button', { name: 'Make one band of these' }).click()
  await saved(page)
  const merged = await emailOf(page, job)
  expect(merged.bands).toHaveLength(before.bands.length)
  expect(JSON.stringify(merged.bands.map((b) => b.cells[0]!.items.map((i) => i.id)))).toContain(place.tile.id)
})

test('a band of the starters is dragged between two bands; let go nowhere, the dialog is there again', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const before = await emailOf(page, job)
  const second = await middle(page, before.bands[1]!.id)
  await page.getByRole('button', { name: 'Starters and shelf' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add bands' })
  await dialog.getByRole('button', { name: 'Voices' }).click()
  const card = dialog.getByRole('button', { name: 'A quotation' })
  const drag = async (x: number, y: number) => {
    const from = (await card.boundingBox())!
    await page.mouse.move(from.x + 40, from.y + 20)
    await page.mouse.down()
    await page.mouse.move(from.x + 60, from.y + 40, { steps: 3 })
    await expect(dialog).toHaveCSS('opacity', '0')
    await page.mouse.move(x, y, { steps: 4 })
    await page.mouse.up()
  }
  await drag(640, 10)
  await expect(dialog).toHaveCSS('opacity', '1')
  expect((await emailOf(page, job)).bands).toHaveLength(before.bands.length)
  // Above the middle of the second band: between the first and it.
  await drag(second.x, second.y - second.height / 2 + 4)
  await expect(dialog).toBeHidden()
  await saved(page)
  const names = (await emailOf(page, job)).bands.map((b) => b.name)
  expect(names).toEqual([before.bands[0]!.name, 'A quotation', ...before.bands.slice(1).map((b) => b.name)])
  await page.keyboard.press('Control+z')
  await saved(page)
  expect((await emailOf(page, job)).bands).toHaveLength(before.bands.length)
})

test('a number is scrubbed and reckoned, sides go together or to none, and any step is gone back to by its name', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  await open(page, job)
  const place = [...placesOf(await emailOf(page, job))].find((p) => p.tile.kind === 'words')!
  const padding = async () => {
    await saved(page)
    return [...placesOf(await emailOf(page, job))].find((p) => p.tile.id === place.tile.id)!.tile.padding
  }
  const before = await padding()
  const at = await middle(page, place.tile.id)
  await page.mouse.click(at.x, at.y)
  const sides = page.getByRole('group', { name: 'Space', exact: true }).first()
  const top = sides.getByLabel('Space, top, px')
  await top.fill('600/3-190')
  await top.press('Enter')
  expect((await padding()).top).toBe(10)
  // With Alt, the pointer drags the number.
  const box = (await top.boundingBox())!
  await page.keyboard.down('Alt')
  await page.mouse.move(box.x + 8, box.y + 8)
  await page.mouse.down()
  await page.mouse.move(box.x + 8 + 40, box.y + 8, { steps: 5 })
  await page.mouse.up()
  await page.keyboard.up('Alt')
  const scrubbed = (await padding()).top
  expect(scrubbed).toBeGreaterThan(12)
  await sides.getByRole('button', { name: 'Space: all sides together' }).click()
  await sides.getByLabel('Space, left, px').fill('7')
  expect(await padding()).toEqual({ top: 7, right: 7, bottom: 7, left: 7 })
  await sides.getByRole('button', { name: 'Space: none' }).click()
  expect(await padding()).toEqual({ top: 0, right: 0, bottom: 0, left: 0 })
  await accessible(page)
  await page.getByRole('radio', { name: 'narrow', exact: true }).first().click()
  await page.getByRole('button', { name: 'Steps so far' }).click()
  const steps = page.getByRole('menuitem')
  await expect(steps.first()).toHaveText('set where it shows')
  await expect(steps.last()).toHaveText('set the space')
  await steps.last().click()
  expect(await padding()).toEqual(before)
})

test('a colour is read off the screen where the browser can; a house style goes out and comes in as JSON', async ({
  page,
  request,
}) => {
  // The browser of the tests has no screen to read from: what it is asked for is answered as the standard has it.
  await page.addInitScript(() => {
    const open = () => Promise.resolve({ sRGBHex: '#3f5a36' })
    Object.assign(globalThis, {
      EyeDropper: function EyeDropper() {
        return { open }
      },
    })
  })
  const client = async (name: string) =>
    ((await (await request.post('/api/clients', { data: { name } })).json()) as { id: string }).id
  const houseOf = async (id: string) =>
    ((await (await request.get(`/api/clients/${id}`)).json()) as { house: { ground: string } }).house
  const [from, to] = [await client('Millwright'), await client('Chandler')]
  await page.goto(`/clients/${from}`)
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  await page.getByRole('button', { name: 'Ground behind emails: choose a colour' }).click()
  await page.getByRole('button', { name: 'Read it off the screen' }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Save the house style' }).click()
  await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible()
  const house = await houseOf(from)
  expect(JSON.stringify(house)).toContain('#3f5a36')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as JSON' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('millwright-house.json')
  await page.goto(`/clients/${to}`)
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  const file = page.getByText('Take from JSON').locator('input')
  await file.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') })
  await expect(page.getByText('"x.json" is no house style')).toBeVisible()
  await file.setInputFiles(await download.path())
  await page.getByRole('button', { name: 'Save the house style' }).click()
  await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible()
  expect(await houseOf(to)).toEqual(house)
})
