import { newTile } from '../tiles'
import { readEmail } from '../tiles/document'
import fc from 'fast-check'
import { thorough } from '@/test-support/samples'
import { anyEmail, house } from '@/test-support/emails'
import { newBand, newCell, newId } from '../email/defaults'
import { applyEdit, type Edit } from '../email/edits'
import type { Email } from '../email/schema'
import { cellsOf } from '../email/walk'
import { asSample } from '../text/fields'
import { compile } from './index'

const src = (p: { id: string }) => p.id

const RUNS = thorough ? 10_000 : 300

test('documents survive saving and loading, every edit and its undo, and compile without throwing', () => {
  const seen = { edits: 0 }
  fc.assert(
    fc.property(anyEmail, fc.nat(), (email, n) => {
      const loaded = JSON.parse(JSON.stringify(email)) as Email
      expect(readEmail(loaded)).toEqual(email)
      const html = compile(loaded, house, { src })
      const band = email.bands[n % Math.max(1, email.bands.length)]
      if (!band) return
      const cells = [...cellsOf(band)]
      const cell = cells[n % cells.length]!
      const tile = cell.items.find((i) => i.kind !== 'row')
      const edits: Edit[] = [
        { name: 'moveBand', what: { id: band.id, to: n % 5 } },
        { name: 'setBand', what: { id: band.id, set: { name: 'x', gap: 3 } } },
        { name: 'setCells', what: { id: band.id, count: (n % 5) + 1 } },
        { name: 'setCellWidth', what: { id: cell.id, width: 100 + (n % 300) } },
        { name: 'moveCell', what: { id: cell.id, to: 0 } },
        { name: 'removeCell', what: { id: cell.id } },
        { name: 'setCell', what: { id: cell.id, set: { background: '#123456' } } },
        { name: 'duplicateBand', what: { id: band.id } },
        { name: 'removeBand', what: { id: band.id } },
        { name: 'addBand', what: { band: newBand(email.width), at: n % 4 } },
        { name: 'setEmail', what: { subject: 'Another' } },
        {
          name: 'addRow',
          what: {
            cell: cell.id,
            at: 0,
            row: { id: newId(), kind: 'row', gap: 4, narrow: 'keep', cells: [newCell(40), newCell(40)] },
          },
        },
        { name: 'addTile', what: { cell: cell.id, at: 0, tile: newTile('table') } },
        ...(tile
          ? ([
              { name: 'duplicateTile', what: { id: tile.id } },
              { name: 'removeTile', what: { id: tile.id } },
              { name: 'setTile', what: { id: tile.id, set: { show: 'wide' } } },
              { name: 'moveTile', what: { id: tile.id, cell: cells[(n + 1) % cells.length]!.id, to: 0 } },
            ] as Edit[])
          : []),
      ]
      const edit = edits[n % edits.length]!
      // Undo takes the document before: it must not have been touched.
      const next = applyEdit(email, edit)
      seen.edits += next === email ? 0 : 1
      expect(JSON.stringify(email)).toBe(JSON.stringify(loaded))
      readEmail(JSON.parse(JSON.stringify(next)))
      if (n % 20 === 0) {
        expect(compile(email, house, { src })).toBe(html)
        compile(next, house, { src, fields: asSample() })
      }
    }),
    { numRuns: RUNS },
  )
  expect(seen.edits).toBeGreaterThan(RUNS / 2)
}, 600_000)
