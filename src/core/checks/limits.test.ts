import { house, longEmail } from '@/test-support/emails'
import { styleOf } from '../email/cascade'
import { applyEdit, type Edit } from '../email/edits'
import { textOf } from '../email/richtext'
import type { Email } from '../email/schema'
import type { Finding } from './check'
import { contrastLow } from './contrast-low'
import { runChecks, scopeOf } from './run'
import { subject } from './subject'
import { unsubscribeMissing } from './unsubscribe-missing'
import { weight } from './weight'
import { wordsSmall } from './words-small'

/* Where a finding begins and where it ends, figure by figure. */

const style = styleOf(house, {})
const run = (check: Parameters<typeof runChecks>[0][number], email: Email, bytes = 1): Finding[] =>
  runChecks([check], scopeOf(email, style, '', bytes))
const set = (id: string, what: Record<string, unknown>): Edit => ({
  name: 'setTile',
  what: { id, set: what },
})
const email = longEmail(1)
const edited = (...edits: Edit[]) => edits.reduce(applyEdit, email)

// 102 KB are 104,448 bytes; 85 % of them 88,780.8.
test.each<[number, Finding['severity'] | null, string?]>([
  [88_780, null, undefined],
  [88_781, 'mind', 'HTML of 86.7 KB, close to 102 KB'],
  [103_404, 'mind', 'HTML of 101.0 KB, close to 102 KB'],
  [104_448, 'mind', 'HTML of 102.0 KB, close to 102 KB'],
  [104_449, 'mend', 'HTML of 102.0 KB, over 102 KB'],
])('HTML of %i bytes', (bytes, severity, what) => {
  const [found, more] = run(weight, email, bytes)
  expect([found?.severity ?? null, found?.what, more]).toEqual([severity, what, undefined])
})

test.each([
  ['', 'mend', 'No subject'],
  ['[[name]]', 'mend', 'No subject'],
  ['[[name | you]]', undefined, undefined],
  ['ä'.repeat(50), undefined, undefined],
  [` ${'ä'.repeat(50)} `, undefined, undefined],
  ['ä'.repeat(51), 'mind', 'Subject of 51 characters'],
  // A fallback counts as it will be read.
  [`[[name | ${'x'.repeat(60)}]]`, 'mind', 'Subject of 60 characters'],
])('subject "%s"', (said, severity, what) => {
  const [found] = run(subject, { ...email, subject: said })
  expect([found?.severity, found?.what]).toEqual([severity, what])
})
test('a subject that is too long is told by how much', () => {
  expect(run(subject, { ...email, subject: 'x'.repeat(57) })[0]!.why).toContain('shorten it by 7')
})

// WCAG 2.2, 1.4.3. #767676 on white is the palest gray of 4.5 (4.54); #777777 has 4.47, #949494 3.03, #959595 2.99.
test.each([
  ['#767676', 16, false, null],
  ['#777777', 16, false, 'Contrast 4.47, wants 4.5'],
  ['#777777', 23, false, 'Contrast 4.47, wants 4.5'],
  ['#777777', 24, false, null],
  ['#777777', 18, true, 'Contrast 4.47, wants 4.5'],
  ['#777777', 19, true, null],
  ['#949494', 24, false, null],
  ['#959595', 24, false, 'Contrast 2.99, wants 3'],
])('words of %s, %i px, bold %s, on white', (color, size, bold, what) => {
  const changed = edited(
    { name: 'setBand', what: { id: 'b0', set: { background: '#ffffff' } } },
    set('w0-0', { text: textOf('Words'), style: { color, size, bold } }),
  )
  const found = run(contrastLow, changed).filter((f) => f.where.tile === 'w0-0')
  expect(found[0]?.what ?? null).toBe(what)
})

test('links in words, buttons, menus and footers are looked at as well; the worst of a tile is told', () => {
  const linked = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'Words ' },
          { type: 'text', text: 'link', marks: [{ type: 'link', attrs: { href: 'https://a.example' } }] },
        ],
      },
    ],
  }
  const white: Edit = { name: 'setBand', what: { id: 'b0', set: { background: '#ffffff' } } }
  const of = (...edits: Edit[]) =>
    run(contrastLow, edited(white, ...edits)).map((f) => [f.where.tile, f.what, f.why.split(' is hard')[0]])
  const clean = of(set('w0-0', { text: linked }))
  expect(clean).toEqual([])
  expect(of(set('w0-0', { text: linked, link: { color: '#cccccc' } }))).toEqual([
    ['w0-0', 'Contrast 1.60, wants 4.5', '#cccccc on #ffffff'],
  ])
  expect(of(set('u0-0', { style: { background: '#999999', color: '#ffffff' } }))).toEqual([
    ['u0-0', 'Contrast 2.84, wants 4.5', '#ffffff on #999999'],
  ])
  expect(of(set('w0-0', { text: linked, link: { color: '#cccccc' }, style: { color: '#dddddd' } }))).toEqual([
    ['w0-0', 'Contrast 1.35, wants 4.5', '#dddddd on #ffffff'],
  ])
})

test.each([
  [14, false],
  [13, true],
])('words of %i px are too small: %s', (size, small) => {
  const found = run(wordsSmall, edited(set('w0-0', { text: textOf('Words'), style: { size, line: 20 } })))
  expect(found.map((f) => [f.what, f.fix?.label])).toEqual(
    small ? [['Words of 13 px', 'Make them 16 px']] : [],
  )
  // One press: 16 px on lines of at least 24.
  if (small)
    expect(found[0]!.fix!.edit).toEqual({
      name: 'setTile',
      what: { id: 'w0-0', kind: 'words', set: { style: { size: 16, line: 24 } } },
    })
})

test('what a phone shows counts, not what a desktop does; small print and what is for wide only do not', () => {
  const words = (what: Record<string, unknown>) =>
    run(wordsSmall, edited(set('w0-0', { text: textOf('Words'), ...what }))).map((f) => f.what)
  expect(words({ style: { size: 16, narrowSize: 12 } })).toEqual(['Words of 12 px'])
  expect(words({ style: { size: 12, narrowSize: 14 } })).toEqual([])
  expect(words({ style: { size: 12 }, show: 'wide' })).toEqual([])
  expect(words({ style: { size: 12 }, base: 'small' })).toEqual([])
  expect(words({ style: { size: 13, line: 30 } })).toEqual(['Words of 13 px'])
  // What is inherited is not mended in the tile.
  const own = { type: 'textStyle', attrs: { fontSize: '10px' } }
  const run10 = {
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [own] }] }],
  }
  const [found] = run(wordsSmall, edited(set('w0-0', { text: run10 })))
  expect([found!.what, found!.fix]).toEqual(['Words of 10 px', undefined])
})

test('only the field that platforms know is a way out', () => {
  const leave = (href: string) =>
    run(unsubscribeMissing, edited(set('u0-0', { link: href }), set('w0-1', { text: textOf('x') })))
  expect(leave('[[unsubscribe]]')).toEqual([])
  expect(leave('https://a.example/leave?who=[[unsubscribe | x]]')).toEqual([])
  for (const none of ['[[leave]]', '[[unsubscribed]]', 'https://a.example/unsubscribe', ''])
    expect(leave(none)).toMatchObject([
      { severity: 'mend', where: { band: 'b0' }, what: 'No unsubscribe link' },
    ])
})
