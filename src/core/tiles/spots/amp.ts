import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { TileContext } from '../context'
import { nameOf, shownState } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { pictureOf } from '../interactive/pieces'
import { hintOf, spotContent, spotStyle } from './html'
import type { SpotsTile } from './schema'

/** Buttons on the picture set what is said beneath it (amp-bind). */
export function spotsAmp(tile: SpotsTile, c: TileContext): ElementContent[] {
  const { picture, alt } = tile.shows
  if (!picture) return []
  const looks = looksOf(tile, c)
  const state = nameOf(tile).replace(/-/g, '_')
  const open = shownState(tile, c, null)
  return [
    el('div', { style: css({ position: 'relative' }) }, [
      pictureOf(picture, alt, c.available, c),
      ...tile.spots.map((spot, i) =>
        el(
          'div',
          {
            role: 'button',
            tabIndex: 0,
            ariaLabel: spot.title,
            on: `tap:AMP.setState({${state}:${i + 1}})`,
            style: css(spotStyle(spot, looks)),
          },
          text(String(i + 1)),
        ),
      ),
    ]),
    ...hintOf(tile, looks, c),
    ...tile.spots.map((spot, i) =>
      el(
        'div',
        {
          '[hidden]': `${state}!=${i + 1}`,
          ...(open === i ? {} : { hidden: true }),
          style: css({ padding: '8px 0' }),
        },
        spotContent(spot, i, looks, c),
      ),
    ),
  ]
}
