import * as csstree from 'css-tree'
import fc from 'fast-check'
import { fromHtml } from 'hast-util-from-html'
import { seenBy } from '@/test-support/audiences'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { samples } from '@/test-support/samples'
import { findingsOf } from '../checks'
import { styleOf } from '../email/cascade'
import { applyEdit, type Edit } from '../email/edits'
import { colorAt, gradientCss, gradientFill } from '../email/gradient'
import type { Email, Item, Row } from '../email/schema'
import type { Gradient } from '../email/styles'
import { elementsOf } from '../html/elements'
import { readStyle } from '../html/stylesheet'
import { bandsFromHtml } from '../import/bands'
import { readGradient } from '../import/gradient'
import { nightPalette, unreadAtNight } from '../night/palette'
import { compile } from './index'

const src = (p: { id: string }) => p.id
const out = (e: Email) => compile(e, house, { src })
const dusk: Gradient = {
  angle: 135,
  stops: [
    { color: '#1b2a4a', at: 0 },
    { color: '#7a3b69', at: 60 },
    { color: '#e07a5f', at: 100 },
  ],
}
/** Between two colours. */
const fade = (from: string, to: string, angle = 180): Gradient => ({
  angle,
  stops: [
    { color: from, at: 0 },
    { color: to, at: 100 },
  ],
})
const edited = (...edits: Edit[]) => edits.reduce(applyEdit, longEmail(2))
const behindBand = (gradient: Gradient, more: object = {}): Email =>
  edited({
    name: 'setBand',
    what: { id: 'b0', set: { background: '#7a3b69', gradient: { ...gradient, across: 'email' }, ...more } },
  })
const drawnIn = (html: string) =>
  [...elementsOf(fromHtml(html))].flatMap((e) =>
    readStyle(String(e.properties.style ?? '')).filter(
      (d) => d.property === 'background-image' && /gradient/.test(d.value),
    ),
  )

const color = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
const anyGradient: fc.Arbitrary<Gradient> = fc.record({
  angle: fc.integer({ min: 0, max: 359 }),
  stops: fc
    .array(fc.record({ color, at: fc.integer({ min: 0, max: 100 }) }), { minLength: 2, maxLength: 5 })
    .map((stops) => stops.sort((a, b) => a.at - b.at)),
})

// The grammar is that of css-tree, whose syntaxes are the open data of MDN.
test('every gradient that leaves is one by the grammar of CSS, and read back it is the same', () => {
  fc.assert(
    fc.property(anyGradient, (g) => {
      const css = gradientCss(g)
      const match = csstree.lexer.matchProperty('background-image', csstree.parse(css, { context: 'value' }))
      expect(match.error).toBeNull()
      expect(readGradient(css)).toEqual(g)
    }),
    { numRuns: samples(200) },
  )
})

test('beside each gradient of any email stands a plain colour, for readers that draw none', () => {
  let seen = 0
  fc.assert(
    fc.property(anyEmail, (email) => {
      const tree = fromHtml(seenBy('others', out(email)))
      const plain = (e: ReturnType<typeof fromHtml>['children'][number], has: boolean): void => {
        if (e.type !== 'element') return
        const style = Object.fromEntries(
          readStyle(String(e.properties.style ?? '')).map((d) => [d.property, d.value]),
        )
        const own = has || !!style['background-color'] || !!e.properties.bgColor
        if (/gradient/.test(style['background-image'] ?? '')) {
          seen++
          expect(own).toBe(true)
        }
        e.children.forEach((c) => plain(c as typeof e, own))
      }
      tree.children.forEach((c) => plain(c, false))
    }),
    { numRuns: samples(60), seed: 4 },
  )
  expect(seen).toBeGreaterThan(10)
})

test('the Word engine gets a drawing filled with it behind a band and a button', () => {
  const html = edited(
    { name: 'setBand', what: { id: 'b0', set: { gradient: { ...dusk, across: 'email' } } } },
    { name: 'setTile', what: { id: 'u1-0', kind: 'button', set: { style: { gradient: dusk } } } } as Edit,
  )
  const word = seenBy('word', out(html))
  const fill = '<v:fill type="gradient" color="#1b2a4a" color2="#e07a5f" angle="225" colors="60% #7a3b69"'
  expect(word.split(fill)).toHaveLength(3)
})

const withoutConditions = <R extends Pick<Row, 'cells'>>(row: R): R => ({
  ...row,
  cells: row.cells.map((c) => ({
    ...c,
    items: c.items.flatMap((i): Item[] =>
      i.kind === 'row' ? [withoutConditions(i)] : i.kind === 'conditional' || i.kind === 'code' ? [] : [i],
    ),
  })),
})

/** How deep drawings stand in one another. */
function deepest(word: string): number {
  let [depth, most] = [0, 0]
  for (const [, end] of word.matchAll(/<(\/?)v:(?:rect|roundrect)\b/g)) {
    depth += end ? -1 : 1
    most = Math.max(most, depth)
  }
  return most
}

// A VML text box may hold no other drawing (common practice, no source): a cell, or a button on a cell of its own ground, may stand on a band with a picture or a gradient.
test('whatever an email is made of, no drawing of the Word engine stands in another', () => {
  let drawn = 0
  fc.assert(
    fc.property(anyEmail, (email) => {
      // What somebody wrote for the Word engine by hand is theirs.
      const own = { ...email, bands: email.bands.map(withoutConditions) }
      const most = deepest(seenBy('word', out(composed(own))))
      drawn += most
      expect(most).toBeLessThanOrEqual(1)
    }),
    { numRuns: samples(150) },
  )
  expect(drawn).toBeGreaterThan(5)
})

// Seen in LibreOffice 7.4, which draws VML fills of documents: 0 rises, 90 runs to the left, 180 falls, 270 runs to the right.
test.each([
  [0, '0'],
  [90, '270'],
  [180, '180'],
  [270, '90'],
])('%d degrees of CSS are %s of VML', (angle, vml) =>
  expect(gradientFill({ ...dusk, angle }).angle).toBe(vml),
)

test('a colour on the way is mixed as browsers draw it', () => {
  // CSS Images 3, 3.4.2: a plain mix of the two neighbours in sRGB.
  expect(colorAt(dusk, 30)).toBe('#4b335a')
  expect(colorAt(dusk, 100)).toBe('#e07a5f')
})

test('at night it gives way to a plain ground of the night, or has its own colours', () => {
  const plain = out(behindBand(dusk, { nightBackground: '#101010' }))
  expect(plain).toMatch(/\.n-ground-plain\{background-image:none!important\}/)
  const stops = dusk.stops.map((s) => ({ ...s, nightColor: '#111111' }))
  const own = out(behindBand({ ...dusk, stops }))
  expect(own).toContain('{background-image:linear-gradient(135deg,#111111,#111111 60%,#111111)!important}')
  expect(out(behindBand(dusk))).not.toMatch(/n-ground-[^{]*\{background-image/)
})

test('the proposal for the night darkens it, and leaves nothing unread', () => {
  const day = behindBand(fade('#ffffff', '#e8eef8'), { background: '#f4f7fc' })
  const email = nightPalette(day, house).reduce(applyEdit, day)
  const { gradient } = email.bands[0]!
  expect(gradient!.stops.every((s) => s.nightColor && s.nightColor < '#606060')).toBe(true)
  expect(unreadAtNight(email, house)).toEqual([])
})

test('words are held against all of it, not against the plain colour alone', () => {
  const low = (e: Email) =>
    findingsOf(e, styleOf(house, e.styles), out(e), 0).filter(
      (f) => f.check === 'contrast-low' && f.where.band === 'b0',
    )
  expect(low(behindBand(fade('#ffffff', '#f4f4f4'), { background: '#ffffff' }))).toEqual([])
  expect(low(behindBand(fade('#ffffff', '#5a5a5a'), { background: '#ffffff' })).length).toBeGreaterThan(0)
})

test('what leaves comes back: gradients of band, cell and button', () => {
  const [first] = longEmail(1).bands[0]!.cells
  const email = edited(
    {
      name: 'setBand',
      what: { id: 'b0', set: { background: '#7a3b69', gradient: { ...dusk, across: 'email' } } },
    },
    { name: 'setCell', what: { id: first!.id, set: { gradient: { ...dusk, angle: 90 } } } },
  )
  const html = out(email)
  expect(drawnIn(html)).toHaveLength(2)
  const back = bandsFromHtml(html).bands
  expect(back[0]!.gradient).toMatchObject({ ...dusk, across: 'email' })
  expect(JSON.stringify(back)).toContain(JSON.stringify({ ...dusk, angle: 90 }))
})

test.each<[string, Gradient | null]>([
  ['linear-gradient(#fff, #000)', fade('#ffffff', '#000000')],
  [
    'linear-gradient(to left top, red 10%, rgb(0, 0, 255) 90%)',
    {
      angle: 315,
      stops: [
        { color: '#ff0000', at: 10 },
        { color: '#0000ff', at: 90 },
      ],
    },
  ],
  // A position is missing between others, and one stands before the one ahead of it (CSS Images 3, 3.4.3).
  [
    'linear-gradient(0.25turn, #000000, #111111, #222222 40%, #333333 20%)',
    {
      angle: 90,
      stops: [
        { color: '#000000', at: 0 },
        { color: '#111111', at: 20 },
        { color: '#222222', at: 40 },
        { color: '#333333', at: 40 },
      ],
    },
  ],
  ['#123456 linear-gradient(45deg, #aaaaaa, #bbbbbb) no-repeat', fade('#aaaaaa', '#bbbbbb', 45)],
  // What a document cannot hold: see-through colours, lengths, other kinds.
  ['linear-gradient(rgba(0,0,0,.5), #000)', null],
  ['linear-gradient(#fff 20px, #000)', null],
  ['radial-gradient(#fff, #000)', null],
])('%s', (value, gradient) => expect(readGradient(value)).toEqual(gradient))
