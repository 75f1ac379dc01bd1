import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { convert } from 'html-to-text'
import { anyEmail, house, longEmail } from '@/test-support/emails'
import { eachInline, type RichText } from '../email/richtext'
import type { Band, Email } from '../email/schema'
import type { Tile } from '../email/tile'
import { newTile } from '../tiles'
import { holds } from '../email/conditions'
import { tilesOf } from '../email/walk'
import { asWritten } from '../text/fields'
import { applyEdit } from '../email/edits'
import { compile } from './index'
import { hasScheme, hrefOf } from '../text/link'
import { asSample } from '../text/fields'
import { compileText, wrap } from './text'

test('lines have at most 78 characters (RFC 5322, 2.1.1), but an address stays whole', () => {
  const text = compileText(longEmail(3))
  for (const line of text.split('\n'))
    if (!/<\S{60,}>/.test(line)) expect(line.length).toBeLessThanOrEqual(78)
  expect(wrap(`see <https://a.example/${'x'.repeat(90)}> there`).split('\n')).toEqual([
    'see',
    `<https://a.example/${'x'.repeat(90)}>`,
    'there',
  ])
  expect(wrap(`- ${'word '.repeat(30)}`.trim()).split('\n')[1]).toMatch(/^ {2}word/)
  // A field is never cut, nor the link that holds it.
  expect(wrap('See <https://a.example/?for=[[id | my guest]]> now, dear [[name | good friend]]', 20)).toBe(
    'See\n<https://a.example/?for=[[id | my guest]]>\nnow, dear\n[[name | good friend]]',
  )
  expect(wrap('  > indented [[ and not a field', 12)).toBe('  > indented\n  [[ and not\n  a field')
})

test('no word of the email is lost', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      // Raised and lowered digits are digits still (Unicode, NFKC); a raised hyphen is a minus there (U+2212).
      const plain = (s: string) => s.normalize('NFKC').replace(/\u2212/g, '-')
      const kept = plain(compileText(email, { fields: asWritten })).replace(/\s+/g, '')
      for (const band of email.bands)
        for (const tile of tilesOf(band)) {
          if (band.show === 'narrow' || tile.show === 'narrow') continue
          const said = tile.kind === 'button' ? [tile.label] : []
          if (tile.kind === 'words')
            eachInline(tile.text, (r) => {
              if (r.type === 'text') said.push(r.text)
            })
          for (const word of said.flatMap((s) => s.split(/\s+/)))
            if (!word.includes('[[') && !word.includes(']]') && !word.includes('|'))
              expect(kept).toContain(plain(word))
        }
    }),
    { numRuns: samples(200) },
  )
})

test('headings are ruled and links stand in angle brackets (RFC 3986, appendix C)', () => {
  const text = compileText(longEmail(1))
  expect(text).toContain('Walk number 0\n-------------\n\nForty minutes')
  expect(text).toContain('the map <https://hill.example/map>')
  expect(text).toContain('Walk with us <https://hill.example/go>')
})

// RFC 3986: section 3.1 (scheme) and 2.1 (percent-encoding).
test.each([
  ['https://a.example/x', true],
  ['mailto:a@b.example', true],
  ['tel:+44', true],
  ['[[unsubscribe]]', true],
  ['www.a.example', false],
  ['a.example/x', false],
  ['', false],
])('%s has a scheme: %s', (href, has) => expect(hasScheme(href)).toBe(has))
test.each([
  ['https://a.example/ä b', 'https://a.example/%C3%A4%20b'],
  ['https://a.example/%20x?y=1&z=2', 'https://a.example/%20x?y=1&z=2'],
  ['javascript:alert(1)', '#'],
  [' JaVa\tscript:alert(1)', '#'],
  ['data:text/html,x', '#'],
  ['[[unsubscribe]]', '%5B%5Bunsubscribe%5D%5D'],
])('the link %s goes out as %s', (link, href) => expect(hrefOf(link, asWritten)).toBe(href))
test('a field that is called as what every object has shows its fallback, and meets no condition', () => {
  for (const name of ['constructor', 'valueof', 'hasownproperty', '__proto__'])
    expect(asSample({})({ name, fallback: 'you' })).toBe('you')
  expect(holds({ field: 'constructor', test: 'empty', value: '' }, {})).toBe(true)
})
test('a platform gets its fields untouched', () => {
  expect(hrefOf('https://a.example/?id=[[id]]&q=ä', ({ name }) => `{:${name}:}`)).toBe(
    'https://a.example/?id={:id:}&q=%C3%A4',
  )
  expect(hrefOf('[[missing]]', asSample())).toBe('#')
})

// html-to-text is a general converter: what it finds in our HTML, our own plain text says too.
test('has every word that a general converter finds in the HTML', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      const shown = { ...email, bands: email.bands.map((b) => ({ ...b, when: undefined })) }
      const html = compile(shown, house, { src: (p) => p.id, fields: asSample() })
        .replace(/<div class="preheader"[\s\S]*?<\/div>/, '')
        .replace(/</g, ' <')
      const theirs = convert(html, {
        wordwrap: false,
        selectors: [
          { selector: 'img', format: 'skip' },
          { selector: 'a', options: { ignoreHref: true } },
          ...['h1', 'h2', 'h3'].map((selector) => ({ selector, options: { uppercase: false } })),
          { selector: '*[style*="display:none"]', format: 'skip' },
          { selector: '.own', format: 'skip' },
        ],
      })
      const ours = compileText(shown).replace(/[\s>]+/g, '')
      // Custom code is read by the same kind of converter on both sides; stars and marks of lists are each
      // one's own.
      const hasCode = [...email.bands].some((b) =>
        [...tilesOf(b)].some((t) => t.kind === 'code' || t.kind === 'conditional'),
      )
      if (hasCode) return
      const missing = theirs
        .split(/\s+/)
        .filter((w) => /[\p{L}\p{N}]/u.test(w))
        .filter((w) => !ours.includes(w.replace(/>/g, '')))
      expect(missing.filter((w) => !/^\d+\.$/.test(w))).toEqual([])
    }),
    { numRuns: samples(150) },
  )
})

test('links stand as numbered references where that is asked, each address once', () => {
  const text = compileText(longEmail(2), { links: 'numbered' })
  expect(text).toContain('the map [2] shows where.')
  expect(text.match(/\[2\]/g)!.length).toBe(5)
  expect(text.trimEnd().split('\n').slice(-4)).toEqual([
    '[1] https://hill.example/0',
    '[2] https://hill.example/map',
    '[3] https://hill.example/go',
    '[4] https://hill.example/1',
  ])
})

test('tables stand in columns where they fit, else as lines; quotes are marked', () => {
  const table = {
    id: 't',
    kind: 'table',
    padding: { top: 0, right: 0, bottom: 0, left: 0 },
    show: 'all',
    caption: '',
    columns: [{ align: 'left' }, { align: 'right' }],
    rows: [
      ['Train', 'Leaves'],
      ['Sleeper', '9:40'],
      ['Early', '21:05'],
    ],
    headRow: true,
    headColumn: false,
    space: 6,
    compact: 'scroll',
  } as const
  const add = (tile: object) =>
    compileText(
      applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: tile as never } }),
    )
  expect(add(table)).toContain('Train    Leaves\n-------  ------\nSleeper    9:40\nEarly     21:05\n')
  expect(
    add({
      ...table,
      rows: [
        ['Train', 'Leaves'],
        ['x'.repeat(50), 'y'.repeat(40)],
      ],
    }),
  ).toContain(`Train: ${'x'.repeat(50)}\nLeaves: ${'y'.repeat(40)}`)
  expect(
    add({
      id: 'q',
      kind: 'words',
      padding: table.padding,
      show: 'all',
      align: 'left',
      text: {
        type: 'doc',
        content: [
          {
            type: 'blockquote',
            content: [{ type: 'paragraph', content: [{ type: 'text', text: 'word '.repeat(30).trim() }] }],
          },
        ],
      },
    }),
  ).toMatch(/^> word( word)+\n> word/)
})

test('bands stand three lines apart, a condition of a platform around its band without the marks of a comment', () => {
  const words = (text: string): RichText => ({
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
  })
  const tile = (id: string, text: string, show: 'all' | 'narrow' = 'all') => ({
    ...newTile('words', () => id),
    text: words(text),
    show,
  })
  const [first, second] = longEmail(2).bands
  const bare = (band: Band, ...items: Tile[]): Band => ({ ...band, cells: [{ ...band.cells[0]!, items }] })
  const email = {
    ...longEmail(0),
    bands: [
      {
        ...bare(first!, tile('a', 'First'), tile('n', 'Narrow alone', 'narrow')),
        when: { field: 'city', test: 'set', value: '' },
      },
      bare(second!, tile('b', 'Second\u00a0half'), tile('c', 'Third')),
      bare({ ...second!, id: 'e' }),
    ],
  } as Email
  const marks = { before: '<!-- {if city} -->', after: '<!--{end}-->' }
  expect(compileText(email, { conditions: () => marks })).toBe(
    '{if city}\nFirst\n{end}\n\n\nSecond half\n\nThird\n',
  )
  expect(compileText(email, { conditions: () => true })).toBe('First\n\n\nSecond half\n\nThird\n')
  expect(compileText(email, { conditions: () => false })).toBe('Second half\n\nThird\n')
})

test('a text of its own prevails: line ends become one kind, spaces at ends go, fields are filled in', () => {
  const own = { ...longEmail(1), text: 'Dear [[name | friend]],\r\n  indented  \rlast\n\n' }
  expect(compileText(own)).toBe('Dear friend,\n  indented\nlast\n')
  expect(compileText({ ...own, way: 'plain', plain: 'Plain' })).toBe('Plain\n')
  expect(compileText({ ...own, way: 'plain', plain: undefined })).toBe('\n')
})

test('raised and lowered letters, pictures and addresses are said in the text too', () => {
  const words = (...content: object[]) =>
    ({ type: 'doc', content: [{ type: 'paragraph', content }] }) as unknown as RichText
  const shift = (text: string, type: string) => ({ type: 'text', text, marks: [{ type }] })
  const email = applyEdit(longEmail(1), {
    name: 'setTile',
    what: {
      id: 'w0-0',
      kind: 'words',
      set: {
        text: words(
          { type: 'text', text: '20 m' },
          shift('2', 'superscript'),
          { type: 'text', text: ', CO' },
          shift('2', 'subscript'),
          { type: 'text', text: ', the 1' },
          shift('st', 'superscript'),
          { type: 'text', text: ' ', marks: [{ type: 'link', attrs: { href: 'https://a.example/ä b' } }] },
        ),
      },
    },
  })
  const text = compileText(email)
  // RFC 3986, section 2: as in the HTML.
  expect(text).toContain('20 m², CO₂, the 1^(st)  <https://a.example/%C3%A4%20b>')
  expect(text).toContain('[Picture: A hill at dusk] <https://hill.example/0>')
  expect(compileText({ ...email, lang: 'de' })).toContain('[Bild: A hill at dusk]')
})

test('in a message a paragraph is one line, which its reader breaks', () => {
  const longest = (broken: boolean) =>
    Math.max(
      ...compileText(longEmail(1), { broken })
        .split('\n')
        .map((l) => l.length),
    )
  expect(longest(true)).toBeLessThanOrEqual(78)
  expect(longest(false)).toBeGreaterThan(120)
})
