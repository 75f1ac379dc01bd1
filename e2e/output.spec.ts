import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { compile } from '@/core/compile'
import { goods, letter, referenceHouse, stories } from '@/test-support/references'

const picture = `data:image/svg+xml,${encodeURIComponent('<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><rect width="60" height="40" fill="teal"/></svg>')}`

test('axe finds nothing in what leaves, by day and at night', async ({ page }) => {
  for (const email of [letter(), goods(), stories()])
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      await page.setContent(compile(email, referenceHouse, { src: () => picture, print: 'compact' }))
      // Of every rule, those of good practice too: landmarks, one heading 1.
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(violations.map((v) => `${colorScheme}: ${v.id}: ${v.nodes[0]!.html.slice(0, 120)}`)).toEqual([])
    }
})
