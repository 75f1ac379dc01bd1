import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { cutAt, planOf } from '@/test-support/cuts'
import { moveCut } from './edits'
import {
  alignCuts,
  distributeCuts,
  duplicateCut,
  extendCut,
  fillUncovered,
  placeCut,
  splitLinks,
  unlocked,
} from './arrange'
import type { CutPlan } from './plan'
import { overlap } from './raster'

const size = { width: 1000, height: 1000 }
const places = (p: CutPlan) => p.cuts.map((c) => [c.id, c.x, c.y, c.w, c.h])

test('cuts are lined up by an edge or a middle of the box around them', () => {
  const p = planOf(cutAt('a', 10, 0, 100, 50), cutAt('b', 200, 100, 60, 50), cutAt('c', 90, 200, 200, 50))
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
    planOf(
      cutAt('a', 0, 0, 100, 50),
      cutAt('b', 110, 0, 100, 50),
      cutAt('c', 250, 0, 100, 50),
      cutAt('d', 700, 0, 100, 50),
    ),
    ['a', 'b', 'c', 'd'],
    'across',
    size,
  )
  expect(p.cuts.map((c) => c.x)).toEqual([0, 233, 467, 700])
})

test('a cut extends to its neighbours and the design, a copy stands under it, and numbers place it where there is room', () => {
  const p = planOf(cutAt('a', 100, 100, 100, 100), cutAt('b', 400, 0, 100, 1000))
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
  expect(duplicateCut(planOf(cutAt('a', 0, 900, 100, 100)), 'a', size).id).toBeNull()
  expect(places(placeCut(p, 'a', { x: 300, y: 100, w: 200, h: 100 }, size))[0]).toEqual([
    'a',
    300,
    100,
    100,
    100,
  ])
  expect(
    placeCut(planOf(cutAt('a', 0, 0, 9, 9, { locked: true })), 'a', { x: 5, y: 5, w: 9, h: 9 }, size).cuts[0]!
      .x,
  ).toBe(0)
  expect(
    unlocked(planOf(cutAt('a', 0, 0, 9, 9, { locked: true }), cutAt('b', 0, 20, 9, 9)), ['a', 'b']),
  ).toEqual(['b'])
})

test('whatever is asked by hand, cuts never overlap and never leave the design', () => {
  const step = fc.record({
    what: fc.constantFrom('align', 'distribute', 'extend', 'place', 'move', 'fill', 'duplicate'),
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    x: fc.integer({ min: -50, max: 1100 }),
    y: fc.integer({ min: -50, max: 1100 }),
    by: fc.constantFrom('left', 'center', 'right', 'top', 'middle', 'bottom'),
  })
  const start = planOf(
    cutAt('a', 0, 0, 300, 200),
    cutAt('b', 350, 0, 200, 300),
    cutAt('c', 0, 400, 500, 200),
    cutAt('d', 600, 500, 300, 300),
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
    { numRuns: samples(300) },
  )
})

test('a picture with two links becomes two that meet without a seam', () => {
  const p = splitLinks(
    planOf(cutAt('a', 100, 0, 401, 50, { link: 'https://one.example', alt: 'Two ways' })),
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
