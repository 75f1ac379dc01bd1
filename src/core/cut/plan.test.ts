import { cutAt, planOf } from '@/test-support/cuts'
import { reorderCut } from './arrange'
import { emptyPlan, orderedCuts, readPlan, upgradePlan, type CutPlan } from './plan'

test('the order is that of reading until the person gives another; cuts made since stand where they are read', () => {
  const p = planOf(cutAt('a', 0, 0, 100, 50), cutAt('b', 0, 60, 100, 50), cutAt('c', 0, 120, 100, 50))
  const ids = (q: CutPlan) => orderedCuts(q).map((c) => c.id)
  expect(ids(p)).toEqual(['a', 'b', 'c'])
  const moved = reorderCut(p, ids(p), 'c', 0)
  expect(ids(moved)).toEqual(['c', 'a', 'b'])
  expect(ids({ ...moved, cuts: [...moved.cuts, cutAt('n', 0, 55, 100, 4)] })).toEqual(['c', 'a', 'n', 'b'])
  expect(ids({ ...moved, cuts: moved.cuts.filter((c) => c.id !== 'a') })).toEqual(['c', 'b'])
})

test('plans of the first version are read as those of today; anything else is refused', () => {
  const old = { version: 1, cuts: [cutAt('a', 0, 0, 9, 9)], built: {} }
  expect(readPlan(old)).toEqual({ version: 2, cuts: old.cuts, built: {}, edges: [], panels: [] })
  expect(readPlan(JSON.parse(JSON.stringify(emptyPlan())))).toEqual(emptyPlan())
  expect(upgradePlan(null)).toBeNull()
  for (const none of [null, 3, {}, { version: 3, cuts: [] }, { version: 1, cuts: [{ id: 'a' }] }])
    expect(() => readPlan(none)).toThrow()
})
