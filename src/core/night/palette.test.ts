import fc from 'fast-check'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { regularEmails } from '@/test-support/regular'
import { samples } from '@/test-support/samples'
import { ciede2000, toLab } from '../color/difference'
import { contrast } from '../color/contrast'
import { toOklch } from '../color/oklch'
import { applyEdit } from '../email/edits'
import { readEmail } from '../tiles/document'
import type { Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import type { TileOf } from '../email/tile'
import { newTile } from '../tiles'
import { nightPalette, unreadAtNight } from './palette'
import { NightTones } from './tones'

const atNight = (email: Email, of: HouseStyle): Email => nightPalette(email, of).reduce(applyEdit, email)

const regular = regularEmails()

test.each(regular)('%s: all that is read by day is read at night, too', (_, email, of) => {
  const night = atNight(email, of)
  expect(
    unreadAtNight(night, of).map(({ band, use }) => [band.name, use.color, use.ground, use.night]),
  ).toEqual([])
  // It is a document that can be kept.
  if (of === house) expect(readEmail(JSON.parse(JSON.stringify(night)))).toEqual(night)
})

test('of any email no more is unread than before', () =>
  fc.assert(
    fc.property(anyEmail.map(composed), (email) => {
      const before = unreadAtNight(email, house).length
      const left = unreadAtNight(atNight(email, house), house)
      expect({ before, left: left.slice(before).map(({ use }) => use) }).toEqual({ before, left: [] })
    }),
    { numRuns: samples(200) },
  ))

test('proposed once, nothing is left to propose', () => {
  for (const [, email, of] of regular.slice(0, 5)) expect(nightPalette(atNight(email, of), of)).toEqual([])
})

describe('tones', () => {
  const colors = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
  const hueOff = (a: string, b: string) => {
    const [[, c1, h1], [, c2, h2]] = [toOklch(a), toOklch(b)]
    return c1 < 0.03 || c2 < 0.03 ? 0 : Math.min(Math.abs(h1 - h2), 360 - Math.abs(h1 - h2))
  }
  test('an ink keeps its hue, is read, and a brand red stays red', () => {
    fc.assert(
      fc.property(colors, (ink) => {
        const tones = new NightTones('#ffffff')
        const ground = tones.ground('#ffffff')
        const night = tones.ink(ink, [ground])!
        expect(contrast(night, ground)).toBeGreaterThanOrEqual(4.5)
        expect(hueOff(ink, night)).toBeLessThan(15)
      }),
      { numRuns: samples(1000) },
    )
    const tones = new NightTones('#ffffff')
    const [, chroma, hue] = toOklch(tones.ink('#b3261e', [tones.ground('#ffffff')])!)
    expect(chroma).toBeGreaterThan(0.1)
    expect(Math.abs(hue - toOklch('#b3261e')[2])).toBeLessThan(10)
  })
  test('cards that are lighter than the page by day are so at night, and stay apart from it', () => {
    for (const [page, card] of [
      ['#f2f2f0', '#ffffff'],
      ['#f7f3ec', '#fffdf9'],
      ['#e8e8e8', '#f8f8f8'],
    ] as const) {
      const tones = new NightTones(page)
      const [p, c] = [tones.ground(page), tones.ground(card)]
      expect(toOklch(c)[0]).toBeGreaterThan(toOklch(p)[0])
      expect(ciede2000(toLab(c), toLab(p))).toBeGreaterThan(1.4)
      expect(contrast(p, '#ffffff')).toBeGreaterThan(12)
    }
  })
  test('inks of the day that are told apart do not become one', () => {
    const tones = new NightTones('#ffffff')
    const ground = tones.ground('#ffffff')
    const inks = ['#222222', '#444444', '#666666', '#1f4f8a', '#14345c', '#0a7a3c', '#b3261e']
    const night = inks.map((ink) => tones.ink(ink, [ground])!)
    for (const [i, a] of night.entries())
      for (const b of night.slice(i + 1)) expect(ciede2000(toLab(a), toLab(b))).toBeGreaterThan(1.4)
  })
  test('a quiet line stays quiet', () => {
    const tones = new NightTones('#ffffff')
    const ground = tones.ground('#ffffff')
    expect(contrast(tones.line('#e6e6e6', '#ffffff', ground), ground)).toBeLessThan(1.6)
    expect(contrast(tones.line('#e6e6e6', '#ffffff', ground), ground)).toBeGreaterThan(1.02)
  })
})

test('an ink that a tile has of its own keeps its hue at night, not that of the style it stands in for', () => {
  const said = (words: string, level?: 1) => ({
    type: level ? ('heading' as const) : ('paragraph' as const),
    attrs: level ? { level } : {},
    content: [{ type: 'text' as const, text: words }],
  })
  const tile = {
    ...newTile('words', () => 't'),
    text: { type: 'doc', content: [said('Bread', 1), said('For the week')] },
    headings: { color: '#7a2e12' },
    style: { color: '#1f5f3f' },
  } as never
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  const night = atNight(email, house).bands[0]!.cells[0]!.items[0] as unknown as Record<
    'style' | 'headings',
    { color: string; nightColor: string }
  >
  for (const { color, nightColor } of [night.style, night.headings]) {
    expect(Math.abs(toOklch(color)[2] - toOklch(nightColor)[2])).toBeLessThan(12)
    expect(toOklch(nightColor)[1]).toBeGreaterThan(0.05)
  }
})

test('a link whose words have an ink of their own is read at night', () => {
  const marks = [
    { type: 'link', attrs: { href: 'https://a.example' } },
    { type: 'textStyle', attrs: { color: '#1a5fb4' } },
  ]
  const text = {
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: 'rooms', marks }] }],
  }
  const tile = { ...newTile('words', () => 't'), text } as never
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  expect(unreadAtNight(atNight(email, house), house)).toEqual([])
  expect(atNight(email, house).bands[0]!.nightBackground).not.toBe('#ffffff')
})

test('a table has its stripes and its head at night', () => {
  const tile = {
    ...newTile('table', () => 't'),
    zebra: '#f4f4f2',
    rowLooks: [{ row: 1, background: '#e4c100', color: '#141414' }],
    headRow: true,
    headBackground: '#e8eef6',
    headColor: '#123456',
  } as never
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  const night = atNight(email, house)
  const set = night.bands[0]!.cells[0]!.items[0] as TileOf<'table'>
  const ground = night.bands[0]!.nightBackground ?? night.styles.nightGround!
  expect(contrast(set.nightZebra!, ground)).toBeGreaterThan(1.01)
  expect(contrast(set.nightZebra!, ground)).toBeLessThan(1.5)
  expect(set.nightHeadBackground).toBeDefined()
  const [row] = set.rowLooks!
  expect(contrast(row!.nightColor!, row!.nightBackground!)).toBeGreaterThan(4.5)
  expect(unreadAtNight(night, house)).toEqual([])
})

test('custom code gets rules for the dark', () => {
  const html =
    '<div style="background:#ffffff;border:1px solid #dddddd"><p style="color:#444444">Words</p></div>'
  const tile = { ...newTile('code', () => 'k'), html, css: '' } as never
  const email = applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })
  const night = atNight(email, house)
  const { css } = night.bands[0]!.cells[0]!.items[0] as { css: string }
  expect(css).toMatch(/prefers-color-scheme:dark/)
  expect(css).toMatch(/\.nk-[0-9a-f]{6}\{color:/)
  expect(unreadAtNight(night, house)).toEqual([])
})
