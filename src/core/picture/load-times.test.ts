import { loadTimes } from './load-times'

test('load times grow with the bytes and shrink with the line; nothing takes no time', () => {
  const [slow, mobile, home] = loadTimes(800 * 1024)
  // 800 KB are 6.55 million bits: 4.1 s at 1.6 Mbit/s, after 0.3 s of asking.
  expect(slow!.seconds).toBeCloseTo(0.3 + (800 * 1024 * 8) / 1.6e6, 6)
  expect(slow!.seconds > mobile!.seconds && mobile!.seconds > home!.seconds).toBe(true)
  expect(loadTimes(0).map((t) => t.seconds)).toEqual([0, 0, 0])
})
