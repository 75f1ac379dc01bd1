import { zipBomb } from '@/test-support/bomb'
import { jest } from '@jest/globals'
import { gzipSync } from 'node:zlib'
import { longEmail } from '@/test-support/emails'
import { nestedForms } from '@/test-support/pdf'
import { emptyPng, ownData } from '@/test-support/server'
import { plainHouseStyle } from '@/core/email/styles'
import { newTile } from '@/core/tiles'
import type { Email } from '@/core/email/schema'
import { Problem } from '../problem'
import { compute, lane } from './index'

/* What once froze or ended the app. Each is answered, with what it is, or a Problem that says why not. */

ownData()

const times = (n: number, s: string) => s.repeat(n)
const file = (text: string | Buffer, name = 'sent') => ({ content: Buffer.from(text as string), name })

/** What an attempt comes to: a value, or the kind of Problem; and how long that took, ms. */
async function attempt(work: Promise<unknown>): Promise<{ said: string; ms: number }> {
  const start = performance.now()
  const said = await work.then(
    () => 'read',
    (error: unknown) => {
      if (!(error instanceof Problem)) throw error
      expect([error.status >= 400 && error.status < 500, error.detail.length > 20]).toEqual([true, true])
      return error.kind
    },
  )
  return { said, ms: performance.now() - start }
}

/** By the clock; what counts is the time of its own that a computation may take (`DEADLINES`), and a machine under load takes its time. */
const SOON = 60_000
jest.setTimeout(120_000)

const doctypes = `${times(14, '<!DOCTYPE [a]>')}x`
const comments = `${times(34, '<!-- x -->')}<p>`

test.each([
  ['14 doctypes and a letter as a design', () => compute('openDesign', file(doctypes)), 'not-a-design'],
  ['HTML with 34 comments as a design', () => compute('openDesign', file(comments)), 'not-a-design'],
  [
    'a picture of 1 x 60,000,000',
    () => compute('openDesign', file(emptyPng(1, 60_000_000), 'tall.png')),
    'design-too-large',
  ],
  [
    'an SVG that unpacks to 80 MB',
    () => compute('openDesign', file(gzipSync(Buffer.alloc(80 * 1024 * 1024, ' ')), 'a.svgz')),
    'not-a-design',
  ],
  [
    'a PDF of forms in forms, a million squares',
    () => compute('readDesign', { ...file(nestedForms(6), 'forms.pdf'), board: 0 }),
    'too-much',
  ],
  ['Markdown of brackets', () => compute('deckOfText', { text: times(40_000, '['), markdown: true }), null],
  [
    'Markdown of quotations',
    () => compute('deckOfText', { text: times(40_000, '>') + 'x', markdown: true }),
    null,
  ],
  [
    'HTML of 20,000 nested tags',
    () => compute('importHtml', { html: times(20_000, '<div>') }),
    'not-an-email',
  ],
  [
    'HTML of tags that never end',
    () => compute('importHtml', { html: `<p>x${times(100_000, '<a ')}` }),
    null,
  ],
  ['25,000 paragraphs', () => compute('importHtml', { html: times(25_000, '<p>x</p>') }), 'not-an-email'],
  [
    '3,000 rules on 3,000 elements',
    () =>
      compute('importHtml', {
        html: `<style>${times(3000, 'p{color:red}')}</style>${times(3000, '<p>x</p>')}`,
      }),
    'not-an-email',
  ],
  [
    'custom properties that hold each other',
    () =>
      compute('pageOf', {
        html: '<a class="b" href="x">y</a>',
        sheets: [
          {
            css: `:root{${Array.from({ length: 6 }, (_, i) => `--a${i}:${times(200, `var(--a${i + 1}) `)}`).join(';')}}.b{color:var(--a0)}`,
          },
        ],
      }),
    'read',
  ],
  [
    'a framework of 1,500 rules on a page of 2,700 elements',
    () =>
      compute('pageOf', {
        html: times(2700, '<p class="a b">x</p>'),
        sheets: [
          { css: Array.from({ length: 1500 }, (_, i) => `.c${i} > p.a, .a .d${i}{color:red}`).join('') },
        ],
      }),
    'read',
  ],
])('%s', async (_, work, kind) => {
  const { said, ms } = await attempt(work())
  if (kind) expect(said).toBe(kind)
  expect(ms).toBeLessThan(SOON)
})

test('what is ended takes nothing more: no process of it is left a second later', async () => {
  // A filter over 30 megapixels, which libvips goes on drawing when a thread that asked for it is ended.
  const slow = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="25000"><filter id="f" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.9" numOctaves="9"/></filter><rect width="100%" height="100%" filter="url(#f)"/></svg>`
  const ended = compute('readDesign', { ...file(slow, 'a.svg'), board: 0 }, { deadline: 400 })
  await expect(ended).rejects.toMatchObject({ kind: 'too-long' })
  const end = Date.now() + 1000
  while (lane('long').size && Date.now() < end) await new Promise((go) => setTimeout(go, 10))
  expect(lane('long').size).toBe(0)
})

test('a document that unpacks to 114 MB is refused before it is unpacked', async () => {
  const bytes = zipBomb('word/document.xml', 114 * 1024 * 1024, 97)
  expect(bytes.length).toBeLessThan(400_000)
  const before = process.memoryUsage().rss
  expect((await attempt(compute('deckOfFile', file(bytes, 'a.docx')))).said).toBe('not-a-deck')
  expect(process.memoryUsage().rss - before).toBeLessThan(300 * 1024 * 1024)
})

describe('a stored document', () => {
  const house = plainHouseStyle()
  const with_ = (html: string, css = ''): Email => {
    const email = longEmail(1)
    const code = { ...newTile('code', () => 'k'), html, css }
    const [band] = email.bands
    return { ...email, bands: [{ ...band!, cells: [{ ...band!.cells[0]!, items: [code] }] }] }
  }
  const hand = (html: string): Email => ({
    ...longEmail(1),
    way: 'hand',
    hand: { html, pictures: {}, inline: false },
  })
  const words = (href: string): Email => {
    const email = longEmail(1)
    const tile = { ...newTile('button', () => 'b'), label: 'x', link: href }
    const [band] = email.bands
    return { ...email, bands: [{ ...band!, cells: [{ ...band!.cells[0]!, items: [tile] }] }] }
  }
  test.each([
    ['a code tile of 1,600 nested tags', with_(times(1600, '<b>')), 'document-broken'],
    [
      '3,000 rules on 3,000 elements',
      with_(times(3000, '<i>x</i>'), times(3000, 'i{color:red}')),
      'document-broken',
    ],
    ['25,000 paragraphs by hand', hand(times(25_000, '<p>x</p>')), 'document-broken'],
    ['tags that never end', hand(times(100_000, '<a ')), 'read'],
    ['fields that never end', hand(times(100_000, '[[a|')), 'read'],
    ['half an emoji in a link', words('https://a.example/\ud83d'), 'read'],
  ])('%s', async (_, email, kind) => {
    for (const work of [
      () => compute('proof', { email, house }),
      () => compute('written', { email, house, how: { writing: 'platform', places: 'app' } }),
      () => compute('figures', { email, cuts: null, house }),
    ]) {
      const { said, ms } = await attempt(work())
      expect(said).toBe(kind)
      expect(ms).toBeLessThan(SOON)
    }
  })
})
