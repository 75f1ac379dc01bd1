import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { mergeDocuments } from './merge'

interface Doc {
  title: string
  bands: { id: string; text: string }[]
}
const doc = (title: string, ...bands: string[]): Doc => ({
  title,
  bands: bands.map((b) => ({ id: b[0]!, text: b })),
})
const merge = (base: Doc, mine: Doc, theirs: Doc) => {
  const merged = mergeDocuments(base, mine, theirs, 'bands', (b) => `band ${b.id}`)
  return 'doc' in merged ? [merged.doc.title, ...merged.doc.bands.map((b) => b.text)] : merged.clashes
}
const base = doc('t', 'a', 'b', 'c')

test.each<[string, Doc, Doc, string[]]>([
  ['different bands', doc('t', 'a1', 'b', 'c'), doc('t', 'a', 'b2', 'c'), ['t', 'a1', 'b2', 'c']],
  ['a band and the title', doc('u', 'a', 'b', 'c'), doc('t', 'a', 'b', 'c2'), ['u', 'a', 'b', 'c2']],
  ['the same change twice', doc('u', 'a1', 'b', 'c'), doc('u', 'a1', 'b', 'c'), ['u', 'a1', 'b', 'c']],
  ['one band, each otherwise', doc('t', 'a1', 'b', 'c'), doc('t', 'a2', 'b', 'c'), ['band a']],
  ['the title, each otherwise', doc('u', 'a', 'b', 'c'), doc('v', 'a', 'b', 'c'), ['title']],
  [
    'a band added on each side',
    doc('t', 'a', 'x', 'b', 'c'),
    doc('t', 'a', 'b', 'y', 'c'),
    ['t', 'a', 'x', 'b', 'y', 'c'],
  ],
  ['one added in front', doc('t', 'x', 'a', 'b', 'c'), doc('t', 'a', 'b', 'c1'), ['t', 'x', 'a', 'b', 'c1']],
  ['one taken away, another changed', doc('t', 'a', 'c'), doc('t', 'a1', 'b', 'c'), ['t', 'a1', 'c']],
  ['one taken away here and changed there', doc('t', 'a', 'c'), doc('t', 'a', 'b2', 'c'), ['band b']],
  ['moved here, changed there', doc('t', 'c', 'a', 'b'), doc('t', 'a', 'b2', 'c'), ['t', 'c', 'a', 'b2']],
  [
    'moved there, added here',
    doc('t', 'a', 'b', 'x', 'c'),
    doc('t', 'c', 'b', 'a'),
    ['t', 'c', 'b', 'x', 'a'],
  ],
])('%s', (_, mine, theirs, expected) => expect(merge(base, mine, theirs)).toEqual(expected))

test('a side that changed nothing takes the other, whatever it is; nothing of either is lost', () => {
  const any = fc
    .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'))
    .chain((ids) =>
      fc.tuple(fc.constantFrom('t', 'u'), fc.tuple(...ids.map((id) => fc.constantFrom(id, `${id}1`)))),
    )
    .map(([title, bands]) => doc(title, ...bands))
  fc.assert(
    fc.property(any, any, (a, b) => {
      expect(mergeDocuments(a, a, b, 'bands', (x) => x.id)).toEqual({ doc: b })
      expect(mergeDocuments(a, b, a, 'bands', (x) => x.id)).toEqual({ doc: b })
      expect(mergeDocuments(a, b, b, 'bands', (x) => x.id)).toEqual({ doc: b })
    }),
    { numRuns: samples(500) },
  )
})
