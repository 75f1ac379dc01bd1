import type { RoleStyle } from '../../email/cascade'
import type { Ground } from '../../email/ground'
import { plainHolder } from '../letters'
import { defineTile, none, type ColorPair } from '../definition'
import { pairOf } from '../letters'
import { tableHtml, tableStyle } from './html'
import { tableSchema, type TableTile } from './schema'
import { tableText } from './text'

export const table = defineTile<TableTile>({
  kind: 'table',
  schema: tableSchema,
  first: () => ({
    caption: '',
    columns: [{ align: 'left' }, { align: 'right' }],
    rows: [
      ['What', 'How much'],
      ['First row', '1'],
      ['Second row', '2'],
    ],
    headRow: true,
    headColumn: false,
    edge: { width: 1, style: 'solid', color: '#d5d5d5' },
    space: 8,
    compact: 'scroll',
  }),
  holder: plainHolder,
  html: tableHtml,
  states: none,
  text: tableText,
  links: none,
  relinked: () => null,
  words: (tile) => [tile.caption, ...tile.rows.flatMap((r) => r.slice(0, tile.columns.length))],
  pictures: none,
  lacks: (tile) => (tile.rows.some((r) => r.some((s) => s.trim())) ? null : 'Table without words'),
  wordless: () => null,
  pairs: pairsOf,
})

function pairsOf(tile: TableTile, look: RoleStyle, ground: Ground): ColorPair[] {
  const body = pairOf(tableStyle(tile, look), ground)
  // Grounds and inks of the table's own are the same at night.
  const on = (own: string | undefined, ink = body.color): ColorPair => ({
    ...body,
    color: ink,
    ground: own ?? body.ground,
    night: {
      color: ink === body.color ? body.night.color : ink,
      ground: own ?? body.night.ground,
    },
  })
  return [
    body,
    ...(tile.zebra ? [on(tile.zebra)] : []),
    ...tile.columns.flatMap(({ color }) =>
      color ? [on(undefined, color), ...(tile.zebra ? [on(tile.zebra, color)] : [])] : [],
    ),
    ...(tile.headRow || tile.headColumn ? [{ ...on(tile.headBackground, tile.headColor), bold: true }] : []),
  ]
}
