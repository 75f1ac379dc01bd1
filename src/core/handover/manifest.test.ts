import { picture, tileOf } from '@/test-support/tiles'
import { newBand, newEmail } from '../email/defaults'
import type { Email } from '../email/schema'
import type { Tile } from '../email/tile'
import type { PictureRef } from '../picture/ref'
import { manifestOf } from './manifest'
import { namePictures } from './names'

const of = (n: number, type: PictureRef['type'] = 'image/png'): PictureRef => ({
  ...picture,
  id: String(n).padStart(64, '0'),
  type,
})
const holding = (...items: Tile[]): Email => {
  const band = { ...newBand(600), id: 'b', name: 'Head' }
  return {
    ...newEmail(600),
    lang: 'de',
    subject: 'S',
    preheader: 'P',
    bands: [{ ...band, cells: [{ ...band.cells[0]!, items }] }],
  }
}
const names = (email: Email) => namePictures(email).map((n) => n.name)

test('a manifest says all that docs/formats.md says it does', () => {
  const email = holding(
    tileOf('picture', { picture: of(1), alt: 'A hill [[when | at dusk]]', link: 'https://a.example/[[id]]' }),
  )
  expect(manifestOf(email, { html: 10, text: 5 })).toEqual({
    format: 'mosaicus-handover',
    version: 1,
    subject: 'S',
    preheader: 'P',
    language: 'de',
    width: 600,
    html: { file: 'index.html', bytes: 10 },
    text: { file: 'text.txt', bytes: 5 },
    pictures: [
      {
        file: expect.stringMatching(/^images\/01-a-hill.*\.png$/),
        type: 'image/png',
        width: 200,
        height: 100,
        bytes: 900,
        alt: 'A hill [[when | at dusk]]',
      },
    ],
    links: [{ href: 'https://a.example/[[id]]', from: 'picture', band: 'Head' }],
    fields: [
      { name: 'when', fallback: 'at dusk', inHref: '%5B%5Bwhen%5D%5D' },
      { name: 'id', fallback: '', inHref: '%5B%5Bid%5D%5D' },
    ],
  })
})

test('a link of an email written by hand stands in no band', () => {
  const email: Email = {
    ...holding(),
    way: 'hand',
    hand: { html: '<a href="https://a.example">x</a>', pictures: {}, inline: false },
  }
  expect(manifestOf(email, { html: 1, text: 1 }).links).toEqual([
    { href: 'https://a.example', from: 'code', band: '' },
  ])
})

test('names: numbered, by what they say, else where they stand, with the ending of their kind', () => {
  const pictures = (['image/png', 'image/jpeg', 'image/gif', 'image/webp'] as const).map((type, i) =>
    tileOf('picture', { picture: of(i, type), alt: i === 1 ? '' : `Pic ${i}` }),
  )
  expect(names(holding(...pictures))).toEqual([
    '01-pic-0.png',
    '02-head.jpg',
    '03-pic-2.gif',
    '04-pic-3.webp',
  ])
  // The same picture twice is one file; the number of digits follows how many there are.
  expect(names(holding(pictures[0]!, pictures[0]!, pictures[2]!))).toEqual(['01-pic-0.png', '02-pic-2.gif'])
  const many = Array.from({ length: 100 }, (_, i) => tileOf('picture', { picture: of(i), alt: 'x' }))
  expect(names(holding(...many)).at(0)).toBe('001-x.png')
  expect(names(holding(...many)).at(-1)).toBe('100-x.png')
  expect(names(holding(...many.slice(0, 99))).at(0)).toBe('01-x.png')
})

test('names where nothing says anything, by hand, and in plain text', () => {
  const nameless = holding(tileOf('picture', { picture: of(1), alt: 'שלום' }))
  nameless.bands[0]!.name = 'שלום'
  expect(names(nameless)).toEqual(['01-picture.png'])
  const hand = (pictures: Record<string, PictureRef>): Email => ({
    ...holding(),
    way: 'hand',
    hand: { html: '', pictures, inline: false },
  })
  // Under their own names; those that would be the same are told apart by a number before the ending.
  expect(
    names(
      hand({
        'img/hero.v2.png': of(1),
        'hero.v2.png': of(2),
        'x/hero.v2.png': of(3),
        'b.jpg': of(4, 'image/jpeg'),
      }),
    ),
  ).toEqual(['hero-v2.png', 'hero-v2-2.png', 'hero-v2-3.png', 'b.jpg'])
  expect(names({ ...nameless, way: 'plain' })).toEqual([])
})
