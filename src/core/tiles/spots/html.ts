import type { Element, ElementContent } from 'hast'
import { css, el, text, type Declarations } from '../../html/element'
import type { TileContext } from '../context'
import { hidden, inputs, labelClasses, liveOr, nameOf, panelClass, shownState } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { paragraphs, pictureOf, pressLink, said } from '../interactive/pieces'
import type { SpotsTile } from './schema'

/** How large a spot is, px (WCAG 2.2, 2.5.8 wants 24). */
const SIZE = 32

/** A number on a disc of the accent, at its place on the picture. */
export const spotStyle = ({ x, y }: SpotsTile['spots'][number], looks: Looks): Declarations => ({
  position: 'absolute',
  left: `${Math.round(x * 1000) / 10}%`,
  top: `${Math.round(y * 1000) / 10}%`,
  width: SIZE,
  height: SIZE,
  margin: `-${SIZE / 2}px 0 0 -${SIZE / 2}px`,
  'border-radius': SIZE / 2,
  'background-color': looks.accent,
  color: looks.onAccent,
  'font-family': 'Arial, sans-serif',
  'font-size': 15,
  'font-weight': 'bold',
  'line-height': `${SIZE}px`,
  'text-align': 'center',
  cursor: 'pointer',
})

/** What a spot says. */
export function spotContent(
  spot: SpotsTile['spots'][number],
  i: number,
  looks: Looks,
  c: TileContext,
): ElementContent[] {
  return [
    said('p', `${i + 1}. ${spot.title}`, looks.body, c, { 'font-weight': 'bold', margin: '0 0 4px' }),
    ...paragraphs(spot.text, looks.body, c),
    ...pressLink(spot.title, spot.link, looks, c),
  ]
}

export const hintOf = (tile: SpotsTile, looks: Looks, c: TileContext): Element[] =>
  tile.hint ? [said('p', tile.hint, looks.small, c, { margin: '8px 0' })] : []

/** Spots choose what is said beneath the picture; without that, all of it stands there, numbered. */
export function spotsHtml(tile: SpotsTile, c: TileContext): ElementContent[] {
  const { picture, alt } = tile.shows
  if (!picture) return []
  const looks = looksOf(tile, c)
  const shownPicture = pictureOf(picture, alt, c.available, c)
  const mark = { name: 'ix-spot-', declarations: 'outline:3px solid #ffffff!important' }
  const live = [
    ...inputs(tile, tile.spots.length, { chosen: shownState(tile, c, null) }),
    el('div', { className: ['ix-b'] }, [
      el('div', { style: css({ position: 'relative' }) }, [
        shownPicture,
        ...tile.spots.map((spot, i) =>
          el(
            'label',
            {
              htmlFor: [`${nameOf(tile)}-${i}`],
              title: spot.title,
              className: labelClasses(c, i, mark),
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
          { className: [panelClass(c, i)], style: `${hidden};padding:8px 0` },
          spotContent(spot, i, looks, c),
        ),
      ),
    ]),
  ]
  const still = [
    shownPicture,
    el(
      'div',
      { style: css({ padding: '10px 0 0' }) },
      tile.spots.flatMap((spot, i) => spotContent(spot, i, looks, c)),
    ),
  ]
  return tile.spots.length ? liveOr(c, live, still) : [shownPicture]
}
