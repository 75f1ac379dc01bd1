import { applyEdit } from './edits'
import { copiesOf, withPart } from './kept'
import { placesOf } from './walk'
import { longEmail } from '@/test-support/emails'
import { emailSchema } from '../tiles/document'

test('copies share no id with what they are copied from, forget cuts, and say what they are tied to', () => {
  const { bands } = longEmail(3)
  const copies = copiesOf(bands, 'p1')
  const ids = (list: typeof bands) => new Set(JSON.stringify(list).match(/"id":"[^"]+"/g))
  const pictures = new Set(JSON.stringify(bands).match(/"id":"[0-9a-f]{64}"/g))
  const shared = [...ids(copies)].filter((i) => ids(bands).has(i) && !pictures.has(i))
  expect(shared).toEqual([])
  expect(copies.map((b) => b.kept)).toEqual([0, 1, 2].map((at) => ({ part: 'p1', at })))
  expect(JSON.stringify(copies)).not.toMatch(/"cuts?":/)
  expect(copiesOf(copies).every((b) => !b.kept)).toBe(true)
})

test('what is tied follows its part and keeps its own place and id; what is free does not', () => {
  const email = longEmail(3)
  const part = [email.bands[0]!]
  const tied = { ...email, bands: [...email.bands, ...copiesOf(part, 'p1'), ...copiesOf(part)] }
  const [place] = [...placesOf({ bands: part })]
  const edited = applyEdit(
    { ...email, bands: part },
    { name: 'setBand', what: { id: part[0]!.id, set: { name: 'New' } } },
  )
  expect(place).toBeDefined()
  const next = withPart(tied, 'p1', edited.bands)
  emailSchema.parse(next)
  expect(next.bands.map((b) => b.name === 'New')).toEqual([false, false, false, true, false])
  expect(next.bands.map((b) => b.id)).toEqual(tied.bands.map((b) => b.id))
  expect(withPart(tied, 'p2', edited.bands)).toBe(tied)
})
