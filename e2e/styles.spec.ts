import { expect, test, type Page } from '@playwright/test'
import fc from 'fast-check'
import juice from 'juice'
import { compile } from '@/core/compile'
import { inlineDocument } from '@/core/html/inline-document'
import { house, roomyEmail } from '@/test-support/emails'
import type { Email } from '@/core/email/schema'

const src = () => "data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' width='40' height='30'/>"
const docs = fc.sample(roomyEmail, { numRuns: 25, seed: 404 })

const looked = [
  'color',
  'backgroundColor',
  'fontFamily',
  'fontSize',
  'fontWeight',
  'fontStyle',
  'lineHeight',
  'letterSpacing',
  'textAlign',
  'textDecorationLine',
  'textTransform',
  'display',
  'width',
  'maxWidth',
  'minWidth',
  'height',
  'paddingTop',
  'paddingRight',
  'paddingBottom',
  'paddingLeft',
  'marginTop',
  'marginRight',
  'marginBottom',
  'marginLeft',
  'borderTopWidth',
  'borderTopStyle',
  'borderTopColor',
  'borderLeftWidth',
  'borderLeftColor',
  'borderTopLeftRadius',
  'backgroundImage',
  'backgroundSize',
  'verticalAlign',
  'overflowX',
  'boxSizing',
]

/** Computed styles of every element of the body, in order. */
async function computed(page: Page, html: string, width: number): Promise<string[]> {
  await page.setViewportSize({ width, height: 800 })
  await page.setContent(html)
  return page.evaluate(
    (names) =>
      [...document.body.querySelectorAll('*')].map((e) => {
        const s = getComputedStyle(e) as unknown as Record<string, string>
        return `${e.tagName} ${names.map((n) => `${n}:${s[n]}`).join(';')}`
      }),
    looked,
  )
}

// juice is a general CSS inliner. What it makes of our output with all styles in the head looks the same as
// what our own inliner makes of it, and as the output whose styles stand in the elements from the start.
test('styles written into the elements by a general inliner, by our own, and by the compiler look the same', async ({
  page,
}) => {
  let elements = 0
  const out = (email: Email, styles: 'both' | 'head') =>
    compile(email, house, { src, styles, conditions: () => true })
  for (const [i, email] of docs.entries()) {
    const head = out(email, 'head')
    for (const width of [375, 900]) {
      const [theirs, own, direct] = [
        await computed(page, juice(head, { preserveMediaQueries: true, preserveImportant: true }), width),
        await computed(page, inlineDocument(head), width),
        await computed(page, out(email, 'both'), width),
      ]
      elements += direct.length
      expect([i, width, own]).toEqual([i, width, direct])
      expect([i, width, theirs]).toEqual([i, width, direct])
    }
  }
  expect(elements).toBeGreaterThan(2000)
})
