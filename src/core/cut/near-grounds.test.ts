import { nearGrounds } from './near-grounds'
import type { Cut } from './plan'

const cut = (id: string, y: number, ground: string | null, more: Partial<Cut> = {}): Cut => ({
  id,
  x: 0,
  y,
  w: 100,
  h: 50,
  kind: 'words',
  alt: null,
  link: '',
  words: null,
  ground,
  ...more,
})
const pairs = (...cuts: Cut[]) => nearGrounds({ cuts }).map(({ a, b }) => a.id + b.id)

test('neighbours of nearly one ground are found, and only they', () => {
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 50, '#fefefe'))).toEqual(['ab'])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 56, '#fefefe', { kind: 'flat' }))).toEqual(['ab'])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 50, '#ffffff'))).toEqual([])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 50, '#e0e0e0'))).toEqual([])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 90, '#fefefe'))).toEqual([])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 50, '#fefefe', { kind: 'picture' }))).toEqual([])
  expect(pairs(cut('a', 0, null), cut('b', 50, '#fefefe'))).toEqual([])
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 0, '#fefefe', { x: 100 }))).toEqual(['ab'])
  // Cuts that meet in a corner share no edge.
  expect(pairs(cut('a', 0, '#ffffff'), cut('b', 50, '#fefefe', { x: 100 }))).toEqual([])
})

test('the difference is that of the eye, not of the numbers: dark blues may lie far apart, light yellows near', () => {
  const [pair] = nearGrounds({ cuts: [cut('a', 0, '#f4efe6'), cut('b', 50, '#f5f0e7')] })
  expect(pair!.difference).toBeGreaterThan(0)
  expect(pair!.difference).toBeLessThan(0.5)
})
