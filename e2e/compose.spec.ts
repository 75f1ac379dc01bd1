import { expect, test, type Page } from '@playwright/test'
import type { Email } from '@/core/email/schema'
import { copyOf, saved, accessible } from './support'

const open = async (page: Page, job: string) => {
  await page.goto(`/jobs/${job}?stage=compose`)
  await page.waitForSelector('[data-lens=Wide]')
}
const emailOf = async (page: Page, job: string) =>
  ((await (await page.request.get(`/api/jobs/${job}/email`)).json()) as { email: Email }).email
const htmlOf = async (page: Page, job: string, query = '') =>
  (await page.request.get(`/api/jobs/${job}/html${query}`)).text()
const add = async (page: Page, kind: string) => {
  await page.getByRole('button', { name: 'Other tile' }).click()
  await page.getByRole('menuitem', { name: kind, exact: true }).click()
}
const freshBand = async (page: Page) => {
  await page.keyboard.press('j')
  await page.keyboard.press('b')
}
const wide = (page: Page) => page.frameLocator('iframe[title="The email, Wide, 600 px wide"]')

test('every kind of tile is added, edited in the tray, seen in the lens and handed over', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await freshBand(page)
  await add(page, 'Menu')
  await page.getByLabel('Link 1', { exact: true }).fill('Nights')
  await expect(wide(page).getByText('Nights', { exact: true })).toBeVisible()
  await add(page, 'Social')
  // It begins with the usual four; more are chosen several at once, or made from addresses.
  await expect(wide(page).getByRole('img', { name: 'Instagram' })).toBeVisible()
  await page.getByRole('button', { name: 'Add icons…' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'Bluesky' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'YouTube' }).click()
  await page.keyboard.press('Escape')
  await page
    .getByLabel('Addresses, from which icons are made')
    .fill('https://hachyderm.example/@halden linkedin.com/company/halden')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  for (const name of ['Bluesky', 'Mastodon', 'LinkedIn'])
    await expect(wide(page).getByRole('img', { name })).toBeVisible()
  await expect(wide(page).getByRole('img', { name: 'YouTube' })).toHaveCount(0)
  await accessible(page)
  await add(page, 'Table')
  await page.getByRole('button', { name: /^Edit 3 x 2/ }).click()
  await page.getByLabel('Row 2, column 1').fill('Half past seven')
  await page.keyboard.press('Escape')
  await add(page, 'Review')
  await page.getByLabel('Words', { exact: true }).fill('We saw it turn.')
  await add(page, 'Footer')
  await page.getByLabel('Why', { exact: true }).fill('You asked for news.')
  await add(page, 'Code')
  await page.getByRole('button', { name: 'Edit the code' }).click()
  await page
    .getByLabel('HTML', { exact: true })
    .fill('<!-- said --><p class="own">Made by hand</p><script>alert(1)</script>')
  await page.getByRole('button', { name: 'CSS', exact: true }).click()
  await page.getByLabel('CSS', { exact: true }).fill('.own { color: #aa0000 }')
  // Code can be read in both themes.
  for (const theme of ['slate', '']) {
    await page.evaluate((t) => (document.documentElement.dataset.theme = t), theme)
    await accessible(page)
  }
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByText(/script> was left out/)).toBeVisible()
  await add(page, 'Word engine')
  await page.getByRole('button', { name: 'Edit both markups' }).click()
  await page.getByLabel('For the Word engine', { exact: true }).fill('<p>Only there</p>')
  await page.getByRole('button', { name: 'Close' }).click()
  await add(page, 'Divider')
  await page.getByLabel('Length, %').fill('40')
  await saved(page)
  const html = await htmlOf(page, job)
  for (const said of [
    'Nights',
    'Half past seven',
    'We saw it turn.',
    'You asked for news.',
    '<p style="color:#aa0000">Made by hand',
    '<!--[if mso]><p>Only there</p><![endif]-->',
    'width="40%"',
    'alt="Mastodon"',
  ])
    expect(html).toContain(said)
  expect(html).not.toContain('<script>')
})

test('a band gets cells whose widths always add up, and cells their own ground', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await freshBand(page)
  await page
    .getByRole('radiogroup', { name: 'Cells' })
    .or(page.getByRole('group', { name: 'Cells' }))
    .getByText('3', { exact: true })
    .click()
  await page.keyboard.press('j')
  await page.getByLabel('Width of the cell, px').fill('300')
  await page.keyboard.press('Tab')
  await saved(page)
  const band = (await emailOf(page, job)).bands[1]!
  expect(band.cells.map((c) => Math.round(c.width))).toEqual([300, 118, 118])
  await page.getByLabel('Ground of the cell', { exact: true }).fill('#123456')
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('Cell 1 of 3')
  await saved(page)
  expect(await htmlOf(page, job)).toContain('bgcolor="#123456"')
})

test('taken over by hand, the email is kept first, written on in its source, and brought back', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByText('by hand', { exact: true }).click()
  await page.getByRole('button', { name: 'Take the bands over' }).click()
  await expect(page.getByLabel('HTML of the email')).toBeVisible()
  await page
    .getByLabel('HTML of the email')
    .fill(
      '<html lang="en"><head><title>x</title></head><body><p>Written [[given_name | by hand]]</p><img src="x.png" onerror="document.title=1"></body></html>',
    )
  await expect(wide(page).getByText('Written by hand')).toBeVisible()
  await saved(page)
  expect(await htmlOf(page, job)).toContain('<p>Written [[given_name | by hand]]</p>')
  const { findings } = (await (await page.request.get(`/api/jobs/${job}/findings`)).json()) as {
    findings: { check: string }[]
  }
  expect(findings.map((f) => f.check)).toEqual(expect.arrayContaining(['by-hand', 'unsubscribe-missing']))
  await accessible(page)
  await page.getByRole('button', { name: 'Versions' }).click()
  await page.getByRole('button', { name: 'Bring back' }).first().click()
  await expect(page.locator('[aria-label=Spine]')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('HTML of the email')).toBeVisible()
})

test('an email of plain text is sent as that', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByText('plain text', { exact: true }).click()
  await page
    .getByLabel('The whole email as plain text')
    .fill('Dear [[given_name | friend]], the moon goes copper at ten.')
  await expect(page.getByLabel('The text as it is sent')).toContainText('Dear friend, the moon')
  await saved(page)
  expect(await (await page.request.get(`/api/jobs/${job}/eml`)).text()).not.toContain('text/html')
})

test('an email made elsewhere comes in as bands; fields are shown as one recipient sees them', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await page.getByRole('button', { name: 'Bring in HTML' }).click()
  await page
    .getByLabel('Source of the email')
    .fill(
      '<table width="600"><tr><td style="padding:20px"><h1>Old letter</h1><p>Dear [[given_name | friend]], it rains in [[city | town]].</p></td></tr><tr><td><marquee>Odd</marquee></td></tr></table>',
    )
  await page.getByRole('button', { name: 'Bring in the source' }).click()
  // What became code is told until it is read.
  await expect(page.getByRole('dialog', { name: 'Brought in' })).toContainText('One part was not understood')
  await accessible(page)
  await page.getByRole('button', { name: 'Good' }).click()
  await expect(wide(page).getByRole('heading', { name: 'Old letter' })).toBeVisible()
  await saved(page)
  expect((await emailOf(page, job)).bands.map((b) => b.cells[0]!.items.map((i) => i.kind))).toEqual([
    ['words'],
    ['code'],
  ])
  await page.getByRole('button', { name: 'Recipients' }).click()
  await page.getByRole('button', { name: '+ Recipient' }).click()
  await page.getByLabel('city of Recipient 1').fill('Halden')
  await page.keyboard.press('Escape')
  await page.getByLabel('Shown as').selectOption('Recipient 1')
  await expect(wide(page).getByText('it rains in Halden')).toBeVisible()
  await page.keyboard.press('j')
  await page.getByText('only for some recipients').click()
  await page.getByLabel('Value', { exact: true }).fill('Tarn')
  await expect(wide(page).getByRole('heading', { name: 'Old letter' })).toBeHidden()
  await page.getByLabel('Value', { exact: true }).fill('Halden')
  await expect(wide(page).getByRole('heading', { name: 'Old letter' })).toBeVisible()
})

test('changing the house style changes what inherits it, and says how many emails do', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Winter timetable')
  const { clients } = (await (await request.get('/api/clients')).json()) as {
    clients: { id: string; name: string; house: unknown }[]
  }
  const client = clients.find((c) => c.name === 'Halden Night Rail')!
  await open(page, job)
  await freshBand(page)
  await page.getByRole('button', { name: '+ Words' }).click()
  await expect(page.getByText('house', { exact: true }).first()).toBeVisible()
  await saved(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^House style of/ }).click()
  await page.getByLabel('Colour of Body', { exact: true }).fill('#0a5c2e')
  await accessible(page)
  await page.getByRole('button', { name: 'Save the house style' }).click()
  await expect(page.getByText(/emails inherit from this house style; .+ different now/)).toBeVisible()
  await expect(wide(page).getByText('Write here')).toHaveCSS('color', 'rgb(10, 92, 46)')
  // Other tests look at emails of the same client.
  await request.patch(`/api/clients/${client.id}`, { data: { house: client.house } })
})

test('a web font whose file is kept here is drawn in the app, while the email names the address that readers load it from', async ({
  page,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  const { clients } = (await (await request.get('/api/clients')).json()) as {
    clients: { id: string; name: string; house: unknown }[]
  }
  const client = clients.find((c) => c.name === 'Orrery Point Observatory')!
  await page.getByRole('button', { name: /^House style of/ }).click()
  await page.getByRole('button', { name: '+ Web font' }).click()
  const at = (label: string) => page.getByLabel(label, { exact: true })
  await at('Family of web font 3').fill('Karla')
  await at('Address of web font 3').fill('https://orrery-point.example/karla.woff2')
  const file = page.getByText('File to show it here').locator('input')
  await file.setInputFiles({
    name: 'a.woff2',
    mimeType: 'font/woff2',
    buffer: Buffer.from('wOF2, but no font'),
  })
  await expect(page.getByText('The letters of "a.woff2" cannot be drawn')).toBeVisible()
  await file.setInputFiles('node_modules/@fontsource/karla/files/karla-latin-400-normal.woff2')
  await expect(page.getByText('Shown here: another file').nth(3)).toBeVisible()
  await accessible(page)
  await page.getByLabel('Font of Body').selectOption('Karla')
  await page.getByRole('button', { name: 'Save the house style' }).click()
  await expect(page.getByText(/emails inherit from this house style/)).toBeVisible()
  const frame = page.locator('iframe[title="The email, Wide, 600 px wide"]')
  const loaded = () =>
    frame.evaluate((f: HTMLIFrameElement) =>
      [...f.contentDocument!.fonts].filter((face) => face.status === 'loaded').map((face) => face.family),
    )
  await expect.poll(loaded).toContain('Karla')
  const html = await htmlOf(page, job)
  expect(html).toContain("src:url('https://orrery-point.example/karla.woff2')")
  expect(html).not.toContain('/api/fonts/')
  // Other tests look at emails of the same client.
  await request.patch(`/api/clients/${client.id}`, { data: { house: client.house } })
})

test('a row of cells stands inside a cell, and goes again', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await open(page, job)
  await freshBand(page)
  await add(page, 'Row of cells')
  await expect(page.getByRole('navigation', { name: 'Path' })).toContainText('Cell 1 of 2')
  await page.getByRole('button', { name: '+ Words' }).click()
  await expect(wide(page).getByText('Write here')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Take the whole row out' }).click()
  await expect(wide(page).getByText('Write here')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(wide(page).getByText('Write here')).toBeVisible()
})
