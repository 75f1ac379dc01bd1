import { expect, test, type Page } from '@playwright/test'
import { accessible, copyOf, quiet } from './support'

/** From the menu of what goes through the whole email. */
const ofWhole = (name: string) => async (page: Page) => {
  await page.getByRole('button', { name: 'Whole email' }).click()
  await page.getByRole('menuitem', { name }).click()
}
const press = (name: string | RegExp) => (page: Page) => page.getByRole('button', { name }).first().click()

/** Every dialog that is opened with nothing selected, and how. */
const dialogs: [string, (page: Page) => Promise<void>][] = [
  ['find and replace', ofWhole('Find and replace')],
  ['all links', ofWhole('All links')],
  ['what links say', ofWhole('What links say of where they stand')],
  ['all pictures', ofWhole('All pictures')],
  ['approval', ofWhole('Approval by the client')],
  ['versions', press('Versions')],
  ['bring in HTML', press('Bring in HTML')],
  ['house style', press(/^House style of/)],
  ['starters and shelf', press('Starters and shelf')],
  ['shelf of pictures', press('Shelf…')],
  ['recipients', press('Recipients')],
  ['the text part', press('Read')],
]

for (const theme of ['plaster', 'slate'])
  test(`every dialog of the bench passes axe in ${theme}, and Escape closes it`, async ({
    page,
    request,
  }) => {
    await page.addInitScript((t) => localStorage.setItem('mosaicus:theme', t), theme)
    const job = await copyOf(request, 'Eclipse night')
    await page.goto(`/jobs/${job}?stage=compose`)
    await expect(page.locator('[data-lens=Wide]')).toBeVisible()
    await quiet(page)
    const dialog = page.getByRole('dialog')
    for (const [name, open] of dialogs)
      await test.step(name, async () => {
        await open(page)
        await expect(dialog).toBeVisible()
        await accessible(page)
        await page.keyboard.press('Escape')
        await expect(dialog).toHaveCount(0)
      })
    await page.keyboard.press('j')
    await page.keyboard.press('/')
    await expect(dialog).toBeVisible()
    await accessible(page)
    await page.keyboard.press('Escape')
    // The page of the house style, too.
    await page.goto('/')
    await page.getByRole('link', { name: 'House style' }).last().click()
    await expect(page.locator('[data-ready=true]')).toBeVisible()
    await accessible(page)
  })

test('where a colour is chosen, the exact colours of the design are offered', async ({ page, request }) => {
  const job = await copyOf(request, 'Eclipse night')
  await page.goto(`/jobs/${job}?stage=compose`)
  await expect(page.locator('[data-lens=Wide]')).toBeVisible()
  await page.getByRole('button', { name: 'Ground behind the email: choose a colour' }).click()
  const offered = page.getByRole('group', { name: 'Colours of the design' }).getByRole('button')
  await expect(offered.first()).toBeVisible()
  // The copper of the drawn design (demo/designs).
  await expect(page.getByRole('button', { name: 'design, #b4572f' })).toBeVisible()
  await accessible(page)
})
