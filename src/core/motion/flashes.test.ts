import { flashesIn } from './flashes'

const SIDE = 20
/** Frames of one grey each, with a part of them in another. */
const film = (greys: readonly number[], delay: number, part = 1) => ({
  width: SIDE,
  height: SIDE,
  loop: 0,
  frames: greys.map((grey) => {
    const data = new Uint8Array(SIDE * SIDE * 4).fill(255)
    for (let p = 0; p < SIDE * SIDE * part; p++) data.fill(grey, p * 4, p * 4 + 3)
    return { data, delay }
  }),
})
const [BLACK, WHITE] = [0, 255]

// WCAG 2.2, 2.3.1 and "general flash and red flash thresholds": more than three pairs of opposing changes in a second.
test.each([
  ['black and white ten times a second', [BLACK, WHITE], 100, 5],
  ['black and white twice a second', [BLACK, WHITE], 500, 1],
  ['a slow fade', Array.from({ length: 20 }, (_, i) => i * 12), 100, 1],
  ['greys that differ by less than a tenth', [128, 132], 50, 0],
  ['light greys, neither of them dark', [236, 255], 50, 0],
])('%s', (_, greys, delay, most) => {
  const { length: flashes } = Array.from({ length: flashesIn(film(greys, delay), 20) })
  expect(Math.abs(flashes - most)).toBeLessThanOrEqual(most > 3 ? 1 : 0)
  expect(flashes > 3).toBe(most > 3)
})

test('what is too small to harm does not count: under 21,824 px as shown', () => {
  // 20 x 20 pixels at 8 px each are 25,600 px, a half of them 12,800.
  expect(flashesIn(film([BLACK, WHITE], 50), 8)).toBeGreaterThan(3)
  expect(flashesIn(film([BLACK, WHITE], 50, 0.5), 8)).toBe(0)
})
