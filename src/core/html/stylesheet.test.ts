import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { fromHtml } from 'hast-util-from-html'
import juice from 'juice'
import { inlineDocument } from '@/core/html/inline-document'
import { elementsOf } from './elements'
import { dedupe, readSheet, readStyle, styleText } from './stylesheet'

const styles = (html: string) =>
  [...elementsOf(fromHtml(html))]
    .filter((e) => e.properties.id)
    .map((e) => [
      e.properties.id,
      Object.fromEntries(
        readStyle(String(e.properties.style ?? '')).map((d) => [
          d.property,
          d.value.replace(/\s*,\s*/g, ','),
        ]),
      ),
    ])

// juice is a general CSS inliner; what both say of the same sheet must agree. (It counts `:first-child` for
// less than Selectors Level 4, section 17, so that is tested apart.)
test('agrees with a general inliner on which rule prevails', () => {
  const selector = fc.constantFrom(
    'p',
    '.a',
    '.b',
    '#x',
    'div p',
    'div > .a',
    'p.a.b',
    '*',
    '[title]',
    '#y .b',
    '.c p',
    'p + p',
  )
  const declaration = fc
    .tuple(
      fc.constantFrom('color', 'background-color', 'font-size', 'text-align'),
      fc.constantFrom('red', 'blue', '12px', 'left', 'center'),
    )
    .map(([p, v]) => `${p}:${v}`)
  const rule = fc
    .tuple(selector, fc.array(declaration, { minLength: 1, maxLength: 3 }))
    .map(([s, d]) => `${s}{${d.join(';')}}`)
  fc.assert(
    fc.property(fc.array(rule, { minLength: 1, maxLength: 8 }), (rules) => {
      const html = `<!DOCTYPE html><html><head><style>${rules.join('\n')}</style></head><body><div class="c" id="d"><p id="x" class="a b" title="t" style="text-align:right">one</p><p id="y" class="b"><span id="z" class="b">two</span></p></div></body></html>`
      expect(styles(inlineDocument(html))).toEqual(styles(juice(html)))
    }),
    { numRuns: samples(300) },
  )
})

test('a pseudo-class counts as a class (Selectors Level 4, section 17)', () => {
  expect(
    inlineDocument(
      '<html><head><style>p:first-child{color:red}.b{color:blue}p{color:green}</style></head><body><div><p class="b">x</p></div></body></html>',
    ),
  ).toContain('<p class="b" style="color:red">')
})

test('what only a reader can apply stays in the head, and still prevails', () => {
  const html = inlineDocument(
    '<html><head><style>p{color:red}@media (max-width:480px){p{color:blue}}p:hover{color:green}@font-face{font-family:X;src:url(x)}</style></head><body><p>x</p></body></html>',
  )
  expect(html).toContain('<p style="color:red">')
  expect(html).toMatch(/@media \(max-width:\s*480px\)\{\s*p\{color:blue!important\}/)
  expect(html).toContain('p:hover{color:green!important}')
  expect(html).toContain('@font-face')
})

test('a later property takes the place of an earlier, a shorthand of its parts, and what is important of what is not', () => {
  const of = (s: string) => styleText(dedupe(readStyle(s)))
  expect(of('color:red;color:blue')).toBe('color:blue')
  expect(of('padding-left:4px;padding:0')).toBe('padding:0')
  expect(of('padding:0;padding-left:4px')).toBe('padding:0;padding-left:4px')
  expect(of('border-top:1px solid red;border:0;border-radius:4px')).toBe('border:0;border-radius:4px')
  expect(of('color:red!important;color:blue')).toBe('color:red')
})

test('what could run script, or cannot be read, is left out and said', () => {
  const sheet = readSheet(
    'p{width:expression(alert(1));color:red} a{behavior:url(x)} @import url(https://a.example/x.css); b{background:url(javascript:alert(1))} i{color:blue',
  )
  expect(sheet.statics.map((r) => [r.selector, r.declarations.map((d) => d.property)])).toEqual([
    ['p', ['color']],
    ['i', ['color']],
  ])
  expect(sheet.notes.join(' ')).toMatch(/run script.*@import was left out/)
})

// The examples of Selectors Level 4, section 17, whose last two were wrong here before.
test.each([
  ['*', 0],
  ['li', 1],
  ['ul ol+li', 3],
  ['h1 + *[rel=up]', 1001],
  ['ul ol li.red', 1003],
  ['li.red.level', 2001],
  ['#x34y', 1_000_000],
  ['#s12:not(foo)', 1_000_001],
  ['.foo :is(.bar, #baz)', 1_001_000],
  [':where(#a, .b) p', 1],
])('the specificity of %s is %i', (selector, specificity) => {
  expect(readSheet(`${selector}{color:red}`).statics.map((r) => r.specificity)).toEqual([specificity])
})
