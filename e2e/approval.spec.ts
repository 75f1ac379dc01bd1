import { expect, test } from '@playwright/test'
import { accessible, copyOf } from './support'

test('a client looks at the email under a link, pins a remark and says yes; the bench shows it at its band and settles it', async ({
  page,
  browser,
  request,
}) => {
  const job = await copyOf(request, 'Eclipse night')
  await page.goto(`/jobs/${job}?stage=compose`)
  await page.waitForSelector('[data-lens=Wide]')
  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name: 'Approval by the client' }).click()
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = page.getByRole('link', { name: /^\/share\// })
  await expect(link).toBeVisible()
  await accessible(page)
  const address = (await link.getAttribute('href'))!
  await page.keyboard.press('Escape')

  // Another person, in a browser of their own.
  const client = await (await browser.newContext()).newPage()
  await client.goto(address)
  await expect(client.getByRole('heading', { name: 'The moon goes copper at ten' })).toBeVisible()
  const wide = client.frameLocator('iframe[title="The email, Wide, 600 px wide"]')
  await expect(wide.getByText('Bring a coat and a flask')).toBeVisible()
  const picture = wide.locator('img').first()
  await expect
    .poll(() => picture.evaluate((i: HTMLImageElement) => i.naturalWidth), { timeout: 15_000 })
    .toBeGreaterThan(0)
  await client.getByRole('radio', { name: 'Design' }).click()
  await expect(client.getByRole('img', { name: 'The design' })).toBeVisible()
  await client.getByLabel('Place of the remark').selectOption('Bring a coat')
  await client.getByLabel('The remark', { exact: true }).fill('Say that there is tea.')
  await client.getByLabel('Your name').fill('Ada of the observatory')
  await client.getByRole('button', { name: 'Pin the remark' }).click()
  await expect(client.getByRole('list', { name: 'Remarks so far' })).toContainText('Say that there is tea.')
  await accessible(client)
  await client.getByLabel('Who says yes').fill('Ada')
  await client.getByRole('button', { name: 'Yes, send it' }).click()
  await expect(client.getByText(/^Ada said yes on/)).toBeVisible()

  // Other pictures than those of this email are not shown under the link.
  const token = address.split('/').at(-1)!
  expect((await request.get(`/api/shares/${token}/pictures/${'a'.repeat(64)}`)).status()).toBe(404)

  await page.reload()
  await expect(page.getByRole('button', { name: /^Band Bring a coat.*1 remark$/ })).toBeVisible()
  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name: 'Approval by the client' }).click()
  await expect(page.getByText('Ada said yes')).toBeVisible()
  await page.getByRole('button', { name: 'Settle' }).click()
  await expect(page.getByRole('button', { name: 'Take up again' })).toBeVisible()
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByText('taken back')).toBeVisible()
  await client.reload()
  await expect(client.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible()
})
