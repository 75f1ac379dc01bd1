import fc from 'fast-check'
import { compile } from '../compile'
import { compileText } from '../compile/text'
import type { Email } from '../email/schema'
import { placesOf } from '../email/walk'
import { tagsOf } from '../html/tags'
import { trackedHref, type Tracking } from '../text/tracking'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { samples } from '@/test-support/samples'

const rule: Tracking = {
  parameters: [{ name: 'src', value: 'spring letter' }, { name: 'part' }],
  hosts: ['fennmoor.example'],
}

// The parts of an address are those of RFC 3986, appendix B; the results are worked out by hand from it.
test.each([
  ['https://fennmoor.example', 'https://fennmoor.example?src=spring%20letter&part=Hero'],
  [
    'https://shop.fennmoor.example/a?b=1#c',
    'https://shop.fennmoor.example/a?b=1&src=spring%20letter&part=Hero#c',
  ],
  ['HTTPS://FENNMOOR.example:8443/', 'HTTPS://FENNMOOR.example:8443/?src=spring%20letter&part=Hero'],
  ['https://fennmoor.example/?part=own&', 'https://fennmoor.example/?part=own&src=spring%20letter'],
  [
    'https://fennmoor.example/?id=[[id]]',
    'https://fennmoor.example/?id=[[id]]&src=spring%20letter&part=Hero',
  ],
  ['https://notfennmoor.example/', 'https://notfennmoor.example/'],
  ['https://fennmoor.example.evil.test/', 'https://fennmoor.example.evil.test/'],
  ['mailto:a@fennmoor.example', 'mailto:a@fennmoor.example'],
  ['[[unsubscribe]]', '[[unsubscribe]]'],
  ['#top', '#top'],
  ['', ''],
])('%s -> %s', (href, to) => expect(trackedHref(href, rule, 'Hero')).toBe(to))

test('whatever the address, it stays one, keeps what it had, and twice is as once', () => {
  const all: Tracking = { parameters: rule.parameters }
  fc.assert(
    fc.property(fc.webUrl({ withQueryParameters: true, withFragments: true }), fc.string(), (href, band) => {
      const to = trackedHref(href, all, band)
      const [was, is] = [new URL(href), new URL(to)]
      expect([is.origin, is.pathname, is.hash]).toEqual([was.origin, was.pathname, was.hash])
      expect(is.searchParams.get('part')).toBe(was.searchParams.get('part') ?? band.toWellFormed())
      expect(trackedHref(to, all, band)).toBe(to)
    }),
  )
})

test('every link of every kind of tile carries the rule, in the HTML and in the text; the document keeps them as written', () => {
  const kinds = new Set<string>()
  fc.assert(
    fc.property(anyEmail, (any) => {
      const email: Email = { ...composed(any), tracking: { parameters: [{ name: 'src', value: 'x' }] } }
      const before = JSON.stringify(email)
      const html = compile(email, house, { src: (p) => p.id })
      const links = tagsOf(html, { inConditions: true })
        .filter((t) => /^(?:a|area|v:\w+)$/.test(t.name))
        .flatMap((t) => t.attributes.filter((a) => a.name === 'href'))
        .map((a) => a.value)
        .filter((href) => /^https?:\/\/\w/.test(href))
      expect(links.filter((l) => !/[?&]src=/.test(l))).toEqual([])
      expect(compileText(email).match(/<https?:\/\/\w[^>?#]*>/g)).toBeNull()
      expect(JSON.stringify(email)).toBe(before)
      if (links.length) for (const { tile } of placesOf(email)) kinds.add(tile.kind)
    }),
    { numRuns: samples(300) },
  )
  expect(kinds.size).toBeGreaterThan(8)
})

test('HTML written by hand keeps its bytes but for the addresses, those of the Word engine included', () => {
  const html = `<p>a<a href='https://a.example/?b=1&amp;c=2'>b</a><!--[if mso]><v:roundrect href="https://a.example"></v:roundrect><![endif]--><link href="https://a.example/s.css"></p>`
  const email = {
    ...longEmail(1),
    way: 'hand' as const,
    hand: { html, pictures: {}, inline: false },
    tracking: { parameters: [{ name: 'src', value: 'x' }] },
  }
  expect(compile(email, house, { src: (p) => p.id })).toBe(
    `<p>a<a href="https://a.example/?b=1&amp;c=2&amp;src=x">b</a><!--[if mso]><v:roundrect href="https://a.example?src=x"></v:roundrect><![endif]--><link href="https://a.example/s.css"></p>`,
  )
})
