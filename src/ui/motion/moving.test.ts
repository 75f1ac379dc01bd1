import { longEmail } from '@/test-support/emails'
import { letters, motionOf, ref } from '@/test-support/motion'
import { applyEdit, type Edit } from '@/core/email/edits'
import { measureBand } from '@/core/email/measures'
import type { Email } from '@/core/email/schema'
import { placeOf } from '@/core/email/walk'
import { newTile } from '@/core/tiles'
import { beginsFor } from './begin'
import { kindOf, movingTiles, seconds, widthOf, type PictureTile } from './moving'

const moving = { ...ref('a', 800, 400), type: 'image/gif' as const, moving: { frames: 3, ms: 900, loop: 0 } }
const faces = motionOf({
  kind: 'faces',
  says: 'A',
  faces: ['sans', 'serif'],
  letters,
  ground: '#ffffff',
  each: 500,
})

const picture = (id: string, set: Partial<PictureTile>): PictureTile => ({
  ...(newTile('picture') as PictureTile),
  id,
  picture: ref('b', 600, 300),
  width: 300,
  ...set,
})
const withTiles = (...tiles: PictureTile[]): Email =>
  tiles
    .map((tile): Edit => ({ name: 'addTile', what: { cell: 'c0-0', at: 0, tile } }))
    .reduce(applyEdit, longEmail(1))

test('what moves is what was made to, and what came so; pictures that stand still are none', () => {
  const email = withTiles(
    picture('still', {}),
    picture('made', { motion: faces }),
    picture('came', { picture: moving }),
    picture('empty', { picture: null }),
  )
  expect(movingTiles(email).map((t) => t.tile.id)).toEqual(['came', 'made'])
})

test('it is drawn for the width that its tile is shown at, whole', () => {
  const email = withTiles(
    picture('a', { width: 200 }),
    picture('b', { width: 5000 }),
    picture('c', { percent: 50 }),
  )
  const { padding } = picture('a', {})
  const { content } = measureBand(email.bands[0]!, email.width).get('c0-0')!
  const room = content - padding.left - padding.right
  const of = (id: string) => {
    const { band, cell, tile } = placeOf(email, id)!
    return widthOf(email, band, cell.id, tile as PictureTile)
  }
  expect([of('a'), of('b'), of('c')]).toEqual([200, Math.round(room), Math.round(room / 2)])
})

test('a tile is put in the place of another, which nothing else notices', () => {
  const email = withTiles(picture('a', {}), picture('b', {}))
  const next = applyEdit(email, {
    name: 'replaceTile',
    what: { id: 'b', tile: picture('b', { motion: faces }) },
  })
  const ids = (e: Email) => e.bands[0]!.cells[0]!.items.map((i) => i.id)
  expect(ids(next)).toEqual(ids(email))
  expect(movingTiles(next).map((t) => t.tile.id)).toEqual(['b'])
  expect(placeOf(next, 'a')!.tile).toBe(placeOf(email, 'a')!.tile)
  expect(applyEdit(email, { name: 'replaceTile', what: { id: 'gone', tile: picture('x', {}) } })).toBe(email)
})

test('of words what says something can be made, of a picture everything, of other tiles nothing', () => {
  const kinds = (kind: string) => beginsFor(kind).map((b) => b.kind)
  expect(kinds('words')).toEqual(
    expect.arrayContaining(['headline', 'number', 'button', 'faces', 'countdown']),
  )
  expect(kinds('words')).not.toContain('drift')
  expect(kinds('picture')).toEqual(
    expect.arrayContaining(['story', 'drift', 'glint', 'headline', 'countdown']),
  )
  expect(kinds('picture')).not.toContain('strip')
  expect(kinds('divider')).toEqual([])
})

test('it is called by what it is, and its length is read at a glance', () => {
  expect(kindOf(undefined)).toBe('Moving picture')
  expect(kindOf(faces)).toBe('Name in changing faces')
  expect([900, 3049, 12_400].map(seconds)).toEqual(['0.9 s', '3.0 s', '12 s'])
})
