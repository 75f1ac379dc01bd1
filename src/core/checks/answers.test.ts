import { house, longEmail } from '@/test-support/emails'
import { styleOf } from '../email/cascade'
import { applyEdit } from '../email/edits'
import type { TileOf } from '../email/tile'
import { newTile } from '../tiles'
import { answers } from './answers'
import { formWarned } from './form-warned'
import { runChecks, scopeOf } from './run'

/** What both checks find of a rating whose answers go to an address, as pairs of name and severity. */
function found(action: string): [string, string][] {
  const made = newTile('rating') as TileOf<'rating'>
  const tile = { ...made, id: 't', target: { ...made.target, action } }
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  return runChecks([answers, formWarned], scopeOf(email, styleOf(house, {}), '', 1)).map((f) => [
    f.check,
    f.severity,
  ])
}

test('answers that go nowhere, or where no reader sends them, are to be mended', () => {
  expect(found('')).toEqual([['answers', 'mend']])
  expect(found('http://halden.example/answers')).toContainEqual(['answers', 'mend'])
  expect(found('/answers')).toContainEqual(['answers', 'mend'])
})

// Seen: Thunderbird 153 and KMail 5.22 say of our own message with a form that it may be a scam.
test('whoever sends a form knows what desktop programs say of it', () => {
  expect(found('https://halden.example/answers')).toEqual([['form-warned', 'mind']])
  expect(runChecks([formWarned], scopeOf(longEmail(3), styleOf(house, {}), '', 1))).toEqual([])
})
