import { readdirSync, readFileSync } from 'node:fs'
import { tooMuch, tooMuchEmail } from './bounds'

const times = (n: number, s: string) => s.repeat(n)

test.each([
  ['250 deep', times(250, '<div>') + times(250, '</div>'), null],
  ['251 deep', times(251, '<div>') + times(251, '</div>'), /deep/],
  ['paragraphs one after the other', times(15_000, '<p>x</p>'), null],
  ['20,000 line breaks', times(20_000, '<br>'), null],
  ['20,001 line breaks', times(20_001, '<br>'), /20,000 elements/],
  ['fonts left open', times(61, '<font>'), /left open/],
  ['fonts that are closed', times(500, '<font>x</font>'), null],
  ['closed VML elements', times(300, '<v:fill src="x" />'), null],
  ['nested in a condition', `<!--[if mso]>${times(251, '<div>')}<![endif]-->`, /deep/],
  [
    'an element of 201 attributes',
    `<p ${Array.from({ length: 201 }, (_, i) => `a${i}=1`).join(' ')}>`,
    /201 attributes/,
  ],
  ['tags that do not end', times(100_000, '<a '), null],
])('%s', (_, html, what) => {
  const said = tooMuch(html)
  if (what) expect(said).toMatch(what)
  else expect(said).toBeNull()
})

test('rules count with the elements they may be matched with', () => {
  const css = times(3000, '.a{color:red}')
  expect(tooMuchEmail(times(1000, '<p>x</p>'), css)).toBeNull()
  expect(tooMuchEmail(times(1001, '<p>x</p>'), css)).toBe('3000 style rules on 2002 tags')
  expect(tooMuchEmail(`<style>${css}</style>${times(3000, '<p>x</p>')}`)).toMatch(/3000 style rules/)
  expect(tooMuchEmail(times(251, '<div>'))).toMatch(/deep/)
})

test('real emails stay far below', () => {
  const folder = 'src/test-support/fixtures'
  for (const file of readdirSync(folder).filter((f) => f.endsWith('.html')))
    expect([file, tooMuchEmail(readFileSync(`${folder}/${file}`, 'utf8'))]).toEqual([file, null])
})
