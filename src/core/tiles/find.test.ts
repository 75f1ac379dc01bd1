import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { anyEmail } from '@/test-support/emails'
import { newBand, newEmail } from '../email/defaults'
import { plainOf, type Inline, type RichText } from '../email/richtext'
import type { Email } from '../email/schema'
import { sides } from '../email/styles'
import type { Tile } from '../email/tile'
import { tilesOf } from '../email/walk'
import { emailSchema } from './document'
import { findIn, replacedIn, type Sought } from './find'

const everywhere = { words: true, alt: true, link: true }
const sought = (text: string, more: Partial<Sought> = {}): Sought => ({
  text,
  matchCase: false,
  whole: false,
  in: everywhere,
  ...more,
})
const base = { padding: sides(0), show: 'all' as const }
const words = (id: string, ...content: Inline[]): Tile => ({
  ...base,
  id,
  kind: 'words',
  align: 'left',
  text: { type: 'doc', content: [{ type: 'paragraph', content }] } as RichText,
})
const email = (...tiles: Tile[]): Email => ({
  ...newEmail(600),
  subject: 'The moon tonight',
  bands: [{ ...newBand(600), id: 'b', cells: [{ ...newBand(600).cells[0]!, items: tiles }] }],
})
const text = (t: string, ...marks: string[]): Inline => ({
  type: 'text',
  text: t,
  ...(marks.length ? { marks: marks.map((type) => ({ type }) as never) } : {}),
})
const sample = email(
  words('w', text('Moon'), text('rise', 'bold'), text(' over the moonlit moor. '), {
    type: 'text',
    text: 'Moon',
    marks: [{ type: 'link', attrs: { href: 'https://moon.example/' } }],
  }),
  {
    ...base,
    id: 'p',
    kind: 'picture',
    picture: null,
    alt: 'The full moon',
    link: 'https://moon.example/',
    width: 10,
    align: 'left',
  },
)

test('it is found in words, alt texts and links, in reading order, with what stands around it', () => {
  const hits = findIn(sample, sought('moon'))
  expect(hits.map((h) => [h.tile, h.kind, h.match])).toEqual([
    [null, 'words', 'moon'],
    ['w', 'link', 'moon'],
    ['w', 'words', 'Moon'],
    ['w', 'words', 'moon'],
    ['w', 'words', 'Moon'],
    ['p', 'alt', 'moon'],
    ['p', 'link', 'moon'],
  ])
  expect(hits[3]).toMatchObject({ before: 'Moonrise over the ', after: 'lit moor. Moon' })
  expect(
    findIn(sample, sought('moon', { whole: true, in: { ...everywhere, link: false } })).map((h) => h.match),
  ).toEqual(['moon', 'Moon', 'moon'])
  expect(
    findIn(sample, sought('Moon', { matchCase: true, in: { ...everywhere, alt: false, link: false } })),
  ).toHaveLength(2)
  expect(findIn(sample, sought('a.*b'))).toEqual([])
})

test('a word that is half bold is replaced as one, and the rest keeps its marks', () => {
  const next = replacedIn(sample, sought('moonrise'), 'Sunset')
  const [tile] = [...tilesOf(next.bands[0]!)]
  expect(tile!.kind === 'words' && tile!.text.content[0]).toMatchObject({
    content: [{ text: 'Sunset' }, { text: ' over the moonlit moor. ' }, { marks: [{ type: 'link' }] }],
  })
  emailSchema.parse(next)
})

test('only what is sought changes, once, and other bands stay the same objects', () => {
  const two = { ...sample, bands: [...sample.bands, { ...newBand(600), id: 'c' }] }
  const next = replacedIn(
    two,
    sought('moon.example', { in: { ...everywhere, words: false } }),
    'moon.moon.example',
  )
  expect(findIn(next, sought('moon.moon.example'))).toHaveLength(2)
  expect(next.bands[1]).toBe(two.bands[1])
  expect(replacedIn(two, sought('nowhere'), 'x')).toBe(two)
  expect(replacedIn(two, sought('moon'), 'sun', 'p').subject).toBe('The moon tonight')
  expect(findIn(replacedIn(two, sought('moon'), '$&'), sought('$&'))).toHaveLength(7)
})

test('replacing there and back gives every email back; nothing is lost where it is replaced by itself', () => {
  fc.assert(
    fc.property(anyEmail, fc.constantFrom('e', 'a', 'the', 'https'), (any, some) => {
      const rare = '\u2e3b'
      const there = replacedIn(any, sought(some, { matchCase: true }), rare)
      const plain = (e: Email) =>
        [...e.bands].flatMap((b) => [...tilesOf(b)].map((t) => (t.kind === 'words' ? plainOf(t.text) : '')))
      expect(plain(replacedIn(there, sought(rare, { matchCase: true }), some))).toEqual(plain(any))
      expect(findIn(there, sought(some, { matchCase: true }))).toEqual([])
    }),
    { numRuns: samples(60) },
  )
})
