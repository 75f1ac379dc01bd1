import { picture, tileOf } from '@/test-support/tiles'
import { newBand, newCell, newEmail } from '../email/defaults'
import { textOf } from '../email/richtext'
import type { Band, Email } from '../email/schema'
import type { Tile } from '../email/tile'
import { fieldsOf, linksIn, linksOf, picturesOf, relinked } from './contents'

/* What an email holds, whichever way it is written. */

const bandOf = (name: string, items: Tile[], more: Partial<Band> = {}): Band => ({
  ...newBand(600, () => name),
  name,
  cells: [{ ...newCell(600, () => `c${name}`), items }],
  ...more,
})
const behind = { ...picture, id: 'b'.repeat(64) }
const go = tileOf('button', { label: 'Go, [[name | you]]', link: 'https://a.example/go' })
const shown = tileOf('picture', { picture, alt: 'A hill', link: ' ' })
const email: Email = {
  ...newEmail(600),
  subject: 'For [[name]]',
  preheader: 'In [[city | your town]]',
  bands: [
    bandOf('Top', [shown], {
      picture: { picture: behind, across: 'email', fit: 'cover', x: 'center', y: 'top' },
      when: { field: 'plan', test: 'is', value: 'gold' },
    }),
    bandOf('Below', [tileOf('words', { text: textOf('Dear [[title]]') }), go]),
  ],
}
const html = `<map><area href="https://a.example/map"></map><A HREF='https://a.example/one'>x</A><a href=" ">y</a><a>z</a>[[gift]]`
const byHand: Email = {
  ...email,
  way: 'hand',
  hand: { html, pictures: { 'img/Old.Hill.PNG': picture, plain: behind }, inline: false },
}
const plain: Email = {
  ...email,
  way: 'plain',
  plain: 'See <https://a.example/p> or [[ unsubscribe | leave]]. [[gift | book]]',
}

test('links are those of tiles, of markup or of a text; empty ones are none', () => {
  expect(linksIn(shown)).toEqual([])
  expect(linksOf(email).map((l) => [l.place!.band.name, l.href])).toEqual([['Below', 'https://a.example/go']])
  expect(linksOf(byHand)).toEqual([
    { place: null, href: 'https://a.example/map', from: 'code' },
    { place: null, href: 'https://a.example/one', from: 'code' },
  ])
  expect(linksOf(plain)).toEqual([
    { place: null, href: 'https://a.example/p', from: 'words' },
    { place: null, href: '[[ unsubscribe | leave]]', from: 'words' },
  ])
  expect([linksOf({ ...byHand, hand: undefined }), linksOf({ ...plain, plain: undefined })]).toEqual([[], []])
})

test('a link leads elsewhere by an edit of its tile; another is left as it is', () => {
  const to = (from: string) => relinked(go, from, 'https://b.example/')
  expect(to('https://a.example/go')).toEqual({
    name: 'setTile',
    what: { id: go.id, kind: 'button', set: expect.objectContaining({ link: 'https://b.example/' }) },
  })
  expect(JSON.stringify(to('https://c.example/'))).not.toContain('b.example')
})

test('pictures come as readers load them: behind the band first, named by the band or by their file', () => {
  expect(picturesOf(email)).toEqual([
    { picture: behind, alt: '', where: 'Top' },
    { picture, alt: 'A hill', where: 'Top' },
  ])
  expect(picturesOf(byHand)).toEqual([
    { picture, alt: '', where: 'Old.Hill' },
    { picture: behind, alt: '', where: 'plain' },
  ])
  expect(picturesOf({ ...byHand, hand: undefined })).toEqual([])
})

test('fields are met in order, each once, with the first fallback written for it', () => {
  expect(fieldsOf(email)).toEqual([
    { name: 'name', fallback: 'you' },
    { name: 'city', fallback: 'your town' },
    { name: 'title', fallback: '' },
    { name: 'plan', fallback: '' },
  ])
  expect(fieldsOf(byHand).map((f) => f.name)).toEqual(['name', 'city', 'gift'])
  expect(fieldsOf({ ...byHand, text: '[[other]]' }).map((f) => f.name)).toEqual([
    'name',
    'city',
    'gift',
    'other',
  ])
  expect(fieldsOf(plain).slice(2)).toEqual([
    { name: 'unsubscribe', fallback: 'leave' },
    { name: 'gift', fallback: 'book' },
  ])
  // A condition takes nothing from a field that words have a fallback for.
  const both = {
    ...email,
    bands: [...email.bands, bandOf('Last', [tileOf('words', { text: textOf('[[plan | free]]') })])],
  }
  expect(fieldsOf(both)).toContainEqual({ name: 'plan', fallback: 'free' })
})
