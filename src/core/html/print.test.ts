import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import type { Comment, Element, ElementContent, Text } from 'hast'
import { toHtml } from 'hast-util-to-html'
import { el } from './element'
import { fromComments, toComments } from './conditions'
import { ghost, notWord, wordOnly } from './nodes'
import { printAround, printMapped } from './print'

const flat = { indent: null, marks: false }
const said = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom('<b>&amp;"\'', '-->', '<!--', 'a b', '\u00a0', 'é <'),
)
const properties = fc.record(
  {
    className: fc.array(fc.constantFrom('a', 'b-c'), { maxLength: 2 }),
    alt: said,
    hidden: fc.boolean(),
    width: fc.integer({ min: 0, max: 900 }),
    accept: fc.constantFrom(...([['image/png', 'image/gif'], ['image/png']] as string[][])),
    'xmlns:v': fc.constant('urn:x'),
    ariaLabel: said,
    download: fc.constantFrom(true, '', 'name'),
    dataM: fc.constant(undefined),
  },
  { requiredKeys: [] },
)
const { node } = fc.letrec<{ node: ElementContent }>((tie) => ({
  node: fc.oneof(
    { depthSize: 'small' },
    said.map((value): Text => ({ type: 'text', value })),
    said.map((value): Comment => ({ type: 'comment', value })),
    fc
      .record({
        tagName: fc.constantFrom('p', 'td', 'div', 'img', 'style', 'picture', 'v:rect'),
        properties,
        children: fc.array(tie('node'), { maxLength: 3 }),
      })
      .map((e): Element => ({ type: 'element', ...e, children: e.tagName === 'img' ? [] : e.children })),
  ),
}))

// The reference is hast-util-to-html, with the settings under which both write attributes and references alike.
test('a tree in one line is what the reference printer makes of it', () => {
  fc.assert(
    fc.property(fc.array(node, { maxLength: 4 }), (nodes) => {
      const reference = nodes
        .map((n) =>
          toHtml(n, {
            allowDangerousCharacters: true,
            characterReferences: { useNamedReferences: true, omitOptionalSemicolons: false },
          }),
        )
        .join('')
      expect(printMapped(nodes, 0, flat).html).toBe(reference)
    }),
    { numRuns: samples(1000) },
  )
})

test('lines and indentation stand where they change nothing, and the printer knows where marked elements stand', () => {
  const tree = el('table', { dataM: 't' }, [
    el('tr', null, [
      el('td', { dataM: 'a' }, 'one'),
      el('td', { dataM: 'b' }, [el('div', null, [el('p', null, 'two'), el('p', null, 'three')])]),
    ]),
  ])
  const printed = printMapped([tree], 1, { indent: 2, marks: false })
  expect(printed.html.split('\n')).toEqual([
    '  <table>',
    '    <tr>',
    '      <td>one</td>',
    '      <td>',
    '        <div>',
    '          <p>two</p>',
    '          <p>three</p>',
    '        </div>',
    '      </td>',
    '    </tr>',
    '  </table>',
  ])
  expect(printed.lines).toBe(11)
  expect(printed.places).toEqual([
    { id: 't', from: 0, to: 10 },
    { id: 'a', from: 2, to: 2 },
    { id: 'b', from: 3, to: 8 },
  ])
  expect(printMapped([tree], 1, { indent: null, marks: true }).html).toContain('<td data-m="a">')
})

test('a document is printed around its slot', () => {
  const html = el('html', { lang: 'en' }, [
    el('body', null, [el('div', null, [{ type: 'slot', value: '' }])]),
  ])
  const around = printAround(
    { type: 'root', children: [{ type: 'doctype' }, html] },
    { indent: 2, marks: false },
  )
  expect(around).toEqual([
    '<!DOCTYPE html>\n<html lang="en">\n<body>\n  <div>\n',
    '  </div>\n</body>\n</html>\n',
  ])
})

const asHtml = (...nodes: ElementContent[]) => printMapped(toComments(nodes), 0, flat).html

test('what is for the Word engine becomes conditional comments; ghosts that hold only each other share one', () => {
  const words = el('p', null, 'Words')
  expect(asHtml(wordOnly(el('td', { width: '20' })))).toBe('<!--[if mso]><td width="20"></td><![endif]-->')
  expect(asHtml(notWord(words))).toBe('<!--[if !mso]><!--><p>Words</p><!--<![endif]-->')
  expect(asHtml(ghost('table', {}, [ghost('tr', {}, [words, words])]))).toBe(
    '<!--[if mso]><table><tr><![endif]--><p>Words</p><p>Words</p><!--[if mso]></tr></table><![endif]-->',
  )
  expect(
    asHtml(ghost('v:rect', { stroke: 'false' }, [ghost('v:textbox', {}, [words])], [el('v:fill', null)])),
  ).toBe(
    '<!--[if mso]><v:rect stroke="false"><v:fill></v:fill><v:textbox><![endif]--><p>Words</p><!--[if mso]></v:textbox></v:rect><![endif]-->',
  )
})

test('nothing inside a condition can end it, and conditions never nest', () => {
  expect(asHtml(wordOnly(el('center', { title: '-->"' }, '<![endif]-->')))).toBe(
    '<!--[if mso]><center title="&#45;&#45;&gt;&quot;">&lt;![endif]&#45;&#45;&gt;</center><![endif]-->',
  )
  const nested = notWord(
    el('div', null, [
      wordOnly(el('br', null)),
      ghost('td', {}, [el('p', null, 'x')]),
      notWord(el('i', null)),
    ]),
  )
  expect(asHtml(nested)).toBe('<!--[if !mso]><!--><div><p>x</p><i></i></div><!--<![endif]-->')
})

test('conditions from elsewhere become nodes and come out as they were; halves that are apart stay comments', () => {
  const comment = (value: string): Comment => ({ type: 'comment', value })
  const p = el('p', null, 'x')
  const whole = [
    comment('[if gte mso 9]><o:p/><![endif]'),
    comment('[if !mso]><!'),
    p,
    comment('<![endif]'),
    comment('said'),
  ]
  expect(fromComments(whole).map((n) => n.type)).toEqual(['conditional', 'conditional', 'comment'])
  expect(fromComments([comment('[if !mso]><!'), p])).toEqual([comment('[if !mso]><!'), p])
  expect(asHtml(...fromComments(whole))).toBe(asHtml(...whole))
})
