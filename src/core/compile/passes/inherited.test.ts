import { el } from '../../html/element'
import { printMapped } from '../../html/print'
import { inheriting } from './inherited'

const PAGE = "Arial, 'Helvetica Neue', sans-serif"
const printed = (node: ReturnType<typeof el>) =>
  printMapped(inheriting([node], PAGE), 0, { indent: null, marks: false }).html
const said = (html: string) => html.match(/font-family/g)?.length ?? 0
const cell = (family: string, ...children: ReturnType<typeof el>[]) =>
  el(
    'table',
    null,
    el('tr', null, el('td', { style: `color:#000000;font-family:${family};font-size:16px` }, children)),
  )

test('the family of the page is said nowhere again, and the rest of a style stays', () => {
  const html = printed(cell(PAGE, el('p', { style: `font-family:${PAGE}` }, 'x')))
  expect(said(html)).toBe(0)
  expect(html).toContain('<td style="color:#000000;font-size:16px">')
  expect(html).toContain('<p>')
})

// The Word engine is told the page's family for every cell, which would prevail over one that is inherited.
test('another family is said in every cell that has it, and the page’s own within it', () => {
  expect(said(printed(cell('Georgia, serif', cell('Georgia, serif'))))).toBe(2)
  expect(said(printed(cell('Georgia, serif', cell(PAGE))))).toBe(2)
})

test('what has letters of its own in browsers says the family, and what it holds', () => {
  for (const tag of ['button', 'textarea', 'pre', 'code'])
    expect(
      said(
        printed(el(tag, { style: `font-family:${PAGE}` }, el('span', { style: `font-family:${PAGE}` }, 'x'))),
      ),
    ).toBe(2)
})
