import { expect, test, type Page } from '@playwright/test'
import sharp from 'sharp'
import { contrast } from '@/core/color/contrast'
import { compile } from '@/core/compile'
import { applyEdit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { nightPalette } from '@/core/night/palette'
import { buildScene } from '@/test-support/built'
import { regularEmails } from '@/test-support/regular'
import { sceneOf } from '@/test-support/scenes'
import { studioDesigns } from '@/test-support/studio'
import { clients } from '../demo/scenario'

/*
 * Night colours as Chromium draws them: what is proposed leaves no more words unread than there were (WCAG 2.2, 1.4.3), told by the pixels behind each line.
 */

interface Line {
  says: string
  ink: string
  /** Whether it counts as large: 24 px, or 18.66 px and bold (WCAG 2.2, large scale). */
  large: boolean
  box: { x: number; y: number; w: number; h: number }
}

/** Every line of words that is seen. */
function linesShown(): Line[] {
  const out: Line[] = []
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  const hex = (color: string) => {
    const [r = 0, g = 0, b = 0, alpha = 1] = color.match(/[\d.]+/g)!.map(Number)
    return alpha < 1 ? null : `#${[r, g, b].map((v) => v.toString(16).padStart(2, '0')).join('')}`
  }
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const of = node.parentElement!
    const style = getComputedStyle(of)
    const ink = hex(style.color)
    if (!node.textContent!.trim() || !ink || style.visibility === 'hidden') continue
    const range = document.createRange()
    range.selectNodeContents(node)
    const size = Number.parseFloat(style.fontSize)
    for (const { x, y, width: w, height: h } of range.getClientRects())
      if (w >= 4 && h >= 6 && size >= 6 && of.checkVisibility())
        out.push({
          says: node.textContent!.trim().slice(0, 40),
          ink,
          large: size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700),
          box: { x: x + scrollX, y: y + scrollY, w, h },
        })
  }
  return out
}

/** Lines that cannot be read on what is drawn behind them. */
async function unread(page: Page, email: Email, house: HouseStyle, crops: ReadonlyMap<string, string>) {
  await page.setContent(
    compile(email, house, { src: (p) => crops.get(p.id) ?? '', fields: () => 'x', conditions: () => true }),
  )
  const lines = await page.evaluate(linesShown)
  await page.addStyleTag({
    content:
      '*{color:transparent!important;-webkit-text-fill-color:transparent!important;text-decoration:none!important}img{visibility:hidden!important}',
  })
  const { data, info } = await sharp(await page.screenshot({ fullPage: true }))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return lines.flatMap(({ says, ink, large, box }) => {
    const counts = new Map<number, number>()
    for (let y = Math.ceil(box.y); y < Math.min(info.height, box.y + box.h); y++)
      for (let x = Math.ceil(box.x); x < Math.min(info.width, box.x + box.w); x++) {
        const i = 3 * (y * info.width + x)
        const color = (data[i]! << 16) | (data[i + 1]! << 8) | data[i + 2]!
        counts.set(color, (counts.get(color) ?? 0) + 1)
      }
    const [common] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? []
    if (common === undefined) return []
    const ground = `#${common.toString(16).padStart(6, '0')}`
    const ratio = contrast(ink, ground)
    return ratio < (large ? 3 : 4.5) - 0.05 ? [`${says}: ${ink} on ${ground}, ${ratio.toFixed(1)}`] : []
  })
}

/** Proposes the night, and looks at the email by day, at night before and after. */
async function looked(page: Page, email: Email, house: HouseStyle, crops = new Map<string, string>()) {
  const night = nightPalette(email, house).reduce(applyEdit, email)
  await page.setViewportSize({ width: email.width, height: 600 })
  await page.emulateMedia({ colorScheme: 'light' })
  const day = await unread(page, email, house, crops)
  await page.emulateMedia({ colorScheme: 'dark' })
  const before = await unread(page, email, house, crops)
  const after = await unread(page, night, house, crops)
  return { day, before, after }
}

test('the measuring itself tells what cannot be read', async ({ page }) => {
  const [, email, house] = regularEmails()[0]!
  const faint = { ...house, text: structuredClone(house.text) }
  for (const style of Object.values(faint.text)) style.color = '#d8d8d8'
  const { day, after } = await looked(page, email, faint)
  expect(day.length).toBeGreaterThan(3)
  expect(after).toEqual([])
})

test('layouts to begin from, and emails written by hand', async ({ page }) => {
  for (const [name, email, house] of regularEmails()) {
    const { day, after } = await looked(page, email, house)
    expect({ name, after: after.slice(day.length) }).toEqual({ name, after: [] })
  }
})

test('emails built from designs', async ({ page }) => {
  const designs = [...[3, 7, 10].map((seed) => sceneOf(seed)), ...studioDesigns().slice(0, 6)]
  for (const design of designs) {
    const { email, house, crops } = await buildScene(design)
    const { before, after } = await looked(page, email, house, crops)
    expect({ name: design.name, after: after.slice(before.length) }).toEqual({ name: design.name, after: [] })
  }
})

test('the demo', async ({ page, request }) => {
  const json = async <T>(path: string) => (await (await request.get(path)).json()) as T
  const { jobs } = await json<{ jobs: { id: string; name: string; client: { name: string } }[] }>('/api/jobs')
  expect(jobs.length).toBeGreaterThan(3)
  let seen = 0
  for (const { id, name, client } of jobs) {
    const house = clients.find((c) => c.name === client.name)?.house
    const { email } = await json<{ email?: Email }>(`/api/jobs/${id}/email`)
    if (!email?.bands.length || !house) continue
    seen++
    const { before, after } = await looked(page, email, house)
    expect({ name, after: after.slice(before.length) }).toEqual({ name, after: [] })
  }
  expect(seen).toBeGreaterThan(3)
})
