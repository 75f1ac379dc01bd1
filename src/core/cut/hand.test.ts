import fc from 'fast-check'
import {
  alignCuts,
  distributeCuts,
  duplicateCut,
  extendCut,
  fillUncovered,
  moveCut,
  placeCut,
  reorderCut,
  splitLinks,
  unlocked,
} from './edits'
import { leftOut } from './left-out'
import { paletteOf, pickColor } from './palette'
import { emptyPlan, orderedCuts, readPlan, upgradePlan, type Cut, type CutPlan } from './plan'
import { overlap, type Raster } from './raster'
import { loadTimes } from '../picture/load-times'

const size = { width: 1000, height: 1000 }
const cut = (id: string, x: number, y: number, w: number, h: number, more: Partial<Cut> = {}): Cut => ({
  id,
  x,
  y,
  w,
  h,
  kind: 'picture',
  alt: null,
  link: '',
  words: null,
  ground: null,
  ...more,
})
const plan = (...cuts: Cut[]): CutPlan => ({ ...emptyPlan(), cuts })
const places = (p: CutPlan) => p.cuts.map((c) => [c.id, c.x, c.y, c.w, c.h])

test('cuts are lined up by an edge or a middle of the box around them', () => {
  const p = plan(cut('a', 10, 0, 100, 50), cut('b', 200, 100, 60, 50), cut('c', 90, 200, 200, 50))
  expect(alignCuts(p, ['a', 'b', 'c'], 'left', size).cuts.map((c) => c.x)).toEqual([10, 10, 10])
  expect(alignCuts(p, ['a', 'b', 'c'], 'right', size).cuts.map((c) => c.x + c.w)).toEqual([290, 290, 290])
  expect(alignCuts(p, ['a', 'b', 'c'], 'center', size).cuts.map((c) => c.x + c.w / 2)).toEqual([
    150, 150, 150,
  ])
  // One under the other they cannot all come to one top: none is moved over another.
  expect(alignCuts(p, ['a'], 'left', size)).toBe(p)
})

test('spaces between cuts are made equal; the first and the last stay', () => {
  const p = distributeCuts(
    plan(
      cut('a', 0, 0, 100, 50),
      cut('b', 110, 0, 100, 50),
      cut('c', 250, 0, 100, 50),
      cut('d', 700, 0, 100, 50),
    ),
    ['a', 'b', 'c', 'd'],
    'across',
    size,
  )
  expect(p.cuts.map((c) => c.x)).toEqual([0, 233, 467, 700])
})

test('a cut extends to its neighbours and the design, a copy stands under it, and numbers place it where there is room', () => {
  const p = plan(cut('a', 100, 100, 100, 100), cut('b', 400, 0, 100, 1000))
  expect(places(extendCut(p, 'a', size))[0]).toEqual(['a', 0, 0, 400, 1000])
  expect(places(extendCut(p, 'a', size, { x: 50, y: 60, w: 200, h: 300 }))[0]).toEqual([
    'a',
    50,
    60,
    200,
    300,
  ])
  const copy = duplicateCut(p, 'a', size, () => 'a2')
  expect(copy.plan.cuts.find((c) => c.id === 'a2')).toMatchObject({ x: 100, y: 200, w: 100, h: 100 })
  expect(duplicateCut(plan(cut('a', 0, 900, 100, 100)), 'a', size).id).toBeNull()
  expect(places(placeCut(p, 'a', { x: 300, y: 100, w: 200, h: 100 }, size))[0]).toEqual([
    'a',
    300,
    100,
    100,
    100,
  ])
  expect(
    placeCut(plan(cut('a', 0, 0, 9, 9, { locked: true })), 'a', { x: 5, y: 5, w: 9, h: 9 }, size).cuts[0]!.x,
  ).toBe(0)
  expect(unlocked(plan(cut('a', 0, 0, 9, 9, { locked: true }), cut('b', 0, 20, 9, 9)), ['a', 'b'])).toEqual([
    'b',
  ])
})

test('whatever is asked by hand, cuts never overlap and never leave the design', () => {
  const step = fc.record({
    what: fc.constantFrom('align', 'distribute', 'extend', 'place', 'move', 'fill', 'duplicate'),
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    x: fc.integer({ min: -50, max: 1100 }),
    y: fc.integer({ min: -50, max: 1100 }),
    by: fc.constantFrom('left', 'center', 'right', 'top', 'middle', 'bottom'),
  })
  const start = plan(
    cut('a', 0, 0, 300, 200),
    cut('b', 350, 0, 200, 300),
    cut('c', 0, 400, 500, 200),
    cut('d', 600, 500, 300, 300),
  )
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let n = 0
      const p = steps.reduce((q, s) => {
        if (s.what === 'align') return alignCuts(q, ['a', 'b', 'c', 'd'], s.by as 'left', size)
        if (s.what === 'distribute')
          return distributeCuts(q, ['a', 'b', 'c', 'd'], s.x % 2 ? 'across' : 'down', size)
        if (s.what === 'extend') return extendCut(q, s.id, size)
        if (s.what === 'place')
          return placeCut(q, s.id, { x: Math.max(0, s.x), y: Math.max(0, s.y), w: 120, h: 80 }, size)
        if (s.what === 'move') return moveCut(q, s.id, s.x, s.y, size)
        if (s.what === 'fill')
          return fillUncovered(
            q,
            [{ rect: { x: 550, y: 0, w: 100, h: 100 }, kind: 'flat', ground: '#ffffff' }],
            size,
            () => `n${n++}`,
          )
        return duplicateCut(q, s.id, size, () => `n${n++}`).plan
      }, start)
      for (const [i, c] of p.cuts.entries()) {
        expect(
          c.x >= 0 && c.y >= 0 && c.x + c.w <= size.width && c.y + c.h <= size.height && c.w > 0 && c.h > 0,
        ).toBe(true)
        for (const o of p.cuts.slice(i + 1)) expect(overlap(c, o)).toBeNull()
      }
    }),
    { numRuns: 300 },
  )
})

test('a picture with two links becomes two that meet without a seam', () => {
  const p = splitLinks(
    plan(cut('a', 100, 0, 401, 50, { link: 'https://one.example', alt: 'Two ways' })),
    'a',
    ['https://one.example', 'https://two.example'],
    0.5,
    () => 'b',
  )
  expect(places(p)).toEqual([
    ['a', 100, 0, 201, 50],
    ['b', 301, 0, 200, 50],
  ])
  expect(p.cuts.map((c) => c.link)).toEqual(['https://one.example', 'https://two.example'])
})

test('the order is that of reading until the person gives another; cuts made since stand where they are read', () => {
  const p = plan(cut('a', 0, 0, 100, 50), cut('b', 0, 60, 100, 50), cut('c', 0, 120, 100, 50))
  const ids = (q: CutPlan) => orderedCuts(q).map((c) => c.id)
  expect(ids(p)).toEqual(['a', 'b', 'c'])
  const moved = reorderCut(p, ids(p), 'c', 0)
  expect(ids(moved)).toEqual(['c', 'a', 'b'])
  expect(ids({ ...moved, cuts: [...moved.cuts, cut('n', 0, 55, 100, 4)] })).toEqual(['c', 'a', 'n', 'b'])
  expect(ids({ ...moved, cuts: moved.cuts.filter((c) => c.id !== 'a') })).toEqual(['c', 'b'])
})

test('plans of the first version are read as those of today; anything else is refused', () => {
  const old = { version: 1, cuts: [cut('a', 0, 0, 9, 9)], built: {} }
  expect(readPlan(old)).toEqual({ version: 2, cuts: old.cuts, built: {}, edges: [], panels: [] })
  expect(readPlan(JSON.parse(JSON.stringify(emptyPlan())))).toEqual(emptyPlan())
  expect(upgradePlan(null)).toBeNull()
  for (const none of [null, 3, {}, { version: 3, cuts: [] }, { version: 1, cuts: [{ id: 'a' }] }])
    expect(() => readPlan(none)).toThrow()
})

/** White, with a red quarter and a few strewn pixels. */
function picture(): Raster {
  const px = new Uint32Array(100 * 100).fill(0xffffffff)
  for (let y = 0; y < 50; y++) px.fill(0xff2040c0, y * 100, y * 100 + 50)
  px[99 * 100 + 99] = 0xff00ff00
  return { width: 100, height: 100, data: new Uint8Array(px.buffer) }
}

test('a palette counts by area, with exact values; a picked colour is the pixel or the mean around it', () => {
  expect(paletteOf(picture()).slice(0, 2)).toEqual([
    { color: '#ffffff', share: 0.7499 },
    { color: '#c04020', share: 0.25 },
  ])
  expect(paletteOf(picture(), { x: 0, y: 0, w: 50, h: 50 })).toEqual([{ color: '#c04020', share: 1 }])
  expect([pickColor(picture(), 49, 10, 1), pickColor(picture(), 50, 10, 1)]).toEqual(['#c04020', '#ffffff'])
  // Three columns, of which two are red: a third of white in each channel.
  expect(pickColor(picture(), 49, 10, 3)).toBe('#d5806a')
  expect(pickColor(picture(), 0, 0, 5)).toBe('#c04020')
})

test('what no cut covers is told only where something stands there', () => {
  expect(leftOut(picture(), [], [])).toEqual([{ x: 0, y: 0, w: 100, h: 100 }])
  expect(leftOut(picture(), [cut('a', 0, 0, 50, 50)], [])).toEqual([])
  // A panel under the red tells why it is there.
  expect(leftOut(picture(), [], [{ x: 0, y: 0, w: 50, h: 50, radius: 0, color: '#c04020' }])).toEqual([])
  // The rest of the red, and the one green pixel in the far corner.
  expect(leftOut(picture(), [cut('a', 0, 0, 50, 30)], [])).toEqual([{ x: 0, y: 30, w: 100, h: 70 }])
})

test('load times grow with the bytes and shrink with the line; nothing takes no time', () => {
  const [slow, mobile, home] = loadTimes(800 * 1024)
  // 800 KB are 6.55 million bits: 4.1 s at 1.6 Mbit/s, after 0.3 s of asking.
  expect(slow!.seconds).toBeCloseTo(0.3 + (800 * 1024 * 8) / 1.6e6, 6)
  expect(slow!.seconds > mobile!.seconds && mobile!.seconds > home!.seconds).toBe(true)
  expect(loadTimes(0).map((t) => t.seconds)).toEqual([0, 0, 0])
})
