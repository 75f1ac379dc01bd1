import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { nameOf, shownState } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { pictureOf, said, within } from '../interactive/pieces'
import { coverStyle, PIECES } from './html'
import type { SwapTile } from './schema'

/** A press hides what lies over the second picture (amp-bind); a pointer does where it is to be by pointer. */
export function swapAmp(tile: SwapTile, c: TileContext): ElementContent[] {
  const [first, second] = [tile.first.picture, tile.second.picture]
  if (!first || !second) return []
  const looks = looksOf(tile, c)
  const state = nameOf(tile).replace(/-/g, '_')
  const open = shownState(tile, c, 0) === 1
  const bare = { role: 'button', tabIndex: 0, ariaLabel: tile.hint || tile.first.alt || 'Show' }
  const pieces =
    tile.how === 'uncover'
      ? Array.from({ length: PIECES.across * PIECES.down }, (_, i) =>
          el('div', {
            ...bare,
            on: `tap:AMP.setState({${state}_${i}:true})`,
            '[hidden]': `${state}_${i}`,
            ...(open ? { hidden: true } : {}),
            style: coverStyle(i, first, c),
          }),
        )
      : [
          el(
            'div',
            {
              className: ['ix-top'],
              style: css({ position: 'absolute', left: 0, top: 0, right: 0 }),
              ...(open ? { hidden: true } : {}),
              '[hidden]': state,
            },
            pictureOf(first, tile.first.alt, c.available, c),
          ),
        ]
  if (tile.how === 'hover') c.rules.custom('', '.ix-b:hover .ix-top', 'opacity:0')
  const press = tile.how === 'uncover' ? {} : { ...bare, on: `tap:AMP.setState({${state}:!${state}})` }
  const hint = tile.hint ? [said('p', tile.hint, looks.small, c, { margin: '8px 0 0' })] : []
  return [
    el('div', { className: ['ix-b'], ...press, style: css({ position: 'relative' }) }, [
      pictureOf(second, tile.second.alt, c.available, c),
      ...pieces,
    ]),
    ...within(tile.link, hint, c),
  ]
}
