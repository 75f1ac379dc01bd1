import { support } from '@/test-support/readers'
import type { Parts } from '../compile'
import type { Forecast } from './forecast'
import { profiles } from './profiles'
import { markTable, supportOf } from './support'
import { usesOf } from './uses'
import { verdictOf } from './verdict'

const readers = profiles.flatMap(({ data }) => {
  const [family = '', platform = ''] = data?.split('/') ?? []
  return family ? [{ family, platform }] : []
})
const table = markTable(support, readers)
const band = (id: string, style: string) => ({
  id,
  html: `<table><tr><td style="${style}">x</td></tr></table>`,
})
const parts: Parts = {
  before: '<!DOCTYPE html><html><head><style>@media (max-width:9px){.a{color:red}}</style></head><body>',
  bands: [band('one', 'border-radius:8px'), band('two', 'color:#111111'), band('three', 'border-radius:2px')],
  after: '</body></html>',
}

test('each use is counted where it stands, with who lacks it by the data set and what is seen instead', () => {
  const corners = usesOf(parts, table).find((u) => u.slug === 'css-border-radius')!
  expect([corners.count, corners.bands]).toEqual([2, ['one', 'three']])
  const lacking = profiles.filter((p) => {
    const [family = '', platform = ''] = p.data?.split('/') ?? []
    return p.data && supportOf(support, 'css-border-radius', { family, platform }) === 'n'
  })
  expect(corners.by.n).toEqual(lacking.map((p) => p.name))
  expect(corners.by.n).toContain('Outlook, Windows (Word engine)')
  expect(corners.instead).toMatch(/square/)
  // Of a web mail that rounds them in part, the set says how.
  expect(corners.by.a).toContain('Yahoo, web')
  expect(corners.notes.join(' ')).not.toBe('')
  const media = usesOf(parts, table).find((u) => u.slug === 'css-at-media')!
  expect([media.count, media.bands]).toEqual([1, []])
  // The body stands around the bands, once.
  expect(usesOf(parts, table).find((u) => u.slug === 'html-body')).toMatchObject({ count: 1, bands: [] })
})

test('what everybody knows is not listed; a client’s readers alone are, where they are named', () => {
  const all = usesOf(parts, table)
  expect(all.every((u) => u.by.n.length + u.by.a.length > 0)).toBe(true)
  expect(all.map((u) => u.by.n.length)).toEqual(all.map((u) => u.by.n.length).toSorted((a, b) => b - a))
  expect(usesOf(parts, table, new Set(['Apple Mail, iOS'])).map((u) => u.slug)).not.toContain(
    'css-border-radius',
  )
})

test('a verdict adds up what a client’s people see', () => {
  const square = { says: 'corners are square', rests: '', weight: 1 }
  const forecasts = new Map<string, Forecast>([
    ['apple-phone', { parts, effects: [] }],
    ['outlook-windows', { parts, effects: [square, { ...square, says: 'no web fonts' }] }],
    ['gmail-web', { parts, effects: [{ ...square, says: 'no web fonts' }] }],
  ])
  const shares = [
    { reader: 'Apple Mail, iOS', share: 0.5 },
    { reader: 'Outlook, Windows (Word engine)', share: 0.125 },
    { reader: 'Gmail, web', share: 0.25 },
    { reader: 'A program of the house', share: 0.125 },
  ]
  expect(verdictOf(forecasts, shares)).toEqual({
    asMade: 0.5,
    known: 0.875,
    otherwise: [
      { says: 'no web fonts', share: 0.375 },
      { says: 'corners are square', share: 0.125 },
    ],
  })
})
