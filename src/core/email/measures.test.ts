import fc from 'fast-check'
import { applyEdit } from './edits'
import { longEmail, anyEmail } from '@/test-support/emails'
import { LEAST_CELL, measureBand, reshare } from './measures'

test('widths shared anew add up to what they were, and the one that was set is as near to it as there is room', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 30, max: 300 }), { minLength: 2, maxLength: 5 }),
      fc.nat(),
      fc.integer({ min: 1, max: 1500 }),
      (widths, pick, to) => {
        const at = pick % widths.length
        const total = widths.reduce((a, b) => a + b, 0)
        const next = reshare(widths, at, to)
        expect(next.reduce((a, b) => a + b, 0)).toBeCloseTo(total, 6)
        expect(Math.min(...next)).toBeGreaterThanOrEqual(LEAST_CELL - 1e-9)
        expect(next[at]).toBeCloseTo(
          Math.max(LEAST_CELL, Math.min(to, total - LEAST_CELL * (widths.length - 1))),
          6,
        )
      },
    ),
  )
})

test('the others keep their proportion while there is room', () => {
  expect(reshare([200, 200, 100], 0, 350)).toEqual([350, 100, 50])
  expect(reshare([200, 200, 100], 2, 20)).toEqual([238, 238, 24])
  expect(reshare([300], 0, 100)).toEqual([300])
})

test('a cell set to a width has it, and the row stays as wide; more cells share it evenly and lose nothing', () => {
  const email = applyEdit(longEmail(1), { name: 'setCellWidth', what: { id: 'c0-0', width: 400 } })
  const m = measureBand(email.bands[0]!, 600)
  expect([m.get('c0-0')!.outer, m.get('c0-1')!.outer]).toEqual([400, 116])
  const three = applyEdit(email, { name: 'setCells', what: { id: 'b0', count: 3 } }).bands[0]!
  expect(new Set(three.cells.map((c) => c.width)).size).toBe(1)
  const one = applyEdit(email, { name: 'setCells', what: { id: 'b0', count: 1 } }).bands[0]!
  expect(one.cells[0]!.items.map((i) => i.id)).toEqual(['p0-0', 'w0-0', 'u0-0', 'p0-1', 'w0-1', 'u0-1'])
  const swapped = applyEdit(email, { name: 'moveCell', what: { id: 'c0-1', to: 0 } }).bands[0]!
  expect(swapped.cells.map((c) => [c.id, Math.round(measureBand(swapped, 600).get(c.id)!.outer)])).toEqual([
    ['c0-1', 116],
    ['c0-0', 400],
  ])
})

test('what is left for tiles is the cell without its padding and its edges', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      for (const band of email.bands)
        for (const cell of band.cells) {
          const { outer, content } = measureBand(band, email.width).get(cell.id)!
          const taken =
            cell.padding.left +
            cell.padding.right +
            (cell.edges?.left?.width ?? 0) +
            (cell.edges?.right?.width ?? 0)
          expect(content).toBeCloseTo(Math.max(1, outer - taken), 6)
        }
    }),
  )
})
