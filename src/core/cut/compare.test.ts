import { random } from '../../../demo/drawing'
import { fateOf, replan } from './compare'
import { emptyPlan, type Cut } from './plan'
import type { Raster } from './raster'

/** Strips of noise, each of its own seed, one under the other. */
function strips(...parts: [seed: number, height: number][]): Raster {
  const width = 200,
    height = parts.reduce((s, p) => s + p[1], 0)
  const px = new Uint32Array(width * height)
  let at = 0
  for (const [seed, h] of parts) {
    const r = random(seed)
    for (let i = 0; i < h * width; i++) px[at++] = (0xff000000 | Math.floor(r() * 0xffffff)) >>> 0
  }
  return { width, height, data: new Uint8Array(px.buffer) }
}
const cut = (id: string, y: number, h: number): Cut => ({
  id,
  x: 0,
  y,
  w: 200,
  h,
  kind: 'picture',
  alt: id,
  link: '',
  words: null,
  ground: null,
})
const plan = {
  ...emptyPlan(),
  cuts: [cut('a', 0, 50), cut('b', 50, 60), cut('c', 110, 40)],
  edges: [50, 110],
}

test('cuts that fit stay, those under an inserted strip move along, a redrawn one is flagged', () => {
  const before = strips([1, 50], [2, 60], [3, 40])
  const after = strips([1, 50], [9, 30], [2, 60], [4, 40])
  expect(fateOf(before, after, cut('b', 50, 60))).toEqual({ dy: 30, same: 1 })
  const { plan: next, ...count } = replan(plan, before, after)
  expect(count).toEqual({ kept: 1, moved: 1, changed: 1 })
  expect(next.cuts.map((c) => [c.id, c.y, c.since])).toEqual([
    ['a', 0, undefined],
    ['b', 80, 'moved'],
    ['c', 140, 'changed'],
  ])
  expect(next.cuts.map((c) => c.alt)).toEqual(['a', 'b', 'c'])
})

test('the same design again changes nothing; one of another width scales every cut and flags it', () => {
  const before = strips([1, 50], [2, 60], [3, 40])
  expect(replan(plan, before, before)).toEqual({ plan, kept: 3, moved: 0, changed: 0 })
  const wide: Raster = { width: 400, height: 300, data: new Uint8Array(400 * 300 * 4) }
  expect(replan(plan, before, wide).plan.cuts.map((c) => [c.y, c.w, c.h, c.since])).toEqual([
    [0, 400, 100, 'changed'],
    [100, 400, 120, 'changed'],
    [220, 400, 80, 'changed'],
  ])
})
