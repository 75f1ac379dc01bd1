import fc from 'fast-check'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { samples } from '@/test-support/samples'
import { compileText } from '../../compile/text'
import { emailSchema } from '../../tiles/document'
import type { Email } from '../schema'
import { placesOf } from '../walk'
import { applyEdit } from './index'
import { merges, splits } from './shape'

const tileIds = (e: Email) => [...placesOf(e)].map((p) => p.tile.id)
const said = (e: Email) => compileText(e, { house }).replace(/\s+/g, ' ')

/** Height of the space that a band of one column adds up to, px: of itself, its cell, its tiles. */
const spaceOf = (e: Email): number =>
  e.bands.reduce(
    (sum, b) =>
      sum +
      b.padding.top +
      b.padding.bottom +
      b.cells.reduce(
        (s, c) =>
          s +
          c.padding.top +
          c.padding.bottom +
          c.items.reduce((t, i) => t + (i.kind === 'row' ? 0 : i.padding.top + i.padding.bottom), 0),
        0,
      ),
    0,
  )

test('split and merged, an email says the same, in the same order, with the same space; and stays a document', () => {
  fc.assert(
    fc.property(anyEmail, fc.nat(), (any, n) => {
      const email = composed(any)
      const places = [...placesOf(email)].filter((p) => splits(email, p.tile.id))
      if (!places.length) return
      const { tile, band } = places[n % places.length]!
      const split = applyEdit(email, { name: 'splitBand', what: { tile: tile.id } })
      expect(split.bands).toHaveLength(email.bands.length + 1)
      expect(tileIds(split)).toEqual(tileIds(email))
      expect(said(split)).toBe(said(email))
      expect(spaceOf(split)).toBe(spaceOf(email))
      expect(emailSchema.safeParse(split).success).toBe(true)
      const at = split.bands.findIndex((b) => b.id === band.id)
      const ids = [split.bands[at]!.id, split.bands[at + 1]!.id]
      if (!merges(split, ids)) return
      const merged = applyEdit(split, { name: 'mergeBands', what: { ids } })
      expect(merged.bands).toHaveLength(email.bands.length)
      expect(tileIds(merged).filter((id) => tileIds(email).includes(id))).toEqual(tileIds(email))
      expect(said(merged)).toBe(said(email))
      expect(emailSchema.safeParse(merged).success).toBe(true)
    }),
    { numRuns: samples(200) },
  )
})

test('bands on one ground become one: space between them is kept, side space moves into the tiles', () => {
  const [a, b] = longEmail(2).bands.map((band, i) => ({
    ...band,
    background: '#ffffff',
    role: 'main' as const,
    padding: { top: 10 + i, bottom: 20 + i, left: 30 + 10 * i, right: 30 },
    cells: [band.cells[0]!],
  }))
  const email: Email = { ...longEmail(0), bands: [a!, b!] }
  const merged = applyEdit(email, { name: 'mergeBands', what: { ids: [b!.id, a!.id] } })
  expect(merged.bands).toHaveLength(1)
  expect(merged.bands[0]!.padding).toEqual({ top: 10, bottom: 21, left: 30, right: 30 })
  expect(spaceOf(merged)).toBe(spaceOf(email))
  // Another ground, or another between them: they stay.
  const other = { ...email, bands: [a!, { ...b!, background: '#000000' }] }
  expect(applyEdit(other, { name: 'mergeBands', what: { ids: [a!.id, b!.id] } })).toBe(other)
  const apart = { ...email, bands: [a!, { ...a!, id: 'between' }, b!] }
  expect(merges(apart, [a!.id, b!.id])).toBe(false)
})

test('a tile is put into a row, and its neighbours stay', () => {
  fc.assert(
    fc.property(anyEmail, fc.nat(), (any, n) => {
      const email = composed(any)
      const ids = tileIds(email)
      if (!ids.length) return
      const wrapped = applyEdit(email, { name: 'wrapTile', what: { id: ids[n % ids.length]! } })
      expect(tileIds(wrapped)).toEqual(ids)
      expect(said(wrapped)).toBe(said(email))
      expect(emailSchema.safeParse(wrapped).success).toBe(true)
    }),
    { numRuns: samples(100) },
  )
})
