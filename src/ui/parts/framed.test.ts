import fc from 'fast-check'
import { parse, type DefaultTreeAdapterMap } from 'parse5'
import { samples } from '@/test-support/samples'
import { framed } from './framed'

type Node = DefaultTreeAdapterMap['node']
type Parent = DefaultTreeAdapterMap['parentNode']
const own = 'http://127.0.0.1:4310'
const isParent = (n: Node): n is Parent & Node => 'childNodes' in n

/** What stands before the policy in the order of the document, as the standard's parser sees it: elements and words. */
function before(html: string): string[] {
  const out: string[] = []
  const walk = (n: Node): boolean => {
    if (n.nodeName === 'meta') return true
    if (n.nodeName === '#text' || (isParent(n) && n.nodeName !== '#document')) out.push(n.nodeName)
    return isParent(n) && n.childNodes.some((c) => walk(c))
  }
  expect(walk(parse(html))).toBe(true)
  return out
}

const loading =
  '<img src="https://elsewhere.example/a.png"><link rel=stylesheet href=https://elsewhere.example/s>'
// What HTML, 13.2.5 and 13.2.6 name as errors before a document's type, and what parsers take for blanks.
const odd = [
  ...['\u00a0', '\u000b', '\u2028', '\ufeff', '\u0000', ' \u3000', '\u0085', 'x', '&nbsp;', '&#10;'],
  ...[
    '<!-->',
    '<!--->',
    '<!--a--!>',
    '<!--a--!><!--',
    '<!--',
    '<!---!>',
    '<!-- <!-- -->',
    '<?xml version="1.0"?>',
  ],
  ...[
    '<!x>',
    '</x>',
    '<![CDATA[',
    '</body>',
    '</head>',
    '<head></head>',
    '<body>',
    '<frameset>',
    '<html><body>',
  ],
  ...[
    '<!doctype',
    '<!doctype html',
    '<!doctype html public "a>b">',
    "<!DOCTYPE html SYSTEM '<img>'>",
    '<!doctype>',
  ],
  ...[
    '<title>',
    '<style>',
    '<script>',
    '<template>',
    '<noscript>',
    '<textarea>',
    '<plaintext>',
    '<svg><title>',
  ],
]
const beginnings = fc.array(fc.constantFrom(...odd, '<!doctype html>', ' ', '\n'), { maxLength: 4 })

test('the policy is the first thing of the head, however a document begins', () => {
  const at = (start: string) =>
    expect({ start, before: before(framed(start + loading, 'own', own)) }).toEqual({
      start,
      before: ['html', 'head'],
    })
  for (const o of odd)
    for (const end of ['', '<!doctype html>', '<html>', ' <!doctype html>', '<!-- a -->']) at(o + end)
  fc.assert(
    fc.property(beginnings, (parts) => at(parts.join(''))),
    { numRuns: samples(200) },
  )
})

test('what is let in is what was asked for', () => {
  const policy = (loads: Parameters<typeof framed>[1]) =>
    /content="([^"]*)"/.exec(framed('<p>', loads, own))![1]!
  expect(policy('own')).toMatch(/^default-src 'none'; img-src http:\/\/127\.0\.0\.1:4310 data: blob:; /)
  expect(policy('nothing')).toContain("img-src 'none'")
  expect(policy('all')).toContain('img-src http://127.0.0.1:4310 data: blob: https: http:')
  for (const loads of ['own', 'nothing', 'all'] as const) expect(policy(loads)).not.toContain('script')
})

// HTML, 13.2.6.4.1: without a type declaration first, a document is laid out in quirks mode.
test.each([
  ['<!doctype html><p>', 'no-quirks'],
  ['\n<!-- a --><!DOCTYPE html><p>', 'no-quirks'],
  ['<p>', 'quirks'],
  ['<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 3.2//EN"><p>', 'quirks'],
])('%j keeps its mode', (html, mode) => {
  expect(parse(framed(html, 'own', own)).mode).toBe(mode)
})

test('families that emails name are those that ship with the app', () => {
  const html = framed('<p>', 'own', own)
  expect(html).toContain(
    `font-family:'Arial';font-weight:700;font-style:italic;src:url(${own}/api/fonts/shipped/arimo-3)`,
  )
})
