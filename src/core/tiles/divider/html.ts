import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el } from '../../html/element'
import { physical } from '../letters'
import type { DividerTile } from './schema'

/**
 * A line as the top border of an empty block: it needs no picture and follows the cell's width. A short one is a table, whose width
 * and place the Word engine knows too. An invisible one keeps its room.
 */
export function dividerHtml(tile: DividerTile, c: TileContext): ElementContent[] {
  const align = physical(tile.align ?? 'center', c)
  const short = tile.length !== undefined && tile.length < 100
  const names = classes(!tile.invisible && tile.nightColor && c.rules.nightEdge(tile.nightColor))
  const style = css({
    ...(tile.invisible
      ? { height: tile.thickness }
      : { 'border-top': `${tile.thickness}px ${tile.line ?? 'solid'} ${tile.color}` }),
    'font-size': 0,
    'line-height': 0,
  })
  if (!short) return [el('div', { className: names, style }, '\u00a0')]
  return [
    el(
      'table',
      {
        role: 'presentation',
        cellPadding: '0',
        cellSpacing: '0',
        width: `${tile.length}%`,
        align: align === 'center' ? 'center' : undefined,
        style: align === 'right' ? 'margin-left:auto' : undefined,
      },
      el('tr', null, el('td', { className: names, style }, '\u00a0')),
    ),
  ]
}
