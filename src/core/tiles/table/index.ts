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
  // A column's own ink gives way at night to that of the table; grounds have their own.
  const on = (own: string | undefined, atNight: string | undefined, ink = body.color): ColorPair => ({
    ...body,
    color: ink,
    ground: own ?? body.ground,
    night: {
      color: tableStyle(tile, look).nightColor ?? ink,
      ground: atNight ?? own ?? body.night.ground,
    },
  })
  const head = on(tile.headBackground, tile.nightHeadBackground, tile.headColor)
  const headNight = tile.nightHeadColor ?? tile.headColor ?? body.night.color
  return [
    body,
    ...(tile.zebra ? [on(tile.zebra, tile.nightZebra)] : []),
    ...tile.columns.flatMap(({ color }) =>
      color
        ? [on(undefined, undefined, color), ...(tile.zebra ? [on(tile.zebra, tile.nightZebra, color)] : [])]
        : [],
    ),
    ...(tile.rowLooks ?? []).flatMap(({ row, background, color, bold, nightBackground, nightColor }) => {
      if (row >= tile.rows.length) return []
      const pair = on(background, nightBackground, color)
      return [
        {
          ...pair,
          night: { ...pair.night, ...(nightColor ? { color: nightColor } : {}) },
          ...(bold ? { bold } : {}),
        },
      ]
    }),
    ...(tile.headRow || tile.headColumn
      ? [{ ...head, night: { ...head.night, color: headNight }, bold: true }]
      : []),
  ]
}
