import fc from 'fast-check'
import { ampErrors } from '@/test-support/amp'
import { composed, house, longEmail } from '@/test-support/emails'
import { interactiveEmail, interactiveKinds, interactiveOf } from '@/test-support/interactive'
import { motionOf } from '@/test-support/motion'
import { picture, tileOf } from '@/test-support/tiles'
import { applyEdit } from '../email/edits'
import type { Email } from '../email/schema'
import type { Tile } from '../email/tile'
import { starterEmail, starterLayouts } from '../starters'
import { plainHouseStyle } from '../email/styles'
import { tileKinds } from '../tiles'
import { ampWay, compileAmp, MOST_STYLES } from './amp'

/* Held against the official validator of AMP for Email, which the registry carries. */

const src = (p: { id: string }) => `https://pictures.example/${p.id}`
const amp = (email: Email) => compileAmp(email, house, { src })
const withTile = (tile: Tile): Email =>
  applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile } })

test('the validator is really asked: what it forbids is found', async () => {
  const { html } = amp(withTile(tileOf('words')))
  expect(await ampErrors(html)).toEqual([])
  expect((await ampErrors(html.replace('<body', '<body onclick="x"'))).join()).toContain('onclick')
  expect(
    (await ampErrors(html.replace('</body>', '<img src="https://a.example/a.png"></body>'))).join(),
  ).toContain('img')
})

test.each(tileKinds)('a %s as it begins passes the official validator', async (kind) => {
  const set = {
    ...(kind === 'picture' ? { picture, alt: 'A' } : {}),
  }
  expect(await ampErrors(amp(withTile(tileOf(kind, set as never))).html)).toEqual([])
})

test.each(interactiveKinds)('any %s passes the official validator', async (kind) => {
  for (const tile of fc.sample(interactiveOf(kind), { numRuns: 12, seed: 5 }))
    expect(await ampErrors(amp(withTile(tile)).html)).toEqual([])
})

test('200 generated emails pass the official validator, with their styles within bounds', async () => {
  for (const email of fc.sample(interactiveEmail.map(composed), { numRuns: 200, seed: 3 })) {
    const part = amp(email)
    expect(await ampErrors(part.html)).toEqual([])
    expect(part.styles).toBeLessThan(MOST_STYLES)
  }
}, 120_000)

test('every starter passes the official validator', async () => {
  for (const layout of starterLayouts) {
    const email = starterEmail(layout, { house: plainHouseStyle(), width: 600 })
    expect(await ampErrors(compileAmp(email, plainHouseStyle(), { src }).html)).toEqual([])
  }
})

test('an AMP part is made where a tile answers inside the message, unless somebody says otherwise', () => {
  expect(ampWay(longEmail(1))).toBe('none')
  const email = withTile(tileOf('quiz'))
  expect(ampWay(email)).toBe('made')
  expect(ampWay({ ...email, amp: { way: 'none', html: '' } })).toBe('none')
})

test('scripts are those of the parts that are used', () => {
  expect(amp(withTile(tileOf('quiz'))).components).toEqual(['amp-bind', 'amp-selector'])
  const { html } = amp(withTile(tileOf('panels')))
  expect(html.match(/custom-(?:element|template)="[^"]+"/g)).toEqual(['custom-element="amp-accordion"'])
})

test('a countdown has its picture, and the time that is left as the one timer AMP for Email has', async () => {
  const motion = motionOf({
    kind: 'countdown',
    until: { kind: 'moment', at: '2026-12-04T22:00', zone: 'Europe/London' },
    units: ['days', 'hours', 'minutes', 'seconds'],
    labels: { days: 'days', hours: 'hours', minutes: 'minutes', seconds: 'seconds' },
    face: 'serif',
    colors: { digits: '#f0cf98', labels: '#e9dcc8', ground: '#171a2e', box: '#24325a' },
    radius: 6,
    over: 'Over',
    server: 'https://count.example/',
  })
  const part = amp(withTile(tileOf('picture', { picture, alt: 'Until then', motion })))
  expect(part.html).toContain('datetime="2026-12-04T22:00:00.000Z"')
  // As wide as its cell, and as high as its shape asks for.
  const [, width, height] = /<amp-img[^>]*count\.example[^>]* width="(\d+)" height="(\d+)"/.exec(part.html)!
  expect(Number(width)).toBeGreaterThan(100)
  expect(Number(height)).toBe(Math.round(Number(width) / 2))
  expect(await ampErrors(part.html)).toEqual([])
})

test('code has an AMP version of its own, and what is not allowed in it is named', async () => {
  const tile = tileOf('code', {
    html: '<p>HTML</p>',
    amp: '<p>AMP</p><iframe src="https://a.example"></iframe>',
  })
  const part = amp(withTile(tile))
  expect(part.html).toContain('<p>AMP</p>')
  expect(part.html).not.toContain('<p>HTML')
  expect(part.left.join()).toContain('<iframe>')
  expect(await ampErrors(part.html)).toEqual([])
})
