import { findingsOf } from '../checks'
import { compile } from '../compile'
import { styleOf } from '../email/cascade'
import { newEmail } from '../email/defaults'
import type { Email } from '../email/schema'
import { plainHouseStyle, type HouseStyle } from '../email/styles'
import { placesOf } from '../email/walk'
import { emailSchema } from '../tiles/document'
import { drawingsIn, starterBand, starterBands, starterEmail, starterLayouts, withDrawn } from './index'
import { drawingOf, drawn, motifNames, refOf } from './motifs'
import { tonesOf } from './tones'
import { contrast } from '../color/contrast'
import { anyInkHolds } from '../night/holds'

const counter = () => {
  let n = 0
  return () => `s${n++}`
}

/** Clients of several kinds: plain, a pale accent, a strong one on few colours, and one whose words are light. */
const houses: Record<string, HouseStyle> = {
  plain: plainHouseStyle(),
  pale: {
    ...plainHouseStyle(),
    button: { ...plainHouseStyle().button, background: '#e9a23b', color: '#17282c' },
  },
  strong: {
    ...plainHouseStyle(),
    colors: [{ name: 'night', value: '#131c35' }],
    button: { ...plainHouseStyle().button, background: '#8c2f4b' },
  },
  wideLetters: {
    ...plainHouseStyle(),
    text: {
      ...plainHouseStyle().text,
      heading1: { ...plainHouseStyle().text.heading1, size: 52, line: 56, font: 'wide' },
    },
  },
}
const footer = { sender: 'A house', address: 'A street 1, a place' }

const findings = (email: Email, house: HouseStyle) => {
  const html = compile(email, house, { src: ({ id }) => id, print: 'compact' })
  // Where a client's own accent lets no ink be read in every dark mode, no starter can.
  const theirs = !anyInkHolds(house.button.background, 3)
  return findingsOf(email, styleOf(house, email.styles), html, html.length).filter(
    (f) => !(theirs && f.check === 'night-forecast' && f.why.includes(` on ${house.button.background} `)),
  )
}

test('there are 40 bands and 12 layouts at least, each of its own name; every band stands in a layout or is there beside them', () => {
  expect(starterBands.length).toBeGreaterThanOrEqual(40)
  expect(starterLayouts.length).toBeGreaterThanOrEqual(12)
  expect(new Set(starterBands.map((b) => b.id)).size).toBe(starterBands.length)
  expect(new Set(starterBands.map((b) => b.name)).size).toBe(starterBands.length)
  const known = starterBands.map((b) => b.id)
  expect(starterLayouts.flatMap((l) => l.bands.filter((b) => !known.includes(b)))).toEqual([])
})

describe.each(Object.entries(houses))('in the house style "%s"', (_, base) => {
  const house = { ...base, footer }

  test.each(starterLayouts.map((l) => [l.name, l] as const))('%s passes every check', (_name, layout) => {
    for (const width of [600, 480, 720]) {
      const email = starterEmail(layout, { house, width, id: counter() })
      emailSchema.parse(email)
      expect(findings(email, house).map((f) => `${f.check}: ${f.what}`)).toEqual([])
    }
  })

  test.each(starterBands.map((b) => [b.name, b] as const))(
    '%s: real structure, its cells as wide as the band',
    (_name, starter) => {
      const band = starterBand(starter, { house, width: 600, id: counter() })
      const email = { ...newEmail(600), subject: 'A', preheader: 'B', bands: [band] }
      emailSchema.parse(email)
      const cells = band.cells.reduce((sum, c) => sum + c.width, 0) + band.gap * (band.cells.length - 1)
      expect(cells).toBe(600 - band.padding.left - band.padding.right)
      expect([...placesOf(email)].map((p) => p.tile.kind)).not.toContain('code')
      // Alone it may lack a way out, a larger heading above its own, and little else; of what asks, some programs warn.
      const left = findings(email, house).filter((f) => !/unsubscribe|heading|form-warned/.test(f.check))
      expect(left.map((f) => `${f.check}: ${f.what}`)).toEqual([])
    },
  )

  test('every ink can be read on its ground (WCAG 2.2, 1.4.3)', () => {
    const t = tonesOf(house)
    for (const [ink, ground] of [
      [t.onAccent, t.accent],
      [t.accentInk, t.tint],
      [t.accentInk, t.paper],
      [t.onDeep, t.deep],
      [t.softOnDeep, t.deep],
    ] as const)
      expect(contrast(ink, ground)).toBeGreaterThanOrEqual(4.5)
  })
})

test('pictures say what is to be drawn, and are replaced by what was', () => {
  const drawing = { motif: 'hills' as const, width: 1200, height: 600, play: true }
  expect(drawingOf(refOf(drawing))).toEqual(drawing)
  expect(drawingOf({ id: 'a'.repeat(64) })).toBeNull()
  const { bands } = starterEmail(
    starterLayouts.find((l) => l.id === 'goods')!,
    { house: houses.plain!, width: 600 },
  )
  const wanted = drawingsIn(bands)
  expect(wanted.size).toBeGreaterThan(3)
  const made = { id: 'b'.repeat(64), type: 'image/png' as const, width: 2, height: 2, bytes: 3 }
  const done = withDrawn(bands, new Map([...wanted.keys()].map((id) => [id, made])))
  expect(drawingsIn(done).size).toBe(0)
  expect(JSON.stringify(done)).toContain(made.id)
})

test.each(motifNames)('the mosaic "%s" fills its picture with stones of all its tones', (motif) => {
  const svg = drawn(
    { motif, width: 600, height: 300 },
    { tint: '#f4f0ea', accent: '#b4572f', deep: '#131c35' },
  )
  expect(svg).toMatch(/^<svg [^>]*width="600" height="300"/)
  // 30 across, 15 down.
  expect(svg.match(/M[\d.]+ [\d.]+h/g)!.length).toBe(30 * 15 + 1)
  expect(new Set(svg.match(/fill="#[0-9a-f]{6}"/g)).size).toBeGreaterThan(6)
})
