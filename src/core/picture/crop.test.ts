import fc from 'fast-check'
import { cropRect } from './crop'

// Worked by hand: the largest 2:1 part of 400 by 300 is 400 by 200.
test.each([
  [
    { x: 0.5, y: 0.5, zoom: 1 },
    { x: 0, y: 0, w: 400, h: 300 },
  ],
  [
    { x: 0.5, y: 0.5, zoom: 1, ratio: 2 },
    { x: 0, y: 50, w: 400, h: 200 },
  ],
  [
    { x: 0.5, y: 1, zoom: 1, ratio: 2 },
    { x: 0, y: 100, w: 400, h: 200 },
  ],
  [
    { x: 0, y: 0, zoom: 2 },
    { x: 0, y: 0, w: 200, h: 150 },
  ],
  [
    { x: 0.75, y: 0.5, zoom: 2, ratio: 1 },
    { x: 225, y: 75, w: 150, h: 150 },
  ],
])('%j of 400 by 300', (crop, rect) => expect(cropRect({ width: 400, height: 300 }, crop)).toEqual(rect))

test('a part lies within its picture, has its shape, and holds its point', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true })
  fc.assert(
    fc.property(
      fc.record({ width: fc.integer({ min: 20, max: 5000 }), height: fc.integer({ min: 20, max: 5000 }) }),
      fc.record({
        x: share,
        y: share,
        zoom: fc.double({ min: 1, max: 8, noNaN: true }),
        ratio: fc.option(fc.double({ min: 0.1, max: 10, noNaN: true }), { nil: undefined }),
      }),
      (size, crop) => {
        const r = cropRect(size, crop)
        expect(r.x >= 0 && r.y >= 0 && r.x + r.w <= size.width && r.y + r.h <= size.height).toBe(true)
        const [px, py] = [crop.x * size.width, crop.y * size.height]
        expect(px >= r.x - 1 && px <= r.x + r.w + 1 && py >= r.y - 1 && py <= r.y + r.h + 1).toBe(true)
        const shape = crop.ratio ?? size.width / size.height
        // Rounding to whole px moves a side by half a px at most.
        if (r.w > 1 && r.h > 1) expect(Math.abs(r.w - r.h * shape)).toBeLessThanOrEqual(0.51 + 0.51 * shape)
      },
    ),
  )
})
