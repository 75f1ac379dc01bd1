import { newTile } from '..'
import { wordErrors } from '../conditional/html'
import { house, longEmail } from '@/test-support/emails'
import { fromHtml } from 'hast-util-from-html'
import { parse } from 'parse5'
import { compile } from '../../compile'
import { elementsOf } from '../../html/elements'
import { applyEdit } from '../../email/edits'
import { scopeCode } from './scope'

const scoped = (html: string, css = '') => scopeCode({ id: 'k1', html, css })
const tileIn = (set: object) =>
  compile(
    applyEdit(longEmail(1), {
      name: 'addTile',
      what: { cell: 'c0-0', at: 0, tile: { ...newTile('code', () => 'k1'), ...set } as never },
    }),
    house,
    { src: (p) => p.id },
  )

test('its rules are written into its own elements and touch nothing else', () => {
  const html = tileIn({
    html: '<p class="note">One</p><p>Two</p>',
    css: '.note{color:#aa0000} p{margin:3px} body{background:#00ff00}',
  })
  expect(html).toMatch(
    /<p style="[^"]*margin:3px[^"]*color:#aa0000[^"]*">One|<p style="color:#aa0000;margin:3px">One|<p style="margin:3px;color:#aa0000">One/,
  )
  expect(html).toContain('<p style="margin:3px">Two')
  expect(html).not.toMatch(/<h2[^>]*margin:3px/)
  expect(html).not.toMatch(/<body[^>]*#00ff00/)
  expect(html).not.toContain('class="note"')
})

test('rules that only a reader can apply keep a name of their own', () => {
  const html = tileIn({
    html: '<p class="stack hide">One</p>',
    css: '@media (max-width:480px){.stack{color:#0000aa}} .hide:hover{color:#aa0000} @keyframes turn{to{opacity:0}} p{animation:turn 2s}',
  })
  expect(html).toContain('.own-k1 .own-k1-stack{color:#0000aa!important}')
  expect(html).toContain('.own-k1 .own-k1-hide:hover{color:#aa0000!important}')
  expect(html).toMatch(/@keyframes own-k1-turn/)
  expect(html).toMatch(/animation:own-k1-turn 2s/)
  expect(html).toContain('class="own-k1-stack own-k1-hide"')
})

test.each([
  ['<script>alert(1)</script><b>x</b>', /script/i],
  ['<b onclick="alert(1)">x</b>', /onclick/i],
  ['<a href="jAva&#9;script:alert(1)">x</a>', /javascript/i],
  ['<iframe src="https://a.example"></iframe>', /iframe/i],
  ['<svg><script>alert(1)</script></svg>', /script/i],
  ['<svg><a xlink:href="javascript:alert(1)">x</a></svg>', /javascript/i],
  ['<form action="javascript:alert(1)"></form>', /javascript/i],
  ['<meta http-equiv="refresh" content="0;url=https://a.example">', /refresh/i],
  ['<base href="https://a.example">', /<base/i],
  ['<img src=x onerror=alert(1)>', /onerror/i],
  [
    '<b>x</b><svg><a><animate attributeName="href" to="javascript:alert(1)"/></a></svg>',
    /javascript|animate/i,
  ],
  ['<button formaction="javascript:alert(1)">x</button>', /javascript/i],
  ['<a href="https://a.example">y</a><a href="vbscript:x">z</a>', /vbscript/i],
  ['<input type="image" src="javascript:alert(1)">', /javascript/i],
])('%s cannot run', (markup, trace) => {
  const { tree, notes } = scoped(markup)
  expect(JSON.stringify(tree)).not.toMatch(trace)
  expect(notes.length).toBeGreaterThan(0)
})

test('a stray end tag cannot break out of its cell, nor a style sheet out of its element', () => {
  const outside = (html: string) => html.slice(html.indexOf('Walk number 0'))
  const plain = outside(tileIn({ html: '<p>x</p>' }))
  expect(outside(tileIn({ html: '</td></tr></table></div><p>x</p>' }))).toBe(plain)
  const html = tileIn({
    html: '<p class="a">x</p>',
    css: '.a:hover::after{content:"</style><script>alert(1)</script>"}',
  })
  const errors: string[] = []
  parse(html, { onParseError: (e) => errors.push(e.code) })
  expect(errors).toEqual([])
  expect([...elementsOf(fromHtml(html))].filter((e) => e.tagName === 'script')).toEqual([])
})

test('a condition for the Word engine stays where it is complete, and goes where it would leave tags open', () => {
  expect(scoped('<!--[if mso]><p>w</p><![endif]-->x').tree.children[0]).toEqual({
    type: 'conditional',
    condition: 'mso',
    hidden: true,
    children: [{ type: 'verbatim', value: '<p>w</p>' }],
  })
  const broken = scoped('<!--[if mso]><table><tr><![endif]-->x')
  expect(broken.tree.children.map((c) => c.type)).toEqual(['text'])
  expect(broken.notes.join()).toContain('never closed')
  const half = scoped('<!--[if !mso]><!--><p>x</p>')
  expect([JSON.stringify(half.tree).includes('[if'), half.notes.length]).toEqual([false, 1])
  expect(wordErrors('<table><tr><td>a</td></tr></table>')).toEqual([])
  expect(wordErrors('<table>')).toEqual(['<table> is never closed'])
  expect(wordErrors('a --> b')).toHaveLength(1)
})

test('the layout of email stays: tables, attributes, styles, forms, ids, fields in links', () => {
  const markup =
    '<table width="300" bgcolor="#ffffff" cellpadding="4" border="0" role="presentation"><tr><td align="center" valign="top" background="https://a.example/b.png" style="color:#aa0000"><font face="Arial" color="#00aa00">x</font><img src="cid:one" alt="a" width="20"><a href="[[unsubscribe]]" id="way" name="n">out</a><a href="tel:+44">t</a></td></tr></table><form action="https://a.example" method="post"><label for="c">c</label><input id="c" type="checkbox" name="c" checked></form>'
  const { tree, notes } = scoped(markup)
  expect(notes).toEqual([])
  const plain = (nodes: unknown) =>
    JSON.stringify(nodes, (k, v: unknown) => (k === 'position' ? undefined : v))
  expect(plain(tree.children)).toBe(plain(fromHtml(markup, { fragment: true }).children))
})

test('fields in it come out as the destination writes them', () => {
  const email = applyEdit(longEmail(1), {
    name: 'addTile',
    what: {
      cell: 'c0-0',
      at: 0,
      tile: {
        ...newTile('code', () => 'k1'),
        html: '<a href="https://a.example/?c=[[city]]">[[city | town]]</a>',
      } as never,
    },
  })
  expect(compile(email, house, { src: (p) => p.id, fields: ({ name }) => `{:${name}:}` })).toContain(
    '<a href="https://a.example/?c={:city:}">{:city:}</a>',
  )
})
