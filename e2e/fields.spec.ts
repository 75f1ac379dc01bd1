import { expect, test, type Page } from '@playwright/test'
import type { Email, Row } from '@/core/email/schema'
import type { Tile } from '@/core/email/tile'
import { jobId, quiet } from './support'

/** Fields in the tray whose value is wider than they are; free text may be longer than any field. */
const cutFields = (page: Page) =>
  page.evaluate(() => {
    const pen = document.createElement('canvas').getContext('2d')!
    return [
      ...document.querySelectorAll<HTMLInputElement | HTMLSelectElement>('section input, section select'),
    ]
      .filter((e) => e.checkVisibility() && !/checkbox|radio|range|color|file/.test(e.type))
      .flatMap((e) => {
        const s = getComputedStyle(e)
        pen.font = `${s.fontStyle} ${s.fontWeight} ${s.fontSize} ${s.fontFamily}`
        const said = e instanceof HTMLSelectElement ? (e.selectedOptions[0]?.text ?? '') : e.value
        // The arrow of a list, and the calendar of a date.
        const beside = e instanceof HTMLSelectElement ? 16 : /date/.test(e.type) ? 20 : 0
        const room = e.clientWidth - parseFloat(s.paddingLeft) - parseFloat(s.paddingRight) - beside
        const free = e.type === 'text' && /\s/.test(said.trim())
        return !free && said.length <= 24 && pen.measureText(said).width > room + 1
          ? [`${e.getAttribute('aria-label') ?? e.id}: "${said}"`]
          : []
      })
  })

test('at 1280 px no field of any tray cuts its value off', async ({ page, request }) => {
  test.slow()
  const cut: string[] = []
  const seen = new Set<string>()
  for (const name of ['Winter timetable', 'Eclipse night']) {
    const id = await jobId(request, name)
    const { email } = (await (await request.get(`/api/jobs/${id}/email`)).json()) as { email: Email }
    const inRow = (row: Pick<Row, 'cells'>): Tile[] =>
      row.cells.flatMap((c) => c.items.flatMap((i) => (i.kind === 'row' ? inRow(i) : [i])))
    await page.goto(`/jobs/${id}?stage=compose`)
    const lens = page.locator('[aria-label="Wide lens"] iframe').first().contentFrame()
    const tiles = email.bands.flatMap(inRow)
    // The frame is built in turns.
    await quiet(page)
    await lens
      .locator(`[data-m~="${tiles.at(-1)!.id}"]`)
      .first()
      .waitFor()
    for (const tile of tiles) {
      const at = lens.locator(`[data-m~="${tile.id}"]`).first()
      if (seen.has(tile.kind) || !(await at.count())) continue
      await at.click({ force: true, position: { x: 5, y: 5 } })
      await expect(page.locator('section[aria-label=Tray]').first()).toBeVisible()
      seen.add(tile.kind)
      cut.push(...(await cutFields(page)).map((c) => `${tile.kind}: ${c}`))
    }
    for (const stage of ['motion', 'night', 'interact', 'handover', 'cut']) {
      await page.goto(`/jobs/${id}?stage=${stage}`)
      await page.locator('section').first().waitFor()
      await quiet(page)
      cut.push(...(await cutFields(page)).map((c) => `${stage}: ${c}`))
    }
  }
  expect(seen.size).toBeGreaterThan(4)
  expect(cut).toEqual([])
})
