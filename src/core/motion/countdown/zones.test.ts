import { zoneAnswers, zoneAt } from './zones'

const winter = new Date('2026-12-24T18:00Z')
const summer = new Date('2026-07-01T12:00Z')

/* Offsets: IANA time zone database, as Node's ICU carries it. */
test('a zone says its place, its name and its offset at a moment', () => {
  expect(zoneAt('Europe/Lisbon', winter)).toMatchObject({ place: 'Lisbon', offset: 'UTC+00:00' })
  expect(zoneAt('Europe/Lisbon', summer).offset).toBe('UTC+01:00')
  expect(zoneAt('Asia/Kolkata', winter).offset).toBe('UTC+05:30')
  expect(zoneAt('America/St_Johns', winter)).toMatchObject({ place: 'St Johns', offset: 'UTC-03:30' })
  expect(() => zoneAt('Nowhere/Town', winter)).toThrow(RangeError)
})

test.each([
  ['Europe/Berlin', 'berl', true],
  ['Europe/Berlin', 'BERLIN', true],
  ['Europe/Berlin', 'cet', true],
  ['Europe/Berlin', 'central european', true],
  ['Europe/Berlin', 'europe', true],
  ['Europe/Berlin', '+1', true],
  ['Europe/Berlin', 'utc+1', true],
  ['Europe/Berlin', 'UTC +01:00', true],
  ['Europe/Berlin', 'gmt+1', true],
  ['Europe/Berlin', '+2', false],
  ['Europe/Berlin', '-1', false],
  ['Europe/Berlin', 'tokyo', false],
  ['America/Sao_Paulo', 'sao paulo', true],
  ['America/Sao_Paulo', 'São', true],
  ['Asia/Kolkata', '+5:30', true],
  ['Asia/Kolkata', '+05:30', true],
  ['Asia/Kolkata', '+5:45', false],
  ['America/New_York', 'new york', true],
  ['America/New_York', '-5', true],
  ['Pacific/Auckland', '+13', true],
  ['Pacific/Auckland', '+1', false],
])('%s answers "%s": %s', (id, typed, answers) => {
  expect(zoneAnswers(zoneAt(id, winter), typed) > 0).toBe(answers)
})

test('a whole hour comes before the halves of it', () => {
  expect(zoneAnswers(zoneAt('Asia/Karachi', winter), '+5')).toBeGreaterThan(
    zoneAnswers(zoneAt('Asia/Kolkata', winter), '+5'),
  )
})
