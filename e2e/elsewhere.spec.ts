import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, test, type Page } from '@playwright/test'
import fc from 'fast-check'
import sharp from 'sharp'
import { compile, type CompileOptions } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { asSample } from '@/core/text/fields'
import { house, longEmail, roomyEmail } from '@/test-support/emails'
import { regularEmails } from '@/test-support/regular'
import { likeness } from './support'

/*
 * Emails in surroundings that take something away or add something: web mails whose page has a sheet of its own, and readers that drop the head.
 */
const require = createRequire(import.meta.url)
const src: CompileOptions['src'] = (picture) => {
  const { width = 40, height = 30 } = picture as { width?: number; height?: number }
  return `data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' width='${width}' height='${height}'><rect width='100%25' height='100%25' fill='%23789'/></svg>`
}
const print = (email: Email, of: HouseStyle, styles: CompileOptions['styles'] = 'both') =>
  compile(email, of, {
    src,
    conditions: () => true,
    fields: asSample(),
    print: 'compact',
    styles,
  })

const regular: [string, Email, HouseStyle][] = [...regularEmails(), ['long', longEmail(3), house]]
const odd = fc
  .sample(roomyEmail, { numRuns: 12, seed: 404 })
  .map((e, i): [string, Email, HouseStyle] => [`made ${i}`, e, house])

const sheets = ['bootstrap/dist/css/bootstrap.css', 'bulma/css/bulma.css']
  .map((path) => readFileSync(require.resolve(path), 'utf8'))
  .map((css) => css.replace(/@import[^;]*;/g, ''))

/** A message as a web mail shows it: its styles and its body in elements of the page. */
function inPage(html: string, sheet: string): string {
  const styles = [...html.matchAll(/<style>[\s\S]*?<\/style>/g)].map(([s]) => s).join('')
  const [, attributes, body] = /<body([^>]*)>([\s\S]*)<\/body>/.exec(html)!
  return `<!doctype html><html><head><style>${sheet}</style></head><body style="margin:0"><div>${styles}<div${attributes}>${body}</div></div></body></html>`
}

async function shot(page: Page, html: string): Promise<Buffer> {
  await page.setContent(html)
  return page.screenshot({ fullPage: true })
}

test('within the sheets of two frameworks an email looks as it does alone (SSIM 0.98)', async ({ page }) => {
  await page.setViewportSize({ width: 700, height: 900 })
  const unlike: string[] = []
  for (const [name, email, of] of regular) {
    const html = print(email, of)
    const alone = await shot(page, inPage(html, ''))
    const { height = 1 } = await sharp(alone).metadata()
    for (const [i, sheet] of sheets.entries()) {
      const same = await likeness(await shot(page, inPage(html, sheet)), alone, 700, height)
      if (same < 0.98) unlike.push(`${name}, sheet ${i}: ${same}`)
    }
  }
  expect(unlike).toEqual([])
})

test('no class of ours means something in those sheets', () => {
  const theirs = new Set(
    sheets.flatMap((css) =>
      [...css.replace(/\{[^{}]*\}/g, ' ').matchAll(/\.([a-zA-Z][\w-]*)/g)].map((m) => m[1]),
    ),
  )
  const ours = new Set(
    [...regular, ...odd].flatMap(([, email, of]) =>
      [...print(email, of).matchAll(/class="([^"]*)"/g)].flatMap((m) => m[1]!.split(' ')),
    ),
  )
  expect(ours.size).toBeGreaterThan(40)
  expect([...ours].filter((name) => theirs.has(name))).toEqual([])
})

for (const width of [320, 375, 420])
  test(`without the head nothing leaves a window of ${width} px, and no letters are under 12 px`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height: 800 })
    const wrong: string[] = []
    for (const [name, email, of] of [...regular, ...odd])
      for (const styles of ['both', 'inline'] as const) {
        await page.setContent(
          print(email, of, styles)
            .replace(/<style[\s\S]*?<\/style>/g, '')
            .replace('<body', '<style>body{margin:0}</style><body'),
        )
        const found = await page.evaluate(() => {
          const out: string[] = []
          if (document.documentElement.scrollWidth > innerWidth) out.push('scrolls')
          const clipped = (e: Element | null): boolean =>
            !!e && (getComputedStyle(e).overflowX !== 'visible' || clipped(e.parentElement))
          for (const e of document.querySelectorAll<HTMLElement>('body *')) {
            if (!e.checkVisibility()) continue
            const { left, right, width } = e.getBoundingClientRect()
            if (width && (right > innerWidth + 0.5 || left < -0.5) && !clipped(e.parentElement))
              out.push(`${e.tagName} ${left} to ${right}`)
            // Raised and lowered signs are smaller than what they stand beside.
            const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim())
            const small = parseFloat(getComputedStyle(e).fontSize) < 12
            if (own && small && !e.closest('sup, sub')) out.push(`small: ${e.textContent!.slice(0, 20)}`)
          }
          return out
        })
        wrong.push(...found.slice(0, 3).map((f) => `${name}, ${styles}: ${f}`))
      }
    expect(wrong).toEqual([])
  })

test('without the head sides are narrow on a phone: those of a band with 45 px at its sides', async ({
  page,
}) => {
  const email = longEmail(1)
  const band = {
    ...email.bands[0]!,
    padding: { top: 20, right: 45, bottom: 20, left: 45 },
    narrowPadding: { top: 20, right: 20, bottom: 20, left: 20 },
  }
  const html = print({ ...email, bands: [band] }, house).replace(/<style[\s\S]*?<\/style>/g, '')
  const side = async (width: number) => {
    await page.setViewportSize({ width, height: 800 })
    await page.setContent(html)
    return page.evaluate(() =>
      Math.min(
        ...[...document.querySelectorAll('td')]
          .map((e) => parseFloat(getComputedStyle(e).paddingLeft))
          .filter((p) => p > 0),
      ),
    )
  }
  expect(await side(375)).toBeCloseTo(20, 0)
  expect(await side(320)).toBeLessThan(16)
  expect(await side(600)).toBe(45)
  expect(await side(1200)).toBe(45)
})

test('no picture is pressed out of shape, with the head and without', async ({ page }) => {
  const pressed: string[] = []
  for (const [name, email, of] of regular)
    for (const head of [true, false]) {
      const html = print(email, of)
      await page.setContent(head ? html : html.replace(/<style[\s\S]*?<\/style>/g, ''))
      for (const width of [320, 375, 480, 481, 600, 900]) {
        await page.setViewportSize({ width, height: 800 })
        const off = await page.evaluate(() =>
          [...document.images]
            .filter((i) => i.checkVisibility() && i.naturalWidth)
            .map((i) => ({ box: i.getBoundingClientRect(), natural: i.naturalHeight / i.naturalWidth }))
            .filter(({ box, natural }) => Math.abs(box.height - box.width * natural) > 1)
            .map(({ box, natural }) => `${box.width} x ${box.height}, not ${box.width * natural}`),
        )
        pressed.push(...off.slice(0, 2).map((o) => `${name}, ${width} px, ${head ? 'head' : 'none'}: ${o}`))
      }
    }
  expect(pressed).toEqual([])
})
