import type { ElementContent } from 'hast'
import { css, el } from '../../compile/element'
import type { DividerTile } from './schema'

/** A line as the top border of an empty block: it needs no picture and follows the cell's width. */
export const dividerHtml = (tile: DividerTile): ElementContent[] => [
  el('div', { ariaHidden: 'true', style: css({ 'border-top': `${tile.thickness}px solid ${tile.color}`, 'font-size': 0, 'line-height': 0 }) }, '\u00a0'),
]
