import fc from 'fast-check'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import type { Root, RootContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { seenBy } from '@/test-support/audiences'
import { samples } from '@/test-support/samples'
import { support } from '@/test-support/readers'
import { compileMapped, type Parts } from '../compile'
import type { Email } from '../email/schema'
import { Forecaster, sentenceOf } from './forecast'
import { profiles, type Profile } from './profiles'
import { markTable } from './support'

const dataReaders = profiles.flatMap(({ data }) => {
  const [family, platform] = data?.split('/') ?? []
  return family && platform ? [{ family, platform }] : []
})
const table = markTable(support, dataReaders)
const byDay = { night: false }
const profile = (id: string): Profile => profiles.find((p) => p.id === id)!
const partsOf = (email: Email): Parts =>
  compileMapped(email, house, { src: (p) => `/p/${p.id}`, marks: true, apart: true }).parts()
const whole = ({ before, bands, after }: Parts) => before + bands.map((b) => b.html).join('') + after
/** The words of a document by the standard's parser, its styles and title aside. */
function wordsOf(html: string): string[] {
  const inside = (node: Root | RootContent): string =>
    node.type === 'text'
      ? node.value
      : 'children' in node && !(node.type === 'element' && ['style', 'title', 'xml'].includes(node.tagName))
        ? node.children.map(inside).join(' ')
        : ''
  return inside(fromHtml(html)).split(/\s+/).filter(Boolean)
}
const around = (body: string, head = ''): Parts => ({
  before: `<!DOCTYPE html><html lang="en"><head><title>t</title>${head}</head><body>`,
  bands: [{ id: 'a', html: body }],
  after: '</body></html>',
})
const seenIn = (id: string, parts: Parts, night = false) =>
  new Forecaster(profile(id), table).of(parts, { night })

test('a reader never invents words, and one that knows everything changes none', () => {
  const plain: Profile = {
    id: 'x',
    name: 'x',
    windows: { wide: 600, narrow: null },
    branch: 'others',
    does: [],
    dark: null,
  }
  fc.assert(
    fc.property(anyEmail, fc.constantFrom(...profiles), fc.boolean(), (made, reader, night) => {
      const parts = partsOf(composed(made))
      const said = new Set(wordsOf(seenBy(reader.branch, whole(parts))))
      const shown = new Forecaster(reader, table).of(parts, { night })
      expect([...wordsOf(whole(shown.parts))].filter((w) => !said.has(w))).toEqual([])
      const all = new Forecaster(plain, table).of(parts, byDay)
      expect(wordsOf(whole(all.parts))).toEqual(wordsOf(seenBy('others', whole(parts))))
      expect(all.effects).toEqual([])
    }),
    { numRuns: samples(60) },
  )
})

test('what the data set says a reader lacks is gone, and said; what it knows stays', () => {
  const parts = around(
    '<table><tr><td style="border-radius:8px;color:#111111;background-image:url(/a.png)">x</td></tr></table>',
    '<style>@media (max-width:480px){.a{color:red}}@font-face{font-family:A;src:url(a)}</style>',
  )
  const word = seenIn('outlook-windows', parts)
  expect(word.parts.bands[0]!.html).toBe(
    '<table><tbody><tr><td style="color:#111111">x</td></tr></tbody></table>',
  )
  expect(word.parts.before).not.toContain('@media')
  expect(word.effects.map((e) => e.says)).toEqual(['no pictures behind', 'corners are square'])
  const apple = seenIn('apple-phone', parts)
  expect(apple.parts.bands[0]!.html).toContain('border-radius:8px')
  expect(apple.parts.before).toContain('@media')
  expect(sentenceOf(apple.effects)).toBe('As it was made.')
  // A gradient is said as one, not as a picture; what is of the night is said at night alone; a box to tick goes, its words stay.
  const drawn = around(
    '<table><tr><td style="background-color:#fff;background-image:linear-gradient(#fff,#eee)"><input type="checkbox"> x</td></tr></table>',
    '<style>@media (prefers-color-scheme:dark){.a{color:red}}</style>',
  )
  const gradients = seenIn('outlook-windows', drawn)
  expect(gradients.effects.map((e) => e.says)).toEqual([
    'gradients are plain',
    'parts that answer stand still',
  ])
  expect(gradients.parts.bands[0]!.html).not.toContain('<input')
  expect(wordsOf(whole(gradients.parts))).toEqual(['x'])
  expect(sentenceOf(seenIn('yahoo-web', drawn).effects)).not.toMatch(/night/)
  expect(sentenceOf(seenIn('yahoo-web', drawn, true).effects)).toMatch(/own night is not heard/)
  // The data set: this web mail knows media queries, but no web fonts.
  const web = seenIn('gmail-web', parts)
  expect(web.parts.before).toContain('@media')
  expect(web.parts.before).not.toContain('@font-face')
})

test('the Word engine takes its own branch: ghost tables are tables, drawings are boxes, nothing has a greatest width', () => {
  const html = whole(seenIn('outlook-windows', partsOf(longEmail(4))).parts)
  expect(html).not.toMatch(/<v:|<!--\[if|max-width|<w:/)
  const button = around(
    '<!--[if mso]><v:roundrect href="https://a.example" style="height:48px;v-text-anchor:middle;width:200px;" arcsize="50%" stroked="f" fillcolor="#21508f"><v:fill type="gradient" color="#112233" color2="#445566" angle="270"/><w:anchorlock/><center style="color:#ffffff">Go</center></v:roundrect><![endif]--><!--[if !mso]><!--><a href="https://a.example">Go</a><!--<![endif]-->',
  )
  const drawn = seenIn('outlook-windows', button).parts.bands[0]!.html
  expect(drawn).toMatch(/^<a href="https:\/\/a\.example" style="[^"]*border-radius:24px/)
  // VML counts its angle the other way round than CSS does.
  expect(drawn).toContain('linear-gradient(90deg,#112233 0%,#445566 100%)')
  expect(drawn.match(/Go/g)).toHaveLength(1)
})

test('an account of another provider gets no head, and no reader but one of them reads conditions', () => {
  const parts = partsOf(longEmail(2))
  expect(seenIn('gmail-foreign', parts).parts.before).not.toContain('<style')
  for (const { id } of profiles.filter((p) => p.branch === 'others'))
    expect(whole(seenIn(id, parts).parts)).not.toContain('[if')
})

test('a message is cut off in the band where its bytes run out', () => {
  const parts = partsOf(longEmail(6))
  const ids = parts.bands.map((b) => b.id)
  const weights = { around: 4000, bands: new Map(ids.map((id) => [id, 40_000])) }
  const shown = new Forecaster(profile('gmail-web'), table).of(parts, { night: false, weights })
  expect(shown.parts.bands.map((b) => (b.html === '' ? 0 : /Message clipped/.test(b.html) ? 1 : 2))).toEqual([
    2,
    2,
    1,
    ...ids.slice(3).map(() => 0),
  ])
  expect(sentenceOf(shown.effects)).toMatch(/^Cut off before its end/)
  expect(
    new Forecaster(profile('apple-phone'), table).of(parts, { night: false, weights }).parts.bands.at(-1)!
      .html,
  ).not.toBe('')
})

test('its dark is that of the behaviour it has; by day no rule for the dark holds', () => {
  const parts = around(
    '<table style="background-color:#ffffff"><tr><td style="color:#000000">x</td></tr></table>',
    '<style>@media (prefers-color-scheme:dark){.n{color:#eeeeee}}</style>',
  )
  expect(seenIn('apple-phone', parts, true).parts.before).toContain('@media all')
  expect(seenIn('apple-phone', parts).parts.before).toContain('@media not all')
  // Chromium's forced dark: white becomes rgb(18,18,18) (measured, core/night).
  expect(seenIn('gmail-ios', parts, true).parts.bands[0]!.html).toContain('#121212')
  expect(sentenceOf(seenIn('gmail-ios', parts, true).effects)).toMatch(/^Colours fully inverted/)
  expect(sentenceOf(seenIn('gmail-web', parts, true).effects)).not.toMatch(/olours/)
  expect(seenIn('gmail-web', parts, true).parts.bands[0]!.html).toContain('#ffffff')
})

test('after an edit only the band that was edited is made anew', () => {
  const email = longEmail(8)
  const reader = new Forecaster(profile('outlook-windows'), table)
  const before = reader.of(partsOf(email), byDay).parts
  const edited = {
    ...email,
    bands: email.bands.map((b, i) => (i === 3 ? { ...b, background: '#123456' } : b)),
  }
  const after = reader.of(partsOf(edited), byDay).parts
  expect(after.bands.map((b, i) => b.html !== before.bands[i]!.html)).toEqual(
    email.bands.map((_, i) => i === 3),
  )
})

test('every reader has a name of its own, a window, and says what its rules rest on', () => {
  expect(new Set(profiles.map((p) => p.id)).size).toBe(profiles.length)
  for (const p of profiles) {
    expect(p.windows.wide ?? p.windows.narrow).toBeGreaterThan(300)
    if (p.data) expect(table.readers).toContain(p.data)
    for (const habit of p.does) expect(habit.rests.length).toBeGreaterThan(10)
  }
})
