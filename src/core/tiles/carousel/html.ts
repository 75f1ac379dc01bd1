import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import { replaceFields } from '../../text/fields'
import type { TileContext } from '../context'
import { hidden, inputs, labelClasses, liveOr, nameOf, panelClass, shownState } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { pictureOf, said, within } from '../interactive/pieces'
import type { CarouselTile } from './schema'

/** The size of a picture that a small one is chosen by, px. */
const SMALL = 72

/** A picture with what stands beneath it. */
export function slideOf(
  { shows, caption, link }: CarouselTile['slides'][number],
  looks: Looks,
  c: TileContext,
): ElementContent[] {
  const { picture, alt } = shows
  return [
    ...(picture ? within(link, [pictureOf(picture, alt, c.available, c)], c) : []),
    ...(caption ? within(link, [said('p', caption, looks.small, c, { margin: '6px 0 10px' })], c) : []),
  ]
}

/** Small pictures choose the large one; without that, all stand beneath each other. */
export function carouselHtml(tile: CarouselTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const shown = tile.slides.filter((s) => s.shows.picture)
  if (!shown.length) return []
  const mark = {
    name: `ix-slide-${looks.accent.slice(1)}-`,
    declarations: `outline:3px solid ${looks.accent}!important`,
  }
  const live = [
    ...inputs(tile, shown.length, { chosen: shownState(tile, c, 0) }),
    el('div', { className: ['ix-b'] }, [
      ...shown.map((s, i) =>
        el('div', { className: [panelClass(c, i)], style: hidden }, slideOf(s, looks, c)),
      ),
      el(
        'div',
        { style: css({ padding: '8px 3px 4px' }) },
        shown.map(({ shows }, i) =>
          el(
            'label',
            {
              htmlFor: [`${nameOf(tile)}-${i}`],
              className: labelClasses(c, i, mark),
              style: css({ display: 'inline-block', margin: '0 8px 0 0', cursor: 'pointer' }),
            },
            el('img', {
              src: c.src(shows.picture!),
              alt: replaceFields(shows.alt || `${i + 1}`, c.fields),
              width: SMALL,
              style: css({ display: 'block', width: SMALL, height: 'auto' }),
            }),
          ),
        ),
      ),
    ]),
  ]
  return liveOr(
    c,
    live,
    shown.flatMap((s) => slideOf(s, looks, c)),
  )
}
