import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { compacted, folded, MOST_LINE, together } from './compact'

const bytes = (line: string) => Buffer.byteLength(line)

test('a line goes on in the next between words and between attributes, and nowhere else', () => {
  expect(folded('<p class="a b" style="c d">one two three</p>', 20)).toBe(
    '<p class="a b"\nstyle="c d">one two\nthree</p>',
  )
  // White space counts in it, or it is no markup.
  for (const kept of ['pre', 'textarea', 'title', 'style'])
    expect(folded(`<${kept}>one two three four</${kept}> five`, 12)).toBe(
      `<${kept}>one two three four</${kept}>\nfive`,
    )
  expect(folded('see [[name | my good friend]] there', 10)).toBe('see\n[[name | my good friend]]\nthere')
  expect(folded(`see \ue000name\ue001my good friend\ue002 there`, 10)).toBe(
    'see\n\ue000name\ue001my good friend\ue002\nthere',
  )
  expect(folded('a'.repeat(30), 10)).toBe('a'.repeat(30))
  expect(folded('short\n1 < 2 and 3 > 2', 9)).toBe('short\n1 < 2 and\n3 > 2')
})

test('bytes are counted, not characters (RFC 3629)', () => {
  const words = 'über Füße 🐈 あ '.repeat(60).trim()
  for (const line of folded(words, 40).split('\n')) expect(bytes(line)).toBeLessThanOrEqual(40)
})

test('only spaces become line ends, and no line with a space left is too long', () => {
  const piece = fc.constantFrom(
    '<b ',
    'x="1 2"',
    '>',
    '</b>',
    ' ',
    'word',
    'ü',
    "'",
    '"',
    '[[',
    ']]',
    '<pre>',
    '</pre>',
    '\n',
  )
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
      const html = pieces.join('')
      expect(folded(html, 12).replace(/\n/g, ' ')).toBe(html.replace(/\n/g, ' '))
    }),
    { numRuns: samples(1000) },
  )
  const plain = 'word '.repeat(1000).trim()
  for (const line of folded(plain).split('\n')) expect(bytes(line)).toBeLessThanOrEqual(MOST_LINE)
})

test('comments for the Word engine that follow each other become one, and a sheet is not indented', () => {
  expect(compacted('<style>\n    p{}\n    @media x{\n      a{}\n    }\n  </style>\n <p>  x</p>')).toBe(
    '<style>\np{}\n@media x{\na{}\n}\n</style>\n <p>  x</p>',
  )
  expect(compacted('<!--[if mso]></td><![endif]-->\n<!--[if mso]><td><![endif]--><p>x</p>')).toBe(
    '<!--[if mso]></td><td><![endif]--><p>x</p>',
  )
  expect(compacted('<!--[if mso]>a<![endif]--><!--[if !mso]><!-->b<!--<![endif]-->')).toBe(
    '<!--[if mso]>a<![endif]--><!--[if !mso]><!-->b<!--<![endif]-->',
  )
})

test('parts that are compact are one document: comments meet as one, and a line that grows too long is folded', () => {
  const end = '<!--[if mso]></td><![endif]-->\n'
  const open = '<!--[if mso]><td><![endif]-->\n<p>b</p>\n'
  expect(together([`<p>a</p>\n${end}`, open])).toBe(
    '<p>a</p>\n<!--[if mso]></td><td><![endif]-->\n<p>b</p>\n',
  )
  // Each fits, both together do not (RFC 5322, 2.1.1).
  const long = (mark: string) => `<!--[if mso]><td ${`${mark}="1" `.repeat(120)}><![endif]-->\n`
  for (const line of together([long('a'), long('b')]).split('\n'))
    expect(Buffer.byteLength(line)).toBeLessThanOrEqual(MOST_LINE)
})
