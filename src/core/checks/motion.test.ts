import { house, longEmail } from '@/test-support/emails'
import { letters, motionOf, ref } from '@/test-support/motion'
import { styleOf } from '../email/cascade'
import { applyEdit } from '../email/edits'
import type { TileOf } from '../email/tile'
import { newTile } from '../tiles'
import type { Made, Motion } from '../motion/schema'
import { past } from './countdown-past'
import { motion } from './motion'
import { runChecks, scopeOf } from './run'

const moving = (bytes: number, ms: number) => ({
  ...ref('a'),
  bytes,
  type: 'image/gif' as const,
  moving: { frames: 9, ms, loop: 0 },
})

function found(set: Partial<TileOf<'picture'>>) {
  const tile = { ...newTile('picture'), id: 't', picture: moving(50_000, 3000), ...set } as TileOf<'picture'>
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  return runChecks([motion], scopeOf(email, styleOf(house, {}), '', 1)).map((f) => [
    f.severity,
    f.stage,
    f.what,
  ])
}

const says = (...lines: string[]): Made => ({
  kind: 'headline',
  says: lines,
  change: 'cut',
  letters,
  ground: '#ffffff',
  hold: 500,
  turn: 100,
})
const made = (m: Made, more: Partial<Motion> = {}) => motionOf(m, { key: 'k', ...more })

test('a light, short moving picture is left alone', () => {
  expect(found({})).toEqual([])
  expect(found({ motion: made(says('Now', 'Now')) })).toEqual([])
})

test('one over its budget is found: to mend where it was made here, to mind where it came so', () => {
  expect(found({ picture: moving(500 * 1024, 3000) })).toEqual([
    ['mind', 'motion', 'A moving picture of 500 KB, over its 400 KB'],
  ])
  expect(found({ picture: moving(60 * 1024, 3000), motion: made(says('A'), { budget: 50 * 1024 }) })).toEqual(
    [['mend', 'motion', 'A moving picture of 60 KB, over its 50 KB']],
  )
  // A picture that stands still is weighed elsewhere.
  expect(found({ picture: { ...ref('a'), bytes: 900_000 } })).toEqual([])
})

test('one longer than ten seconds is found', () => {
  const flashing = { ...moving(1000, 900), moving: { frames: 9, ms: 900, loop: 0, flashes: 5 } }
  expect(found({ picture: flashing })).toEqual([
    ['mend', 'motion', 'A moving picture that flashes 5 times in a second'],
  ])
  expect(found({ picture: moving(1000, 10_400) })).toEqual([['mind', 'motion', 'A moving picture of 10.4 s']])
  expect(found({ picture: moving(1000, 10_000) })).toEqual([])
})

test('words of the last line that neither the first frame nor the alt text say are found', () => {
  const last = [['mind', 'motion', 'The first frame does not say what the last one does']]
  expect(found({ motion: made(says('Tonight', 'Half price until midnight')), alt: 'Tonight' })).toEqual(last)
  expect(found({ motion: made(says('Tonight', 'Half price')), alt: 'Tonight at half price' })).toEqual([])
  expect(found({ motion: made(says('Half price', 'Price: half')), alt: '' })).toEqual([])
})

test('values whose file is not made yet are found', () => {
  const not = [['mend', 'motion', 'A moving picture is not made yet']]
  expect(found({ motion: motionOf(says('A')) })).toEqual(not)
  expect(found({ motion: made(says('A')), picture: null })).toEqual(not)
})

test('a countdown whose moment is past is told, to the second and in its own zone', () => {
  const made = {
    kind: 'countdown',
    until: { kind: 'moment', at: '2026-12-04T22:00', zone: 'Europe/London' },
    units: ['hours', 'minutes'],
    labels: { days: 'd', hours: 'h', minutes: 'm', seconds: 's' },
    face: 'sans',
    colors: { digits: '#f3ead8', labels: '#b9c4d0', ground: '#14202f', box: '#22344c' },
    radius: 6,
    over: 'Over',
    server: '',
  }
  const tile = { ...newTile('picture'), id: 't', picture: moving(9, 9), motion: { made } } as never
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  // In December London is on UTC (IANA time zone database).
  const end = Date.UTC(2026, 11, 4, 22, 0, 0)
  expect(past(email, end - 1000)).toEqual([])
  expect(past(email, end).map((f) => [f.severity, f.stage, f.where?.tile])).toEqual([['mend', 'motion', 't']])
  // In July it is an hour ahead, and New York five behind that.
  const at = (when: string, zone: string) => {
    const until = { ...made.until, at: when, zone }
    const moved = {
      ...newTile('picture'),
      id: 't',
      picture: moving(9, 9),
      motion: { made: { ...made, until } },
    }
    return applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: moved as never } })
  }
  const summer = Date.UTC(2026, 6, 1, 11, 0, 0)
  for (const [when, zone] of [
    ['2026-07-01T12:00', 'Europe/London'],
    ['2026-07-01T07:00', 'America/New_York'],
    ['2026-07-01T20:00', 'Asia/Tokyo'],
  ] as const) {
    expect(past(at(when, zone), summer - 1000)).toEqual([])
    expect(past(at(when, zone), summer)).toHaveLength(1)
  }
  expect(past(at('2026-07-01T12:00', 'Nowhere/Here'), summer)).toEqual([])
})
