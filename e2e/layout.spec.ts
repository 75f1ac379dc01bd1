import { expect, test, type Page } from '@playwright/test'
import fc from 'fast-check'
import { compile, type CompileOptions } from '@/core/compile'
import { NARROW } from '@/core/tiles/rules'
import { blockWidth, measureBand } from '@/core/email/measures'
import type { Band, Cell, Email, Row } from '@/core/email/schema'
import { cellsOf, placesOf } from '@/core/email/walk'
import { replaceFields, asSample } from '@/core/text/fields'
import { definitionOf } from '@/core/tiles'
import { house, roomyEmail } from '@/test-support/emails'

// What Chromium makes of generated documents: the browser, not our own code, says how wide things are.
const WIDTHS = [320, 375, 480, 600, 900]
const DOCS = 60
const src = (p: { id: string; type: string }) =>
  `data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' width='40' height='30'/>#${p.id.slice(0, 4)}`
const everyone = () => true
const docs = fc.sample(roomyEmail, { numRuns: DOCS, seed: 2026 }).map((e, i): Email => ({
  ...e,
  dir: i % 2 ? 'rtl' : 'ltr',
  bands: e.bands.map((b) => ({ ...b, dir: undefined })),
}))

interface Box {
  id: string
  left: number
  top: number
  width: number
  height: number
  seen: boolean
}
interface Seen {
  scroll: number
  boxes: Box[]
  buttons: number[]
  words: string
}

async function look(
  page: Page,
  email: Email,
  width: number,
  options: Partial<CompileOptions> = {},
): Promise<Seen> {
  await page.setViewportSize({ width, height: 800 })
  await page.setContent(
    compile(email, house, {
      src,
      marks: true,
      apart: true,
      conditions: everyone,
      fields: asSample(),
      ...options,
    }),
  )
  return page.evaluate(() => {
    const seen = (e: Element) => (e as HTMLElement).checkVisibility()
    return {
      scroll: document.documentElement.scrollWidth,
      // One element may mark several things.
      boxes: [...document.querySelectorAll<HTMLElement>('[data-m]')].flatMap((e) => {
        const { left, top, width, height } = e.getBoundingClientRect()
        return e.dataset.m!.split(' ').map((id) => ({ id, left, top, width, height, seen: seen(e) }))
      }),
      buttons: [...document.querySelectorAll<HTMLElement>('td[bgcolor]:has(> a)')]
        .filter((a) => seen(a) && a.innerText.trim())
        .map((a) => a.getBoundingClientRect().height),
      words: document.body.innerText,
    }
  })
}

/** Rows with more than one cell, with the width on which they may be seen. */
function* rowsOf(row: Band | Row): Generator<Band | Row> {
  if (row.cells.length > 1) yield row
  for (const c of row.cells) for (const i of c.items) if (i.kind === 'row') yield* rowsOf(i)
}

test('no window scrolls sideways, with a style sheet and without, in both directions', async ({ page }) => {
  test.slow()
  const wide: string[] = []
  for (const [i, email] of docs.entries())
    for (const styles of ['both', 'inline'] as const)
      for (const width of WIDTHS) {
        const { scroll } = await look(page, email, width, { styles })
        // An email is shown on a window at least as wide as it is, or on a narrow one.
        if (scroll > width + 0.5 && (width <= NARROW || width >= email.width))
          wide.push(`document ${i}, ${styles}, ${width} px: ${scroll}`)
      }
  expect(wide).toEqual([])
})

test('cells have the widths of the document, within 1 px, and stand beside or below each other as asked', async ({
  page,
}) => {
  const wrong: string[] = []
  let cells = 0,
    rows = 0
  for (const [i, email] of docs.entries())
    for (const styles of ['both', 'inline'] as const)
      for (const width of [375, 900]) {
        const boxes = new Map((await look(page, email, width, { styles })).boxes.map((b) => [b.id, b]))
        for (const band of email.bands) {
          const measures = measureBand(band, email.width)
          if (width === 900)
            for (const cell of cellsOf(band)) {
              const box = boxes.get(cell.id)
              if (!box?.seen) continue
              cells++
              // A band's only cell may stand in the band's own table: its place is that of the band.
              const { outer } = measures.get(cell.id)!
              const room =
                band.cells.length === 1 && cell === band.cells[0]
                  ? [outer, blockWidth(band, email.width)]
                  : [outer]
              if (room.every((w) => Math.abs(box.width - w) > 1))
                wrong.push(`document ${i}, ${styles}: cell ${cell.id} has ${box.width}, wants ${outer}`)
            }
          for (const row of rowsOf(band)) {
            // A row inside one of several cells has more room once these are stacked, and without a style
            // sheet it uses it.
            if (styles === 'inline' && row !== band && band.cells.length > 1) continue
            const [a, b] = row.cells.slice(0, 2).map((c) => boxes.get(c.id)) as [Box, Box]
            if (!a?.seen || !b?.seen || !a.height || !b.height) continue
            rows++
            const beside = Math.min(a.left + a.width, b.left + b.width) <= Math.max(a.left, b.left) + 1
            const stays = width === 900 || row.narrow === 'keep'
            if (beside !== stays)
              wrong.push(
                `document ${i}, ${styles}, ${width} px: row of ${row.cells.map((c) => c.id).join(', ')} (${row.narrow}) is ${beside ? 'beside' : 'stacked'}`,
              )
            const rtl = (band.dir ?? email.dir) === 'rtl'
            if (beside && a.left < b.left === rtl)
              wrong.push(
                `document ${i}, ${styles}, ${width} px: ${row.cells[0]!.id} stands on the wrong side`,
              )
            if (
              !beside &&
              !stays &&
              !row.cells.some((c) => c.narrow?.place) &&
              a.top < b.top === (row.narrow === 'reverse')
            )
              wrong.push(
                `document ${i}, ${styles}: ${row.cells[0]!.id} stacked in the wrong order (${row.narrow})`,
              )
          }
        }
      }
  expect(cells).toBeGreaterThan(300)
  expect(rows).toBeGreaterThan(100)
  expect(wrong).toEqual([])
})

test('cells stand in the order they are given on narrow', async ({ page }) => {
  let looked = 0
  for (const email of docs) {
    const boxes = new Map((await look(page, email, 375)).boxes.map((b) => [b.id, b]))
    for (const band of email.bands)
      for (const row of rowsOf(band)) {
        if (row.narrow !== 'stack' || !row.cells.some((c) => c.narrow?.place)) continue
        const rank = (c: Cell, i: number) => c.narrow?.place ?? 10 + i
        const wanted = row.cells
          .map((c, i) => ({ c, r: rank(c, i) }))
          .sort((a, b) => a.r - b.r)
          .map(({ c }) => c.id)
          .filter((id) => boxes.get(id)?.seen && boxes.get(id)!.height > 0)
        const shown = [...wanted].sort((a, b) => boxes.get(a)!.top - boxes.get(b)!.top)
        looked++
        expect(shown).toEqual(wanted)
      }
  }
  expect(looked).toBeGreaterThan(3)
})

test('what is for one width is seen on that alone; without a style sheet only what is for wide', async ({
  page,
}) => {
  let looked = 0
  for (const email of docs)
    for (const [width, styles] of [
      [375, 'both'],
      [900, 'both'],
      [375, 'inline'],
    ] as const) {
      const boxes = new Map((await look(page, email, width, { styles })).boxes.map((b) => [b.id, b]))
      const hidden = width === 375 && styles === 'both' ? 'wide' : 'narrow'
      for (const { band, tile } of placesOf(email)) {
        const off = band.show === hidden || tile.show === hidden
        const box = boxes.get(tile.id)
        if (off) looked++
        expect([tile.id, width, styles, !!box?.seen]).toEqual([tile.id, width, styles, !off])
      }
    }
  expect(looked).toBeGreaterThan(50)
})

test('buttons are at least 44 px high on narrow (WCAG 2.2, 2.5.5)', async ({ page }) => {
  let looked = 0
  for (const email of docs) {
    const { buttons } = await look(page, email, 375)
    looked += buttons.length
    expect(buttons.filter((h) => h < 43.5)).toEqual([])
  }
  expect(looked).toBeGreaterThan(30)
})

test('the words of the document are read in its order', async ({ page }) => {
  let looked = 0
  for (const email of docs) {
    await look(page, email, 900)
    const read = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[data-m]')].flatMap((e) =>
        e.dataset.m!.split(' ').map((id) => ({ id, words: e.textContent })),
      ),
    )
    const words = new Map(read.map((r) => [r.id, r.words]))
    // Rows that stack in reverse stand in the source as they are on narrow; which of their cells comes first
    // is checked above.
    const inOrder = email.bands.filter((b) => ![...rowsOf(b)].some((r) => r.narrow === 'reverse'))
    const ids = [...placesOf({ bands: inOrder })].map((p) => p.tile.id)
    expect(read.map((r) => r.id).filter((id) => ids.includes(id))).toEqual(ids)
    const bare = (s: string) => s.replace(/[\s\u00a0]+/g, '')
    for (const { tile } of placesOf(email)) {
      if (!['words', 'button', 'review', 'menu', 'table', 'footer'].includes(tile.kind)) continue
      for (const said of definitionOf(tile).words(tile)) {
        if (tile.kind === 'table' && said === tile.caption && !said.trim()) continue
        // eslint-disable-next-line no-control-regex -- the compiler leaves them out
        const word = bare(replaceFields(said, asSample()).replace(/[\0-\x08\x0b-\x1f\x7f-\x9f]/g, ''))
        looked++
        expect([tile.kind, word, bare(words.get(tile.id)!).includes(word)]).toEqual([tile.kind, word, true])
      }
    }
  }
  expect(looked).toBeGreaterThan(500)
})
