import { applyEdit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import { longEmail } from '@/test-support/emails'
import { guttersOf, newBandSlotAt, slotAt } from './slots'
import type { Stretch } from './ties'

const box = (left: number, top: number, width: number, height: number): Stretch => ({
  left,
  top,
  width,
  height,
})

/** Two bands: one of two cells beside each other, of which the first holds two tiles; one of one cell and tile. */
function laidOut() {
  const [one, two] = longEmail(2).bands
  const cell = one!.cells[0]!
  const tile = cell.items[0]!
  const email: Email = {
    ...longEmail(1),
    bands: [
      {
        ...one!,
        id: 'A',
        cells: [
          {
            ...cell,
            id: 'a',
            items: [
              { ...tile, id: '1' },
              { ...tile, id: '2' },
            ],
          },
          { ...cell, id: 'b', items: [] },
        ],
      } as Email['bands'][number],
      {
        ...two!,
        id: 'B',
        cells: [{ ...cell, id: 'c', items: [{ ...tile, id: '3' }] }],
      } as Email['bands'][number],
    ],
  }
  const marks = new Map<string, Stretch>([
    ['A', box(0, 0, 600, 200)],
    ['a', box(0, 0, 290, 200)],
    ['1', box(0, 0, 290, 80)],
    ['2', box(0, 100, 290, 100)],
    ['b', box(310, 0, 290, 200)],
    ['B', box(0, 200, 600, 100)],
    ['c', box(0, 200, 600, 100)],
    ['3', box(0, 210, 600, 80)],
  ])
  return { email, marks }
}

const order = (email: Email) =>
  email.bands
    .map((b) => `${b.id}:${b.cells.map((c) => c.items.map((i) => i.id).join('')).join('|')}`)
    .join(' ')

test.each([
  ['1', 100, 190, 'A:21| B:3'],
  ['1', 100, 20, null],
  ['1', 100, 95, null],
  ['2', 100, 10, 'A:21| B:3'],
  ['1', 400, 150, 'A:2|1 B:3'],
  ['1', 300, 290, 'A:2| B:31'],
  ['3', 50, 90, 'A:132| B:'],
  ['3', 700, 900, null],
  ['A', 10, 290, 'B:3 A:12|'],
  ['A', 10, 120, null],
  ['B', 10, 10, 'B:3 A:12|'],
])('%s let go at %i, %i: %s', (id, x, y, after) => {
  const { email, marks } = laidOut()
  const slot = slotAt(email, marks, id, x, y)
  expect(slot && order(applyEdit(email, slot.edit))).toBe(after)
})

test('the line of a slot lies between what it parts', () => {
  const { email, marks } = laidOut()
  expect(slotAt(email, marks, '3', 50, 90)!.line).toEqual(box(0, 88.5, 290, 3))
})

test('something new stands between the bands it is let go at, or alone in an empty email', () => {
  const { email, marks } = laidOut()
  const [a, b] = email.bands.map((band) => marks.get(band.id)!)
  expect(newBandSlotAt(email, marks, a!.top + 5)).toMatchObject({ at: 0, line: { top: a!.top - 1.5 } })
  expect(newBandSlotAt(email, marks, b!.top + 5)).toMatchObject({ at: 1, line: { top: b!.top - 1.5 } })
  expect(newBandSlotAt(email, marks, 9999).at).toBe(2)
  expect(newBandSlotAt({ ...email, bands: [] }, new Map(), 40)).toMatchObject({
    at: 0,
    line: { left: 0, width: email.width },
  })
})

test('cells beside each other have a gutter between them, stacked ones none', () => {
  const { email, marks } = laidOut()
  const row = email.bands[0]!
  expect(guttersOf(row, marks)).toMatchObject([
    { left: { id: 'a' }, right: { id: 'b' }, at: box(290, 0, 20, 200) },
  ])
  expect(
    guttersOf(
      row,
      new Map([
        ['a', box(0, 0, 375, 80)],
        ['b', box(0, 96, 375, 80)],
      ]),
    ),
  ).toEqual([])
})
