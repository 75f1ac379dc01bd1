import { expect, test, type Page } from '@playwright/test'
import { accessible, copyOf, quiet } from './support'

/** Opens a copy of a job at the readers of its Proof, and waits for their pictures. */
async function readers(page: Page, request: Parameters<typeof copyOf>[0], job: string): Promise<string> {
  const id = await copyOf(request, job)
  await page.goto(`/jobs/${id}`)
  await page.getByRole('button', { name: /^Proof/ }).click()
  await page.getByRole('radio', { name: 'Readers' }).click()
  await drawn(page)
  return id
}
const drawn = (page: Page) =>
  expect(page.getByText(/least like the email as written first/)).toBeVisible({ timeout: 120_000 })
const alike = async (page: Page): Promise<Map<string, number>> => {
  const found = new Map<string, number>()
  for (const one of await page.locator('[data-reader]').all())
    found.set(
      (await one.getAttribute('data-reader'))!,
      Number(/(\d+) % alike/.exec(await one.innerText())?.[1]),
    )
  return found
}

test('the wall shows every reader, the least alike first; one becomes a lens that follows edits', async ({
  page,
  request,
}) => {
  test.slow()
  const id = await readers(page, request, 'Winter timetable')
  const found = await alike(page)
  expect(found.size).toBeGreaterThanOrEqual(16)
  expect([...found.values()]).toEqual([...found.values()].toSorted((a, b) => a - b))
  // What knows everything shows it as it was made; what has no web fonts, or lays out with a word processor's engine, does not.
  expect(found.get('apple-phone')).toBe(100)
  expect(found.get('gmail-web')!).toBeLessThan(100)
  expect(found.get('outlook-windows')!).toBeLessThan(found.get('apple-desktop')!)

  await page.locator('[data-reader=outlook-windows]').click()
  const name = 'Outlook, Windows (Word engine)'
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
  const lens = page.frameLocator(`iframe[title*="${name}"]`)
  const button = lens.getByRole('link', { name: 'See your train' })
  // Its button is the drawing: its ground, with square edges or not, and as high as it was said to be.
  const look = await button.evaluate((e) => ({
    ground: getComputedStyle(e).backgroundColor,
    height: e.getBoundingClientRect().height,
  }))
  expect(look.ground).not.toBe('rgba(0, 0, 0, 0)')
  expect(look.height).toBeGreaterThanOrEqual(44)
  expect(await lens.locator('body').innerHTML()).not.toContain('<v:')

  // By keyboard, and in the finder.
  await page.locator('[data-reader=apple-phone]').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Apple Mail, iOS', exact: true })).toBeVisible()
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('What do you want to do?').fill('show as in gmail, web')
  await expect(page.getByRole('option', { name: /Gmail, web/ })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Gmail, web', exact: true })).toBeVisible()

  // What is changed is shown anew.
  const { email, revision } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as {
    email: unknown
    revision: number
  }
  const changed = JSON.parse(JSON.stringify(email).replaceAll('See your train', 'See your berth')) as unknown
  const put = await request.put(`/api/jobs/${id}/email`, { data: { revision, email: changed } })
  expect(put.status()).toBe(200)
  await expect(page.frameLocator('iframe[title*="Wide"]').getByText('See your berth')).toBeVisible()
  await expect(page.frameLocator('iframe[title*="Gmail, web"]').getByText('See your berth')).toBeVisible()
})

test('at night each reader has its own dark', async ({ page, request }) => {
  test.slow()
  await readers(page, request, 'How to sow a row')
  await page.locator('[data-reader=gmail-ios]').click()
  const ground = () =>
    page
      .frameLocator('iframe[title*="Gmail, iOS"]')
      .locator('[role=article]')
      .evaluate((e) => getComputedStyle(e).backgroundColor)
  const day = await ground()
  await page.getByRole('radio', { name: 'At night' }).click()
  await drawn(page)
  await expect.poll(ground).not.toBe(day)
  await expect(page.locator('[data-reader=gmail-web]')).toContainText('Has no dark of its own')
  await quiet(page)
  await accessible(page)
})

test('in Compose a reader is a lens like others, and is changed there', async ({ page, request }) => {
  const id = await copyOf(request, 'Winter timetable')
  await page.goto(`/jobs/${id}?stage=compose`)
  await page.getByRole('button', { name: 'Add a lens' }).click()
  await page.getByRole('menuitem', { name: 'Reader', exact: true }).click()
  const lens = page.frameLocator('iframe[title*="Reader"]')
  await page.getByLabel('Reader', { exact: true }).selectOption({ label: 'Outlook, Windows (Word engine)' })
  await expect(page.getByText(/^Corners are square/)).toBeVisible()
  await expect(lens.getByRole('link', { name: 'See your train' })).toBeVisible()
  // It is remembered with the browser.
  await page.reload()
  await expect(page.getByLabel('Reader', { exact: true })).toHaveValue('outlook-windows')
})

test('an email is seen by day in the lenses, though the machine is dark', async ({ page, request }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  const id = await copyOf(request, 'Winter timetable')
  const { email, revision } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as {
    email: object
    revision: number
  }
  const html =
    '<!doctype html><style>p{color:#112233}@media (prefers-color-scheme:dark){p{color:#eeddcc}}</style><p>Swim the harbour</p>'
  const put = await request.put(`/api/jobs/${id}/email`, {
    data: { revision, email: { ...email, way: 'hand', hand: { html, pictures: {}, inline: false } } },
  })
  expect(put.status()).toBe(200)
  await page.goto(`/jobs/${id}?stage=proof`)
  const words = page.frameLocator('iframe[title*="Wide"]').getByText('Swim the harbour')
  await expect(words).toHaveCSS('color', 'rgb(17, 34, 51)')
})
