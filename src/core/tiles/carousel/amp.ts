import type { ElementContent } from 'hast'
import { el } from '../../html/element'
import type { TileContext } from '../context'
import { shownState } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { slideOf } from './html'
import type { CarouselTile } from './schema'

/** Room for a caption beneath a slide, px. */
const CAPTION = 40

/** `amp-carousel` of slides, as high as the highest of them. */
export function carouselAmp(tile: CarouselTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const shown = tile.slides.filter((s) => s.shows.picture)
  if (!shown.length) return []
  const width = Math.round(c.available)
  const height =
    Math.max(
      ...shown.map(({ shows: { picture } }) => Math.round((picture!.height * width) / picture!.width)),
    ) + (shown.some((s) => s.caption) ? CAPTION : 0)
  const first = shownState(tile, c, 0) ?? 0
  const turned = [...shown.slice(first), ...shown.slice(0, first)]
  return [
    el(
      'amp-carousel',
      { width, height, layout: 'responsive', type: 'slides', controls: true, loop: true },
      turned.map((s) => el('div', null, slideOf(s, looks, c))),
    ),
  ]
}
