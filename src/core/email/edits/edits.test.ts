import { emailSchema } from '../../tiles/document'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { anyEmail, longEmail } from '@/test-support/emails'
import { type Email } from '../schema'
import { cellsOf, placesOf } from '../walk'
import { applyEdit, type Edit } from './index'

const ids = (e: Email) => e.bands.map((b) => b.id)
const gap = {
  id: 'new',
  kind: 'gap',
  height: 9,
  show: 'all',
  padding: { top: 0, right: 0, bottom: 0, left: 0 },
} as const

/** Edits that a second one takes back. */
test('every edit followed by its opposite gives the same email, nested cells included', () => {
  fc.assert(
    fc.property(anyEmail, fc.nat(), (email, n) => {
      const band = email.bands[n % Math.max(1, email.bands.length)]
      if (!band) return
      const there = (...edits: Edit[]) => edits.reduce(applyEdit, email)
      expect(
        there(
          { name: 'moveBand', what: { id: band.id, to: n % 7 } },
          { name: 'moveBand', what: { id: band.id, to: email.bands.indexOf(band) } },
        ),
      ).toEqual(email)
      expect(
        there(
          { name: 'removeBand', what: { id: band.id } },
          { name: 'addBand', what: { band, at: email.bands.indexOf(band) } },
        ),
      ).toEqual(email)
      expect(
        there(
          { name: 'setBand', what: { id: band.id, set: { name: 'x' } } },
          { name: 'setBand', what: { id: band.id, set: { name: band.name } } },
        ),
      ).toEqual(email)
      const cells = email.bands.flatMap((b) => [...cellsOf(b)])
      const cell = cells[n % cells.length]!
      expect(
        there(
          { name: 'addTile', what: { cell: cell.id, at: n % 4, tile: gap } },
          { name: 'removeTile', what: { id: 'new' } },
        ),
      ).toEqual(email)
      const places = [...placesOf(email)]
      const at = places[n % Math.max(1, places.length)]
      if (!at) return
      const moved = there({ name: 'moveTile', what: { id: at.tile.id, cell: cell.id, to: 0 } })
      expect([...placesOf(moved)].filter((p) => p.tile.id === at.tile.id)).toHaveLength(1)
      expect(
        applyEdit(moved, { name: 'moveTile', what: { id: at.tile.id, cell: at.cell.id, to: at.index } }),
      ).toEqual(email)
    }),
    { numRuns: samples(150) },
  )
})

test('an edit of what is not there gives the very same email', () => {
  const email = longEmail(2)
  for (const edit of [
    { name: 'setTile', what: { id: 'no', set: { label: 'x' } } },
    { name: 'removeTile', what: { id: 'no' } },
    { name: 'moveBand', what: { id: 'no', to: 0 } },
    { name: 'moveTile', what: { id: 'u0-0', cell: 'no', to: 0 } },
    { name: 'setCell', what: { id: 'no', set: { width: 9 } } },
    { name: 'duplicateBand', what: { id: 'no' } },
  ] as Edit[])
    expect(applyEdit(email, edit)).toBe(email)
})

test('an edit leaves all other bands the same objects', () => {
  const email = longEmail(9)
  const next = applyEdit(email, { name: 'moveTile', what: { id: 'u2-0', cell: 'c5-1', to: 0 } })
  expect(next.bands.map((b, i) => b === email.bands[i])).toEqual([
    true,
    true,
    false,
    true,
    true,
    false,
    true,
    true,
    true,
  ])
})

test('a value set to undefined is inherited again', () => {
  const email = applyEdit(longEmail(1), {
    name: 'setBand',
    what: { id: 'b0', set: { background: undefined } },
  })
  expect('background' in email.bands[0]!).toBe(false)
})

test('a copy shares no id with its model, and belongs to no cut', () => {
  const email = applyEdit(longEmail(1), { name: 'setTile', what: { id: 'p0-0', set: { cut: 'c1' } } })
  const next = applyEdit(applyEdit(email, { name: 'duplicateBand', what: { id: 'b0' } }), {
    name: 'duplicateTile',
    what: { id: 'p0-0' },
  })
  emailSchema.parse(next)
  const all = [
    ...ids(next),
    ...next.bands.flatMap((b) => [...cellsOf(b)].map((c) => c.id)),
    ...[...placesOf(next)].map((p) => p.tile.id),
  ]
  expect(new Set(all).size).toBe(all.length)
  expect([...placesOf(next)].filter((p) => p.tile.cut).length).toBe(1)
})

describe('several bands at once', () => {
  const five = { ...longEmail(5), bands: longEmail(5).bands.map((b, i) => ({ ...b, id: `b${i}` })) }
  const order = (e: Email) => ids(e).join(' ')

  test('they move together past their neighbour and stay in their order, together from then on', () => {
    const move = (list: string[], way: 1 | -1) =>
      order(applyEdit(five, { name: 'moveBands', what: { ids: list, way } }))
    expect(move(['b1', 'b2'], 1)).toBe('b0 b3 b1 b2 b4')
    expect(move(['b2', 'b1'], -1)).toBe('b1 b2 b0 b3 b4')
    expect(move(['b0', 'b2'], 1)).toBe('b1 b3 b0 b2 b4')
    expect(move(['b3', 'b4'], 1)).toBe('b0 b1 b2 b3 b4')
    expect(move(['b0'], -1)).toBe('b0 b1 b2 b3 b4')
    expect(applyEdit(five, { name: 'moveBands', what: { ids: ['gone'], way: 1 } })).toBe(five)
  })

  test('they are set, deleted and duplicated as one; names that are not there do no harm', () => {
    const set = applyEdit(five, { name: 'setBands', what: { ids: ['b1', 'b3', 'gone'], set: { name: 'x' } } })
    expect(set.bands.map((b) => b.name === 'x')).toEqual([false, true, false, true, false])
    expect(set.bands[0]).toBe(five.bands[0])
    expect(order(applyEdit(five, { name: 'removeBands', what: { ids: ['b1', 'b3'] } }))).toBe('b0 b2 b4')
    expect(applyEdit(five, { name: 'removeBands', what: { ids: ['gone'] } })).toBe(five)
    const twice = applyEdit(five, { name: 'duplicateBands', what: { ids: ['b3', 'b1'] } })
    expect(twice.bands.map((b) => b.name)).toEqual(
      ['b0', 'b1', 'b2', 'b3', 'b1', 'b3', 'b4'].map((id) => five.bands.find((b) => b.id === id)!.name),
    )
    expect(new Set(ids(twice)).size).toBe(7)
    emailSchema.parse(twice)
    const added = applyEdit(five, { name: 'addBands', what: { bands: longEmail(2).bands, at: 99 } })
    expect(added.bands).toHaveLength(7)
  })

  test('a copy of what was built from cuts belongs to no cut', () => {
    const [cell] = five.bands[0]!.cells
    const tile = { ...gap, cut: 'c1', cuts: ['c1', 'c2'], covers: ['c3'] }
    const built = {
      ...five,
      bands: [{ ...five.bands[0]!, cells: [{ ...cell!, items: [tile] }] }],
    }
    const { bands } = applyEdit(built, { name: 'duplicateBand', what: { id: 'b0' } })
    expect(bands[0]!.cells[0]!.items[0]).toBe(tile)
    expect(JSON.stringify(bands[1])).not.toMatch(/"(cut|cuts|covers)"/)
  })
})
