import type { Edit } from '@/core/email/edits'
import { placesOf } from '@/core/email/walk'
import { longEmail } from '@/test-support/emails'
import { bandsHeld, onSelection, type Hold } from './on-selection'
import { selectionOf } from './selection'

const email = { ...longEmail(4), bands: longEmail(4).bands.map((b, i) => ({ ...b, id: `b${i}` })) }

/** A bench with a selection, and what is done in it. */
function bench(selectedId: string | null, also: string[] = []) {
  const done: unknown[] = []
  const hold: Hold = {
    email,
    selection: selectionOf(email, selectedId),
    selectedId,
    also,
    select: (id) => done.push(['select', id]),
    selectMore: (id, how) => done.push([how, id]),
    apply: (_, edit) => ([] as readonly Edit[]).concat(edit).forEach((e) => done.push([e.name, e.what])),
  }
  return { hand: onSelection(hold), hold, done }
}

test('bands that are selected together stand in the order of the email, whichever was first', () => {
  expect(bandsHeld(bench('b2', ['b3', 'b0']).hold)).toEqual(['b0', 'b2', 'b3'])
  expect(bandsHeld(bench('b2').hold)).toBeNull()
  expect(bandsHeld(bench(null, ['b1']).hold)).toBeNull()
})

test('what is done to one band is done to all that are selected', () => {
  const { hand, done } = bench('b1', ['b2'])
  hand.move(1)
  hand.duplicate()
  hand.remove()
  expect(done).toEqual([
    ['moveBands', { ids: ['b1', 'b2'], way: 1 }],
    ['duplicateBands', { ids: ['b1', 'b2'] }],
    ['removeBands', { ids: ['b1', 'b2'] }],
    ['select', null],
  ])
})

test('the selection grows by the band beside its end, and not over the ends of the email', () => {
  const { hand, done } = bench('b1', ['b2'])
  hand.extend(1)
  hand.extend(-1)
  expect(done).toEqual([
    ['also', 'b3'],
    ['also', 'b0'],
  ])
  const end = bench('b3')
  end.hand.extend(1)
  expect(end.done).toEqual([])
})

test('tiles are selected beside a tile; what is done to one is done to all', () => {
  const ids = [...placesOf(email)].map((p) => p.tile.id)
  const { hand, done } = bench(ids[2]!, [ids[0]!])
  hand.duplicate()
  hand.extend(1)
  hand.remove()
  expect(done.slice(0, 3)).toEqual([
    ['duplicateTile', { id: ids[0] }],
    ['duplicateTile', { id: ids[2] }],
    ['also', ids[3]],
  ])
  expect(done.slice(3, 5)).toEqual([
    ['removeTile', { id: ids[0] }],
    ['removeTile', { id: ids[2] }],
  ])
})
