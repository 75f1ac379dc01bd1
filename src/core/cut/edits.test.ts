import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import {
  addCut,
  freePart,
  mergeCuts,
  moveCut,
  moveEdge,
  moveSide,
  removeCut,
  snap,
  splitCut,
  splitEqually,
  uncovered,
  LEAST,
} from './edits'
import { emptyPlan, readingOrder, type CutPlan } from './plan'
import { overlap } from './raster'

const size = { width: 1200, height: 3000 }
let n = 0
const id = () => `c${n++}`
const rect = fc.record({
  x: fc.integer({ min: 0, max: 1190 }),
  y: fc.integer({ min: 0, max: 2990 }),
  w: fc.integer({ min: 1, max: 1200 }),
  h: fc.integer({ min: 1, max: 1500 }),
})
const num = fc.integer({ min: -4000, max: 4000 })
/** Whatever a person may do, in any order. */
const step = fc.oneof(
  fc.record({ do: fc.constant('add' as const), rect }),
  fc.record({ do: fc.constant('move' as const), which: fc.nat(), dx: num, dy: num }),
  fc.record({
    do: fc.constant('side' as const),
    which: fc.nat(),
    side: fc.constantFrom('top', 'right', 'bottom', 'left' as const),
    to: num,
  }),
  fc.record({
    do: fc.constant('split' as const),
    which: fc.nat(),
    way: fc.constantFrom('across', 'down' as const),
    part: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  fc.record({ do: fc.constant('merge' as const), which: fc.nat(), other: fc.nat() }),
  fc.record({ do: fc.constant('remove' as const), which: fc.nat() }),
)
type Step = typeof step extends fc.Arbitrary<infer S> ? S : never

function play(plan: CutPlan, s: Step): CutPlan {
  if (s.do === 'add') return addCut(plan, s.rect, size, 'picture', id).plan
  const cut = plan.cuts[('which' in s ? s.which : 0) % Math.max(1, plan.cuts.length)]
  if (!cut) return plan
  switch (s.do) {
    case 'move':
      return moveCut(plan, cut.id, s.dx, s.dy, size)
    case 'side':
      return (s.to % 2 ? moveEdge : moveSide)(plan, cut.id, s.side as 'top', s.to, size)
    case 'split':
      return splitCut(
        plan,
        cut.id,
        s.way as 'across',
        s.way === 'across' ? cut.y + s.part * cut.h : cut.x + s.part * cut.w,
        id,
      )
    case 'merge':
      return mergeCuts(plan, [cut.id, plan.cuts[s.other % plan.cuts.length]!.id])
    case 'remove':
      return removeCut(plan, cut.id)
  }
}

test('whatever is done, cuts never overlap, never leave the design, and covered plus uncovered is the whole', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      const plan = steps.reduce(play, emptyPlan())
      plan.cuts.forEach((a, i) => {
        expect(a.w).toBeGreaterThanOrEqual(LEAST)
        expect(a.h).toBeGreaterThanOrEqual(LEAST)
        expect(a.x >= 0 && a.y >= 0 && a.x + a.w <= size.width && a.y + a.h <= size.height).toBe(true)
        for (const b of plan.cuts.slice(i + 1)) expect(overlap(a, b)).toBeNull()
      })
      const free = uncovered(plan.cuts, size)
      free.forEach((f, i) => {
        for (const g of [...plan.cuts, ...free.slice(i + 1)]) expect(overlap(f, g)).toBeNull()
      })
      const area = [...plan.cuts, ...free].reduce((sum, r) => sum + r.w * r.h, 0)
      expect(area).toBe(size.width * size.height)
    }),
    { numRuns: samples(300) },
  )
})

test('a moved cut stops at its neighbour and slides along it', () => {
  let plan = addCut(emptyPlan(), { x: 0, y: 0, w: 600, h: 100 }, size, 'picture', id).plan
  const lower = addCut(plan, { x: 0, y: 200, w: 600, h: 100 }, size, 'picture', id)
  plan = moveCut(lower.plan, lower.id!, 30, -150, size)
  expect(plan.cuts.find((c) => c.id === lower.id)).toMatchObject({ x: 30, y: 100 })
})

test('the edge two cuts share moves for both', () => {
  let plan = addCut(emptyPlan(), { x: 0, y: 0, w: 1200, h: 100 }, size, 'picture', id).plan
  plan = addCut(plan, { x: 0, y: 100, w: 1200, h: 300 }, size, 'picture', id).plan
  const [upper, lower] = plan.cuts as [(typeof plan.cuts)[0], (typeof plan.cuts)[0]]
  expect(moveEdge(plan, upper!.id, 'bottom', 180, size).cuts).toMatchObject([
    { y: 0, h: 180 },
    { y: 180, h: 220 },
  ])
  expect(moveEdge(plan, lower!.id, 'top', 60, size).cuts).toMatchObject([
    { y: 0, h: 60 },
    { y: 60, h: 340 },
  ])
})

test('merging takes in whatever lies between, joins alt texts and keeps the first link', () => {
  let plan = emptyPlan()
  for (const y of [0, 100, 200]) plan = addCut(plan, { x: 0, y, w: 1200, h: 100 }, size, 'picture', id).plan
  plan = {
    ...plan,
    cuts: plan.cuts.map((c, i) => ({ ...c, alt: `part ${i}`, link: i === 1 ? 'https://a.example' : '' })),
  }
  const merged = mergeCuts(plan, [plan.cuts[0]!.id, plan.cuts[2]!.id])
  expect(merged.cuts).toHaveLength(1)
  expect(merged.cuts[0]).toMatchObject({
    id: plan.cuts[0]!.id,
    y: 0,
    h: 300,
    alt: 'part 0 part 1 part 2',
    link: 'https://a.example',
  })
})

test('snapping takes the nearest edge within reach', () => {
  expect(snap(103, [90, 100, 108], 6)).toBe(100)
  expect(snap(103, [90, 112], 6)).toBe(103)
})

test('a drawn cut is trimmed to what is free, and refused where nothing is', () => {
  const plan = addCut(emptyPlan(), { x: 0, y: 0, w: 1200, h: 500 }, size, 'picture', id).plan
  expect(freePart(plan, { x: 100, y: 400, w: 300, h: 300 }, size)).toEqual({ x: 100, y: 500, w: 300, h: 200 })
  expect(freePart(plan, { x: 100, y: 100, w: 300, h: 300 }, size)).toBeNull()
})

test('reading order goes by rows, then from the left', () => {
  const at = (name: string, x: number, y: number) => ({ name, x, y, w: 100, h: 100 })
  expect(
    readingOrder([at('d', 0, 200), at('b', 120, 10), at('a', 0, 0), at('c', 240, 30)]).map((c) => c.name),
  ).toEqual(['a', 'b', 'c', 'd'])
})

test('equal parts cover the cut, differ by a pixel at most, and the first keeps what it says', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 900 }),
      fc.integer({ min: 2, max: 9 }),
      fc.constantFrom('across' as const, 'down' as const),
      (length, parts, way) => {
        const cut = {
          id: 'a',
          x: 10,
          y: 20,
          w: way === 'down' ? length : 50,
          h: way === 'across' ? length : 50,
          kind: 'picture' as const,
          alt: 'x',
          link: 'https://a.example',
          words: null,
          ground: null,
        }
        const plan = splitEqually({ ...emptyPlan(), cuts: [cut] }, 'a', way, parts, id)
        if (length / parts < LEAST) {
          expect(plan.cuts).toEqual([cut])
          return
        }
        const lengths = plan.cuts.map((c) => (way === 'across' ? c.h : c.w))
        expect(plan.cuts).toHaveLength(parts)
        expect(lengths.reduce((a, b) => a + b, 0)).toBe(length)
        expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1)
        expect(plan.cuts[0]).toMatchObject({ id: 'a', alt: 'x' })
        expect(plan.cuts.every((c) => c.link === 'https://a.example')).toBe(true)
        expect(
          uncovered(plan.cuts, { width: cut.x + cut.w, height: cut.y + cut.h }).every(
            (r) => !overlap(r, cut),
          ),
        ).toBe(true)
      },
    ),
  )
})
