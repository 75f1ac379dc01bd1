import { house, longEmail } from '@/test-support/emails'
import { contrast } from '../color/contrast'
import { styleOf } from '../email/cascade'
import { applyEdit } from '../email/edits'
import { textOf } from '../email/richtext'
import type { TileOf } from '../email/tile'
import { behaviours } from '../night/behaviours'
import { anyInkHolds } from '../night/holds'
import { proposal } from '../night/propose'
import { newTile } from '../tiles'
import { nightForecast } from './night-forecast'
import { runChecks, scopeOf } from './run'

/** What is found of a button of two colours. */
function found(background: string, color: string) {
  const tile = {
    ...newTile('button'),
    id: 't',
    label: 'Go',
    link: 'https://a.example/',
    style: { background, color },
  } as TileOf<'button'>
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  return runChecks([nightForecast], scopeOf(email, styleOf(house, {}), '', 1)).filter(
    (f) => f.where.tile === 't',
  )
}

test('dark words on a ground of middling lightness are found: a full inversion turns the words and leaves the ground', () => {
  const [finding] = found('#e9a23b', '#17282c')
  expect(finding).toMatchObject({ severity: 'mind', stage: 'night' })
  expect(finding!.what).toMatch(/^Fully inverted: contrast 1\.\d\d, wants/)
  const turned = behaviours.fully.words('#17282c', { before: '#e9a23b', after: '#e9a23b', picture: false })
  expect(finding!.why).toContain(turned)
  expect(contrast(turned, '#e9a23b')).toBeLessThan(3)
  expect(finding!.why).toContain('only another ground')
})

test.each(['#e9a23b', '#b4572f', '#7fb2e5', '#999999', '#2a7a5e'])(
  'on %s the greys say as much as the whole search: whether any ink holds',
  (ground) => {
    const searched = proposal('#17282c', { grounds: [{ ground, wanted: 4.5 }] })
    expect(anyInkHolds(ground, 4.5)).toBe(searched !== null)
  },
)

test.each([
  ['#1f4f8a', '#ffffff'],
  ['#ffffff', '#111111'],
  ['#101820', '#f0f0f0'],
])('%s under %s is read everywhere', (background, color) => {
  expect(found(background, color)).toEqual([])
})

test('what is not read by day is another finding', () => {
  expect(found('#e9a23b', '#ffffff')).toEqual([])
})

test('words on a picture are not foretold', () => {
  const words = {
    ...newTile('words'),
    id: 't',
    text: textOf('On a picture'),
    style: { color: '#17282c' },
  } as TileOf<'words'>
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: words } })
  const on = (set: object) =>
    runChecks(
      [nightForecast],
      scopeOf(
        applyEdit(email, {
          name: 'setBand',
          what: { id: email.bands[0]!.id, set: { background: '#e9a23b', ...set } },
        }),
        styleOf(house, {}),
        '',
        1,
      ),
    ).filter((f) => f.where.tile === 't').length
  expect(on({})).toBe(1)
  const picture = { id: 'a'.repeat(64), type: 'image/png' as const, width: 600, height: 300, bytes: 9 }
  expect(on({ picture: { picture, across: 'email', size: 'cover', x: 'center', y: 'center' } })).toBe(0)
})
