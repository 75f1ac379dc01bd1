import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el } from '../../html/element'
import { physical } from '../letters'
import type { DividerTile } from './schema'

/**
 * A line as the top border of an empty block: it needs no picture and follows the cell's width. An invisible
 * one keeps its room.
 */
export function dividerHtml(tile: DividerTile, c: TileContext): ElementContent[] {
  const align = physical(tile.align ?? 'center', c)
  const short = tile.length !== undefined && tile.length < 100
  return [
    el(
      'div',
      {
        ariaHidden: 'true',
        className: classes(!tile.invisible && tile.nightColor && c.rules.nightEdge(tile.nightColor)),
        style: css({
          width: short && `${tile.length}%`,
          margin: short && (align === 'center' ? '0 auto' : align === 'right' ? '0 0 0 auto' : '0 auto 0 0'),
          ...(tile.invisible
            ? { height: tile.thickness }
            : { 'border-top': `${tile.thickness}px ${tile.line ?? 'solid'} ${tile.color}` }),
          'font-size': 0,
          'line-height': 0,
        }),
      },
      '\u00a0',
    ),
  ]
}
