import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, trim } from '../../html/element'
import { inName, type Rules } from '../rules'
import type { GapTile } from './schema'

/** A height of its own on narrow. */
const ownHeight = (rules: Rules, px: number) =>
  rules.ask('narrow', `h${inName(px)}`, `height:${trim(px)}px!important;line-height:${trim(px)}px!important`)

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
          ownHeight(c.rules, tile.narrowHeight),
      ),
      style: css({ height: tile.height, 'line-height': tile.height, 'font-size': '1px' }),
    },
    '\u00a0',
  ),
]
