import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { compile } from '@/core/compile'
import { newEmail } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import { plainHouseStyle, type HouseStyle } from '@/core/email/styles'
import { starterBand, starterBands, starterEmail, starterLayouts } from '@/core/starters'
import { drawingOf, drawn } from '@/core/starters/motifs'
import { tonesOf } from '@/core/starters/tones'
import { clients } from '../demo/scenario'

const houses: HouseStyle[] = [plainHouseStyle(), ...clients.map((c) => c.house)]

/** A starter's email as it would leave, with its pictures as they are drawn. */
const htmlOf = (email: Email, house: HouseStyle): string =>
  compile(email, house, {
    src: (p) =>
      `data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawn(drawingOf(p)!, tonesOf(house)))}`,
  })

test('no starter scrolls sideways at any width, whoever it is for', async ({ page }) => {
  const scrolling: string[] = []
  for (const [i, house] of houses.entries()) {
    const what = { house, width: 600 }
    const emails = [
      ...starterLayouts.map((l) => ({ name: l.name, email: starterEmail(l, what) })),
      // One email of all bands: each is as wide as the window allows.
      {
        name: 'all bands',
        email: { ...newEmail(600), bands: starterBands.map((b) => starterBand(b, what)) },
      },
    ]
    for (const { name, email } of emails) {
      await page.setContent(htmlOf(email, house))
      for (const width of [320, 375, 600]) {
        await page.setViewportSize({ width, height: 800 })
        const shown = await page.evaluate(() => document.documentElement.scrollWidth)
        if (shown > width) scrolling.push(`${name}, house ${i}: ${shown} at ${width} px`)
      }
    }
  }
  expect(scrolling).toEqual([])
})

test('axe finds nothing in the layouts of the starters, by day and at night', async ({ page }) => {
  const house = houses[1]!
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme })
    for (const layout of starterLayouts) {
      await page.setContent(htmlOf(starterEmail(layout, { house, width: 600 }), house))
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(violations.map((v) => `${layout.name}: ${v.id} ${v.nodes[0]?.html.slice(0, 120)}`)).toEqual([])
    }
  }
})
