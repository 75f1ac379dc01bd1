import fc from 'fast-check'
import { growing, shrinking } from './fluid'

/** What a browser makes of it in a window (CSS Values 4, 10: `min()`, `clamp()`, and 6.1.2: 1vw is a hundredth of the window). @param vw px */
function reckoned(value: string, window: number): number {
  const terms = (sum: string) =>
    [...sum.replace(/ ([+-]) /g, ' $1').matchAll(/([+-]?[\d.]+)(px|vw)/g)].reduce(
      (total, [, n, unit]) => total + Number(n) * (unit === 'vw' ? window / 100 : 1),
      0,
    )
  const [, name, inside] = /^(min|clamp)\((.*)\)$/.exec(value)!
  const parts = inside!.split(',').map(terms)
  return name === 'min' ? Math.min(...parts) : Math.max(parts[0]!, Math.min(parts[1]!, parts[2]!))
}

test('a length is whole at 600 px and beyond, what it is on narrow at 375 px, and never more', () =>
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 0, max: 199 }), (wide, less) => {
      const narrow = Math.max(0, wide - 1 - less)
      const value = shrinking(wide, narrow)
      expect(reckoned(value, 375)).toBeCloseTo(narrow, 0)
      for (const window of [600, 900, 2560]) expect(reckoned(value, window)).toBeCloseTo(wide, 6)
      for (const window of [320, 414, 480]) expect(reckoned(value, window)).toBeLessThanOrEqual(wide + 1e-9)
    }),
  ))

test.each([9, 10, 11, 11.5])('letters of %i px are 12 on narrow', (size) => {
  for (const window of [320, 375, 480]) expect(reckoned(growing(size), window)).toBeCloseTo(12, 1)
  for (const window of [600, 1200]) expect(reckoned(growing(size), window)).toBeCloseTo(size, 1)
})
