import { applyEdit } from '../email/edits'
import { longEmail } from '@/test-support/emails'
import { asSample, asWritten, fieldsIn, replaceFields } from './fields'
import { manifestOf } from './manifest'
import { namePictures, slug } from './names'

test('fields are found with their fallbacks', () => {
  expect(fieldsIn('Dear [[ given_name | friend ]], [[city]] [[Not this]] [[]]')).toEqual([{ name: 'given_name', fallback: 'friend' }, { name: 'city', fallback: '' }])
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
  const distinct = { ...email, bands: email.bands.map((b, i) => ({ ...b, cells: b.cells.map((c, k) => ({ ...c, items: c.items.map((t) => (t.kind === 'picture' ? { ...t, picture: { ...t.picture!, id: `${i}${k}`.padEnd(64, '0') }, alt: i ? t.alt : '' } : t)) })) })) }
  const names = namePictures(distinct).map((n) => n.name)
  expect(names[0]).toBe('01-band-0.jpg')
  expect(names[2]).toBe('03-a-hill-at-dusk.jpg')
  expect([...names].sort()).toEqual(names)
  expect(namePictures(email)).toHaveLength(1)
})

test('the manifest lists links, and fields wherever they stand', () => {
  let email = applyEdit(longEmail(1), { name: 'setTile', what: { id: 'u0-0', set: { label: 'For [[given_name | you]]', link: '[[unsubscribe]]' } } })
  email = applyEdit(email, { name: 'setEmail', what: { subject: 'News for [[city | you]]' } })
  const m = manifestOf(email, { html: 10, text: 5 })
  expect(m.fields).toEqual(expect.arrayContaining([{ name: 'city', fallback: 'you', inHref: '%5B%5Bcity%5D%5D' }, { name: 'given_name', fallback: 'you', inHref: '%5B%5Bgiven_name%5D%5D' }, { name: 'unsubscribe', fallback: '', inHref: '%5B%5Bunsubscribe%5D%5D' }]))
  expect(m.links.map((l) => l.href)).toContain('https://hill.example/map')
})
