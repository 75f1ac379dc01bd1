import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import { classes, type TileContext } from '../context'
import { looksOf, type Looks } from '../interactive/looks'
import { nightNames, paragraphs, pressLink, said, textLink } from '../interactive/pieces'
import type { LiveTile } from './schema'

export const rowStyle = (looks: Looks): string =>
  css({ padding: '10px 0', 'border-top': `1px solid ${looks.line}` })

function rowOf(row: LiveTile['rows'][number], tile: LiveTile, looks: Looks, c: TileContext): ElementContent {
  return el('div', { className: classes(...nightNames(looks, c, 'line')), style: rowStyle(looks) }, [
    said('p', [row.title, row.price].filter(Boolean).join(', '), looks.body, c, {
      'font-weight': 'bold',
      margin: '0 0 4px',
    }),
    ...paragraphs(row.text, looks.body, c, { margin: '0 0 4px' }),
    ...(row.link && tile.label
      ? [el('p', { style: css({ margin: '0' }) }, textLink(tile.label, row.link, looks.body, looks, c))]
      : []),
  ])
}

/** The list as it was last fetched, for readers that fetch nothing. */
export function keptRows(tile: LiveTile, looks: Looks, c: TileContext): ElementContent[] {
  return [
    ...tile.rows.slice(0, tile.most).map((row) => rowOf(row, tile, looks, c)),
    ...pressLink(tile.more, tile.page, looks, c),
  ]
}

export const liveHtml = (tile: LiveTile, c: TileContext): ElementContent[] =>
  keptRows(tile, looksOf(tile, c), c)
