import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { fillOf, stretches, tight, type Mask } from './mask'

/** A mask drawn with signs: # holds something. */
const drawn = (rows: string[]): Mask => ({
  origin: { x: 0, y: 0 },
  cell: 1,
  cols: rows[0]!.length,
  rows: rows.length,
  ink: Uint8Array.from(rows.join(''), (c) => (c === '#' ? 1 : 0)),
})

test('what stands beside a rectangle does not count in it', () => {
  const m = drawn(['##......', '##......', '....##..', '....##..', '.......#'])
  expect(tight(m, { x: 3, y: 0, w: 4, h: 5 })).toEqual({ x: 4, y: 2, w: 2, h: 2 })
  expect(tight(m, { x: 2, y: 0, w: 2, h: 5 })).toBeNull()
  expect(stretches(m, { x: 0, y: 0, w: 8, h: 5 }, 'columns', 1)).toEqual([
    { from: 0, to: 2 },
    { from: 4, to: 6 },
    { from: 7, to: 8 },
  ])
  expect(stretches(m, { x: 0, y: 0, w: 8, h: 5 }, 'columns', 2)).toEqual([
    { from: 0, to: 2 },
    { from: 4, to: 8 },
  ])
  expect(fillOf(m, { x: 4, y: 2, w: 4, h: 2 })).toBe(0.5)
})

test('any rectangle is drawn in to its outermost cells, no further', () => {
  const area = fc
    .record({ cols: fc.integer({ min: 1, max: 12 }), rows: fc.integer({ min: 1, max: 12 }) })
    .chain(({ cols, rows }) =>
      fc.record({
        m: fc.array(fc.boolean(), { minLength: cols * rows, maxLength: cols * rows }).map((ink): Mask => ({
          origin: { x: 0, y: 0 },
          cell: 1,
          cols,
          rows,
          ink: Uint8Array.from(ink, Number),
        })),
        r: fc
          .record({ x: fc.integer({ min: 0, max: cols - 1 }), y: fc.integer({ min: 0, max: rows - 1 }) })
          .chain(({ x, y }) =>
            fc.record({
              x: fc.constant(x),
              y: fc.constant(y),
              w: fc.integer({ min: 1, max: cols - x }),
              h: fc.integer({ min: 1, max: rows - y }),
            }),
          ),
      }),
    )
  fc.assert(
    fc.property(area, ({ m, r }) => {
      const xs: number[] = [],
        ys: number[] = []
      for (let y = r.y; y < r.y + r.h; y++)
        for (let x = r.x; x < r.x + r.w; x++)
          if (m.ink[y * m.cols + x]) {
            xs.push(x)
            ys.push(y)
          }
      const x = Math.min(...xs),
        y = Math.min(...ys)
      expect(tight(m, r)).toEqual(
        xs.length ? { x, y, w: Math.max(...xs) - x + 1, h: Math.max(...ys) - y + 1 } : null,
      )
    }),
    { numRuns: samples(500) },
  )
})
