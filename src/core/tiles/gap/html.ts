import type { ElementContent } from 'hast'
import type { TileContext } from '../context'
import { text, trim } from '../../html/element'
import type { Holder } from '../letters'
import { inName, type Rules } from '../rules'
import type { GapTile } from './schema'

/** A height of its own on narrow. */
const ownHeight = (rules: Rules, px: number) =>
  rules.ask('narrow', `high${inName(px)}`, `line-height:${trim(px)}px!important`)

/** Empty space: a line as high, with letters so small that no reader makes it taller. A height would lie inside its padding for some, and around it for others. */
export const gapHolder = (tile: GapTile, c: TileContext): Holder => ({
  style: { 'font-size': '1px', 'line-height': tile.height },
  names: [
    tile.narrowHeight !== undefined &&
      tile.narrowHeight !== tile.height &&
      ownHeight(c.rules, tile.narrowHeight),
  ],
})

export const gapHtml = (): ElementContent[] => [text('\u00a0')]
