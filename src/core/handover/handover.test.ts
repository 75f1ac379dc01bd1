import { newTile } from '../tiles'
import { slug } from '../text/slug'
import { applyEdit, type Edit } from '../email/edits'
import { house, longEmail } from '@/test-support/emails'
import { compile } from '../compile'
import { asSample, asWritten, fieldsIn, replaceFields } from '../text/fields'
import { manifestOf } from './manifest'
import { namePictures } from './names'

test('fields are found with their fallbacks', () => {
  expect(fieldsIn('Dear [[ given_name | friend ]], [[city]] [[Not this]] [[]]')).toEqual([
    { name: 'given_name', fallback: 'friend' },
    { name: 'city', fallback: '' },
  ])
  expect(replaceFields('Dear [[given_name|friend]]!', asSample({ city: 'Tarn' }))).toBe('Dear friend!')
  expect(replaceFields('[[ city |x ]]', asSample({ city: 'Tarn' }))).toBe('Tarn')
  expect(replaceFields('[[a|b]] [[c]]', asWritten)).toBe('[[a | b]] [[c]]')
})

test('file names keep to ASCII and say what the picture says', () => {
  expect(slug('Füchse & Gänse: der große Abend!')).toBe('fuchse-ganse-der-grosse-abend')
  expect(slug('שלום')).toBe('')
  expect(slug('x'.repeat(90))).toHaveLength(40)
})

test('pictures are named in reading order, each once', () => {
  const email = longEmail(12)
  const distinct = {
    ...email,
    bands: email.bands.map((b, i) => ({
      ...b,
      cells: b.cells.map((c, k) => ({
        ...c,
        items: c.items.map((t) =>
          t.kind === 'picture'
            ? { ...t, picture: { ...t.picture!, id: `${i}${k}`.padEnd(64, '0') }, alt: i ? t.alt : '' }
            : t,
        ),
      })),
    })),
  }
  const names = namePictures(distinct).map((n) => n.name)
  expect(names[0]).toBe('01-band-0.jpg')
  expect(names[2]).toBe('03-a-hill-at-dusk.jpg')
  expect([...names].sort()).toEqual(names)
  expect(namePictures(email)).toHaveLength(1)
})

test('the manifest lists links, and fields wherever they stand', () => {
  let email = applyEdit(longEmail(1), {
    name: 'setTile',
    what: { id: 'u0-0', kind: 'button', set: { label: 'For [[given_name | you]]', link: '[[unsubscribe]]' } },
  })
  email = applyEdit(email, { name: 'setEmail', what: { subject: 'News for [[city | you]]' } })
  const m = manifestOf(email, { html: 10, text: 5 })
  expect(m.fields).toEqual(
    expect.arrayContaining([
      { name: 'city', fallback: 'you', inHref: '%5B%5Bcity%5D%5D' },
      { name: 'given_name', fallback: 'you', inHref: '%5B%5Bgiven_name%5D%5D' },
      { name: 'unsubscribe', fallback: '', inHref: '%5B%5Bunsubscribe%5D%5D' },
    ]),
  )
  expect(m.links.map((l) => l.href)).toContain('https://hill.example/map')
})

test('whatever picture the compiler places is handed over: behind bands, for narrow and for night, on buttons, as icons, by hand', () => {
  const of = (n: number) => ({
    id: String(n).padStart(64, '0'),
    type: 'image/png' as const,
    width: 9,
    height: 9,
    bytes: 9,
  })
  const edits: Edit[] = [
    {
      name: 'setBand',
      what: {
        id: 'b0',
        set: { picture: { picture: of(1), across: 'window', fit: 'cover', x: 'left', y: 'top' } },
      },
    },
    {
      name: 'setTile',
      what: {
        id: 'p0-0',
        kind: 'picture',
        set: { picture: of(2), narrowPicture: of(3), nightPicture: of(4) },
      },
    },
    {
      name: 'setTile',
      what: { id: 'u0-0', kind: 'button', set: { icon: { picture: of(5), side: 'after', width: 12 } } },
    },
    {
      name: 'addTile',
      what: {
        cell: 'c0-1',
        at: 0,
        tile: { ...newTile('social'), icons: [{ picture: of(6), alt: 'x', link: '' }] } as never,
      },
    },
    { name: 'setTile', what: { id: 'p0-1', kind: 'picture', set: { picture: of(7) } } },
  ]
  const composed = edits.reduce(applyEdit, longEmail(1))
  const byHand = {
    ...composed,
    way: 'hand' as const,
    hand: {
      html: '<img src="a.png"><td background="b.png">',
      pictures: { 'a.png': of(8), 'b.png': of(9) },
      inline: false,
    },
  }
  for (const [email, count] of [
    [composed, 7],
    [byHand, 2],
  ] as const) {
    const asked = new Set<string>()
    compile(email, house, {
      src: (p) => {
        asked.add(p.id)
        return p.id
      },
    })
    const named = namePictures(email)
    expect(asked.size).toBe(count)
    expect(new Set(named.map((n) => n.picture.id))).toEqual(asked)
    expect(new Set(named.map((n) => n.name)).size).toBe(named.length)
  }
})
