import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { anyEmail, house, longEmail } from '@/test-support/emails'
import { branchOf, evaluate, nestingErrors, segmentsOf } from './conditional'
import { compile } from '../compile'

// The forms and operators are common practice; Microsoft's own page on conditional comments is gone, so these
// values are from memory.
test.each([
  ['mso', true],
  ['!mso', false],
  ['gte mso 9', true],
  ['gt mso 16', false],
  ['lt mso 16', false],
  ['lte mso 16', true],
  ['mso 16', true],
  ['mso 15', false],
  ['IE', false],
  ['(gte mso 9)|(IE)', true],
  ['(gte mso 9)&(!IE)', true],
  ['mso | IE', true],
  ['!(mso)', false],
  ['true', true],
])('[if %s] is %s for the Word engine', (condition, is) => expect(evaluate(condition, true)).toBe(is))

test.each(['', 'gte mso', 'mso &', '(mso', 'mso)', '9', 'mso ! IE'])('[if %s] cannot be read', (condition) =>
  expect(() => evaluate(condition, true)).toThrow(SyntaxError),
)

test('each side sees its own', () => {
  const html =
    'a<!--[if mso]><b>word</b><![endif]-->c<!--[if !mso]><!--><i>others</i><!--<![endif]-->d<!-- plain [if x] -->e<![if !mso]>f<![endif]>'
  expect(branchOf(html, 'word')).toBe('a<b>word</b>cd<!-- plain [if x] -->e')
  expect(branchOf(html, 'others')).toBe('ac<i>others</i>d<!-- plain [if x] -->ef')
  expect(
    segmentsOf(html)
      .filter((s) => s.condition)
      .map((s) => [s.condition, s.hidden]),
  ).toEqual([
    ['mso', true],
    ['!mso', false],
    ['!mso', false],
  ])
})

test.each([
  ['<!--[if mso]>a', 'never closed'],
  ['a<![endif]-->', 'closes no condition'],
  ['<!--[if mso]>a<!--[if mso]>b<![endif]--><![endif]-->', 'do not nest'],
  ['<!--[if !mso]><!-->a<![endif]-->', 'other form'],
  ['<!--[if mso]>a<!-- b --><![endif]-->', 'comment stands inside'],
  ['<!-- open', 'never ends'],
  ['<!--[if ]>a<![endif]-->', 'cannot be read'],
])('%s is refused: %s', (html, why) => expect(() => segmentsOf(html)).toThrow(why))

test.each([
  ['<table><tr><td>a</td></tr></table>', []],
  ['<p>a<br>b<img src="x">', ['<p> is never closed']],
  ['<b><i></b></i>', ['</b> closes <i>', '<b> is never closed']],
  ['<v:fill/>', []],
  ['<a title="x > y">z</a>', []],
  ['</td>', ['</td> closes nothing']],
])('nesting of %s', (markup, errors) => {
  expect(nestingErrors(markup)).toEqual(errors)
})

test('in any compiled email both sides are well formed', () => {
  const src = (p: { id: string }) => `https://p.example/${p.id}`
  const check = (html: string) => {
    for (const side of ['word', 'others'] as const) expect(nestingErrors(branchOf(html, side))).toEqual([])
  }
  fc.assert(
    fc.property(anyEmail, fc.constantFrom('both' as const, 'inline' as const), (email, styles) =>
      check(compile(email, house, { src, styles })),
    ),
    { numRuns: samples(300) },
  )
  check(compile(longEmail(12), house, { src, styles: 'head' }))
})
