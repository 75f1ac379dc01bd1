import { expect, test, type Page } from '@playwright/test'
import sharp from 'sharp'
import { compile } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import { tilesOf } from '@/core/email/walk'
import { buildScene, type Built } from '@/test-support/built'
import { narrowFaults, shownThings } from '@/test-support/narrow'
import { thorough } from '@/test-support/samples'
import { FACE, sceneOf, wrongIn } from '@/test-support/scenes'
import { pairedDesign } from '@/test-support/paired'
import { studioDesigns, type Expected } from '@/test-support/studio'
import { unseenDesigns } from '@/test-support/studio-unseen'
import { likeness } from './support'

/* What the first build of a flat picture means: read from its pixels, with its words as a perfect reading would give them. */

const shown = async (page: Page, { email, house, crops }: Built, width: number) => {
  await page.setViewportSize({ width, height: 400 })
  await page.setContent(compile(email, house, { src: (p) => crops.get(p.id) ?? '' }))
  await page.evaluate(() => Promise.all([...document.images].map((i) => i.decode().catch(() => {}))))
}

/** Likeness at the design's width, and what is wrong on two phones. */
async function looked(page: Page, built: Built): Promise<{ alike: number; high: number; faults: string[] }> {
  const { scene } = built
  await shown(page, built, scene.width)
  const shot = await page.screenshot({ fullPage: true })
  const design = await sharp(Buffer.from(scene.svg(1)))
    .flatten({ background: '#ffffff' })
    .png()
    .toBuffer()
  const alike = await likeness(shot, design, scene.width, scene.height)
  const high = (await sharp(shot).metadata()).height / scene.height
  const faults: string[] = []
  for (const width of [375, 320]) {
    await shown(page, built, width)
    const found = narrowFaults(scene, await page.evaluate(shownThings), width)
    faults.push(...found.map((f) => `${width} px: ${f}`))
  }
  return { alike, high, faults }
}

/** What an email holds, in the words of what is expected. */
function heldBy(email: Email): Expected {
  const tiles = email.bands.flatMap((b) => [...tilesOf(b)])
  return {
    tables: tiles.flatMap((t) => (t.kind === 'table' ? [[t.rows.length, t.columns.length] as const] : [])),
    marks: tiles.flatMap((t) => (t.kind === 'marks' ? [t.marks.length] : [])),
    menus: tiles.flatMap((t) => (t.kind === 'menu' ? [t.items.length] : [])),
    lists: tiles.flatMap((t) =>
      t.kind === 'words'
        ? t.text.content.flatMap((b) => (b.type === 'bulletList' ? [b.content.length] : []))
        : [],
    ),
    quotes: tiles.filter((t) => t.kind === 'review').length,
  }
}

const nothing = { tables: [], marks: [], menus: [], lists: [], quotes: 0 }

for (const seed of thorough ? Array.from({ length: 16 }, (_, i) => i + 1) : [3, 7, 10, 12])
  test(`scene ${seed} is right on phones too: nothing lost, marks keep their size, what is centred stays so, one left edge`, async ({
    page,
  }) => {
    const { alike, high, faults } = await looked(page, await buildScene(sceneOf(seed)))
    expect(faults).toEqual([])
    expect(alike).toBeGreaterThanOrEqual(0.93)
    expect(Math.abs(high - 1)).toBeLessThan(0.01)
  })

for (const design of [...studioDesigns(), ...unseenDesigns()])
  test(`${design.name}${design.tuned ? '' : ', not looked at while tuning'}: what is meant is built, and is right on phones`, async ({
    page,
  }) => {
    test.fail(wrongIn(FACE).has(design.name), 'tuned to the letters of another face')
    const built = await buildScene(design)
    expect(heldBy(built.email)).toEqual({ ...nothing, ...design.expected })
    const { alike, high, faults } = await looked(page, built)
    expect(faults).toEqual([])
    expect(alike).toBeGreaterThanOrEqual(0.93)
    expect(Math.abs(high - 1)).toBeLessThan(0.01)
  })

test('where a narrow design is paired, phones follow it: its sizes, sides, spaces and order, and what it leaves out', async ({
  page,
}) => {
  test.fail(wrongIn(FACE).has('paired'), 'tuned to the letters of another face')
  const { wide, narrow } = pairedDesign()
  const built = await buildScene(wide, 2, undefined, narrow)
  await shown(page, built, 375)
  const shot = await page.screenshot({ fullPage: true })
  const drawn = await sharp(Buffer.from(narrow.svg(1)))
    .png()
    .toBuffer()
  expect(Math.abs((await sharp(shot).metadata()).height / narrow.height - 1)).toBeLessThan(0.01)
  // Its photograph is drawn in another size, with other grain.
  expect(await likeness(shot, drawn, 375, narrow.height)).toBeGreaterThanOrEqual(0.88)
  // On wide nothing changed.
  const { alike } = await looked(page, built)
  expect(alike).toBeGreaterThanOrEqual(0.93)
})
