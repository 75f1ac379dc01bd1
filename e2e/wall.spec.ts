import { expect, test } from '@playwright/test'
import { accessible, copyOf } from './support'

test('jobs are renamed, copied, archived and brought back, and the last step can be undone', async ({
  page,
  request,
}) => {
  const id = await copyOf(request, 'Sowing letter')
  await page.goto('/')
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  const strip = page.locator(`[data-job="${id}"]`)
  await strip.getByRole('button', { name: /^More for/ }).click()
  await page.getByRole('menuitem', { name: 'Rename or set the day' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Autumn letter')
  await page.getByLabel('Due').fill('2026-12-24')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(strip.getByRole('heading')).toHaveText('Autumn letter')
  await expect(strip).toContainText('Thu 24 Dec')
  await strip.getByRole('button', { name: /^More for/ }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.getByRole('heading', { name: 'Autumn letter (copy)' })).toBeVisible()
  await strip.getByRole('button', { name: /^More for/ }).click()
  await page.getByRole('menuitem', { name: 'Archive' }).click()
  await expect(strip).toBeHidden()
  await page
    .locator('[data-sonner-toast]')
    .filter({ hasText: 'archived' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect(strip).toBeVisible()
  await page.getByRole('radio', { name: 'By due date' }).click()
  await expect(
    page
      .getByRole('region', { name: 'Thu 24 Dec' })
      .getByRole('heading', { name: 'Autumn letter', exact: true }),
  ).toBeVisible()
})

test('a dropped file opens the new job; a bad one is refused in words, and what was typed stays', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.locator('[data-ready=true]')).toBeVisible()
  const data = await page.evaluateHandle(() => {
    const d = new DataTransfer()
    d.items.add(new File(['no picture at all'], 'spring-sale.png', { type: 'image/png' }))
    return d
  })
  await page.dispatchEvent('[data-ready]', 'drop', { dataTransfer: data })
  await expect(page.getByRole('dialog')).toContainText('spring-sale.png')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Spring sale')
  await accessible(page)
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'not a design' })).toContainText('spring-sale.png')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Spring sale')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
})

test('an address that leads nowhere says so', async ({ page }) => {
  const response = await page.goto('/jobs/nothing')
  expect(response!.status()).toBe(404)
  await expect(page.getByRole('link', { name: 'Back to the wall' })).toBeVisible()
})
