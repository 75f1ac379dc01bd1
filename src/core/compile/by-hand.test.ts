import { longEmail, house } from '@/test-support/emails'
import { picture } from '@/test-support/tiles'
import type { ByHand, Email } from '../email/schema'
import { asSample, asWritten } from '../text/fields'
import { byHandHtml } from './by-hand'
import { inlineDocument } from '@/core/html/inline-document'
import { compile, compileMapped } from './index'
import { compileText } from './text'

/* What leaves of an email written by hand, to the character. */

const page = (head: string, body: string) =>
  `<!DOCTYPE html>\n<html><head>${head}</head><body>${body}</body></html>`

const sheet = `<style>
@font-face{font-family:"Old Ferry";src:url(f.woff2)}
p{color:#333333}
.loud{color:#b4452f}
a:hover{color:red}
@media (max-width:600px){.loud{font-size:20px;padding:0}p{margin:0}}
</style>`
const body = '<p class="loud" style="margin:1px">Read [[name | you]]</p>'

test('what an element can hold stands in it; what only a reader can apply stays in the head, and prevails', () => {
  const inlined = inlineDocument(page(sheet, body))
  expect(inlined).toContain('<p class="loud" style="color:#b4452f;margin:1px">Read [[name | you]]</p>')
  const rest = /<style>([\s\S]*?)<\/style>/.exec(inlined)![1]
  expect(
    rest!
      .replace(/\s*\n\s*/g, '\n')
      .trim()
      .split('\n'),
  ).toEqual([
    '@font-face{font-family:"Old Ferry";src:url(f.woff2)}',
    'a:hover{color:red!important}',
    '@media (max-width:600px){',
    '.loud{font-size:20px!important;padding:0!important}',
    'p{margin:0!important}',
    '}',
  ])
  expect(inlined.endsWith('</html>\n')).toBe(true)
})

test('a sheet of which nothing is left goes; one for print is not touched', () => {
  const print = '<style media="print">p{color:black}</style>'
  const inlined = inlineDocument(page(`<style>p{color:red}</style>${print}`, '<p>x</p>'))
  expect(inlined).toContain('<p style="color:red">x</p>')
  expect([...inlined.matchAll(/<style/g)]).toHaveLength(1)
  expect(inlined).toContain('p{color:black}')
})

const hand = (html: string, more: Partial<ByHand> = {}): ByHand => ({
  html,
  pictures: {},
  inline: false,
  ...more,
})
const src = ({ id }: { id: string }) => `https://pictures.example/${id.slice(0, 3)}.png`

test('it is byte for byte what was written, but for the places of pictures and the fields', () => {
  const odd = page(sheet, `${body}<img src="images/a.png"><P>odd</p >`)
  expect(byHandHtml(hand(odd), src, asWritten)).toBe(odd)
  const placed = byHandHtml(hand(odd, { pictures: { 'images/a.png': picture } }), src, asSample())
  expect(placed).toBe(odd.replace('images/a.png', src(picture)).replace('[[name | you]]', 'you'))
})

test('without style sheets none is left, not even one that does not end', () => {
  const bare = (html: string) => byHandHtml(hand(html), src, asWritten, 'inline')
  const two = bare(page(`${sheet}<title>T</title><style>@media print{p{color:red}}</style>`, body))
  expect(two).not.toMatch(/<\/?style/)
  expect(two).toContain('<title>T</title>')
  expect(two).toContain('color:#b4452f;margin:1px')
  expect(bare('<p>x</p><style>p{color:red}@media print{')).not.toMatch(/<style/)
  expect(
    byHandHtml(hand(page('<style>p{color:red}</style>', '<p>x</p>'), { inline: true }), src, asWritten),
  ).toContain('<p style="color:red">x</p>')
})

test('an email by hand is compiled from its HTML alone, and has no bands to part it at', () => {
  const source = page('', body)
  const email: Email = { ...longEmail(1), way: 'hand', hand: hand(source) }
  expect(compile(email, house, { src })).toBe(source)
  expect(compile(email, house, { src, fields: asSample({ name: 'Ida' }) })).toContain('Read Ida')
  const mapped = compileMapped(email, house, { src })
  expect(mapped.html).toBe(source)
  expect(mapped.places()).toEqual([])
  expect(mapped.parts()).toEqual({ before: source, bands: [], after: '' })
  // Kept beside bands it is not what leaves.
  expect(compile({ ...email, way: 'bands' }, house, { src })).toContain('Walk number 0')
})

test('its text is that of its HTML as it is seen: what a sheet hides is left out, pictures and links are said', () => {
  const source = page(
    '<style>.no{display:none}</style>',
    '<p class="no">Hidden</p><p>Seen, <a href="https://a.example/">there</a></p>',
  )
  const email: Email = { ...longEmail(1), way: 'hand', hand: hand(source) }
  expect(compileText(email)).toBe('Seen, there <https://a.example/>\n')
  expect(compileText({ ...email, way: 'bands' })).toContain('Walk number 0')
})
