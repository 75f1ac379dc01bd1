import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../../compile/context'
import { css, el } from '../../compile/element'
import type { GapTile } from './schema'

/**
 * Empty space: a block whose height, line height and letter size agree, so that no reader makes it taller.
 */
export const gapHtml = (tile: GapTile, c: TileContext): ElementContent[] => [
  el(
    'div',
    {
      ariaHidden: 'true',
      className: classes(
        tile.narrowHeight !== undefined &&
          tile.narrowHeight !== tile.height &&
          c.rules.height(tile.narrowHeight),
      ),
      style: css({ height: tile.height, 'line-height': tile.height, 'font-size': '1px' }),
    },
    '\u00a0',
  ),
]
