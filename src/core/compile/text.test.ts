import fc from 'fast-check'
import { anyEmail, longEmail } from '@/test-support/emails'
import { eachInline } from '../email/richtext'
import { tilesOf } from '../email/walk'
import { asWritten } from '../handover/fields'
import { hasScheme, hrefOf } from './link'
import { asSample } from '../handover/fields'
import { compileText, wrap } from './text'

test('lines have at most 78 characters (RFC 5322, 2.1.1), but an address stays whole', () => {
  const text = compileText(longEmail(3))
  for (const line of text.split('\n')) if (!/<\S{60,}>/.test(line)) expect(line.length).toBeLessThanOrEqual(78)
  expect(wrap(`see <https://a.example/${'x'.repeat(90)}> there`).split('\n')).toEqual(['see', `<https://a.example/${'x'.repeat(90)}>`, 'there'])
  expect(wrap(`- ${'word '.repeat(30)}`.trim()).split('\n')[1]).toMatch(/^ {2}word/)
})

test('no word of the email is lost', () => {
  fc.assert(fc.property(anyEmail, (email) => {
    const kept = compileText(email, { fields: asWritten }).replace(/\s+/g, '')
    for (const band of email.bands) for (const tile of tilesOf(band)) {
      if (band.show === 'narrow' || tile.show === 'narrow') continue
      const said = tile.kind === 'button' ? [tile.label] : []
      if (tile.kind === 'words') eachInline(tile.text, (r) => { if (r.type === 'text') said.push(r.text) })
      for (const word of said.flatMap((s) => s.split(/\s+/))) if (!word.includes('[[') && !word.includes(']]') && !word.includes('|')) expect(kept).toContain(word)
    }
  }), { numRuns: 200 })
})

test('headings are ruled and links stand in angle brackets (RFC 3986, appendix C)', () => {
  const text = compileText(longEmail(1))
  expect(text).toContain('Walk number 0\n-------------\n\nForty minutes')
  expect(text).toContain('the map <https://hill.example/map>')
  expect(text).toContain('Walk with us <https://hill.example/go>')
})

// RFC 3986: section 3.1 (scheme) and 2.1 (percent-encoding).
test.each([['https://a.example/x', true], ['mailto:a@b.example', true], ['tel:+44', true], ['[[unsubscribe]]', true], ['www.a.example', false], ['a.example/x', false], ['', false]])('%s has a scheme: %s', (href, has) => expect(hasScheme(href)).toBe(has))
test.each([
  ['https://a.example/ä b', 'https://a.example/%C3%A4%20b'], ['https://a.example/%20x?y=1&z=2', 'https://a.example/%20x?y=1&z=2'], ['javascript:alert(1)', '#'], [' JaVa\tscript:alert(1)', '#'], ['data:text/html,x', '#'], ['[[unsubscribe]]', '%5B%5Bunsubscribe%5D%5D'],
])('the link %s goes out as %s', (link, href) => expect(hrefOf(link, asWritten)).toBe(href))
test('a platform gets its fields untouched', () => {
  expect(hrefOf('https://a.example/?id=[[id]]&q=ä', ({ name }) => `{:${name}:}`)).toBe('https://a.example/?id={:id:}&q=%C3%A4')
  expect(hrefOf('[[missing]]', asSample())).toBe('#')
})
