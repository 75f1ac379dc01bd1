import { expect, test } from '@jest/globals'
import { groundStays, inkStays, staysAlone } from './stripped'

/* Colours as they came out in pictures of Thunderbird 153, dark, of our own emails: what was left, and what was taken away. */

test.each([
  ['white words on a band', '#ffffff', null, true],
  ['dark words on a band', '#17282c', null, false],
  ['grey words on a band', '#8a8a8a', null, false],
  ['dark words on their own amber', '#17282c', '#e8a33d', true],
  ['dark words on their own white', '#17282c', '#ffffff', false],
  ['blue words on their own dark blue', '#1f4f8a', '#173a66', false],
])('%s', (_, ink, ground, stays) => {
  expect(inkStays(ink, ground)).toBe(stays)
})

test('grounds that are not light stay, unless an ink on them cannot be read', () => {
  expect(groundStays('#206f69')).toBe(true)
  expect(groundStays('#eaf0ee')).toBe(false)
  expect(groundStays('#e8a33d', '#17282c')).toBe(true)
  expect(groundStays('#e8a33d', '#ffffff')).toBe(false)
  // 0.2125 * 200 + 0.7154 * 200 + 0.0721 * 200 = 200: the threshold itself is not above it.
  expect(staysAlone('#c8c8c8')).toBe(false)
  expect(staysAlone('#c9c9c9')).toBe(true)
})
