import { expect, test, type Page } from '@playwright/test'
import { saved } from './support'

/** Goes on by Tab until something of a name has the focus. */
async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab')
    const at = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement
      const label = e.id ? document.querySelector(`label[for="${e.id}"]`) : e.closest('label')
      return e.getAttribute('aria-label') ?? label?.textContent ?? e.textContent ?? ''
    })
    if (name.test(at.trim())) return
  }
  throw new Error(`Tab does not come to ${name}`)
}

/** Adds what is found by a name. */
const add = (page: Page, name: string) => find(page, '/', name)

async function find(page: Page, keys: string, name: string): Promise<void> {
  await page.keyboard.press(keys)
  await expect(page.getByPlaceholder('What do you want to do?')).toBeFocused()
  await page.keyboard.type(name)
  await page.keyboard.press('Enter')
}

test('a whole email is made from an empty job to the ZIP without a mouse', async ({ page }) => {
  await page.goto('/')
  await page.waitForSelector('[data-ready=true]')
  await page.keyboard.press('n')
  await expect(page.getByRole('dialog', { name: 'New job' })).toBeVisible()
  await tabTo(page, /^a design$/)
  for (const beginning of ['a starter', 'the shelf', 'an email', 'nothing']) {
    await page.keyboard.press('ArrowRight')
    await expect(page.getByRole('radio', { name: beginning })).toBeFocused()
  }
  await page.keyboard.press('Space')
  await tabTo(page, /^Name/)
  await page.keyboard.type('Made by keys')
  await page.keyboard.press('Enter')
  await page.waitForURL(/\/jobs\//)
  await page.waitForSelector('[data-lens=Wide]')
  const wide = page.frameLocator('iframe[title="The email, Wide, 600 px wide"]')

  // Bands of the starters, and one of its own with a tile.
  await add(page, 'name over a line')
  await expect(page.getByRole('button', { name: /^Band Name over a line/ })).toBeVisible()
  await page.keyboard.press('b')
  await expect(page.getByRole('button', { name: /^Band New band/ })).toBeVisible()
  await add(page, 'add words')
  await expect(wide.getByText('Write here')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.locator('.ProseMirror')).toBeFocused()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Not a mouse in the house.')
  await page.keyboard.press('Escape')
  await expect(wide.getByText('Not a mouse in the house.')).toBeVisible()
  await add(page, 'foot in the middle')
  await expect(page.getByRole('button', { name: /^Band Foot in the middle/ })).toBeVisible()

  // The band of words goes up and comes back.
  await page.keyboard.press('k')
  await page.keyboard.press('k')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^Band Foot in the middle/ })).toHaveCount(0)
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByRole('button', { name: /^Band Foot in the middle/ })).toBeVisible()

  // Another lens, and back.
  await find(page, 'Control+k', 'open the night lens')
  await expect(page.getByRole('region', { name: 'Night lens' })).toBeVisible()

  await page.keyboard.press('Alt+7')
  await tabTo(page, /^Subject/)
  await page.keyboard.type('All by keys')
  await tabTo(page, /^Preheader/)
  await page.keyboard.type('From the first press to the last')
  await saved(page)
  const download = page.waitForEvent('download')
  await tabTo(page, /^Save the ZIP/)
  await page.keyboard.press('Enter')
  expect((await download).suggestedFilename()).toMatch(/\.zip$/)
})
