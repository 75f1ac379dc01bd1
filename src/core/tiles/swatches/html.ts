import type { ElementContent } from 'hast'
import { css, el, type Declarations } from '../../html/element'
import type { TileContext } from '../context'
import { hidden, inputs, labelClasses, liveOr, nameOf, panelClass, shownState } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { heard, nightNames, pictureOf, pressLink, said, within } from '../interactive/pieces'
import type { SwatchesTile } from './schema'

/** How large a swatch is, px. */
const SIZE = 36

export const swatchStyle = (color: string, looks: Looks): Declarations => ({
  display: 'inline-block',
  width: SIZE,
  height: SIZE,
  margin: '4px 12px 8px 4px',
  'border-radius': SIZE / 2,
  border: `1px solid ${looks.edge}`,
  'background-color': color,
  cursor: 'pointer',
})

/** The ring around a chosen swatch. */
export const ring = (looks: Looks): string => `outline:3px solid ${looks.accent};outline-offset:2px`

/** What is shown of one that was chosen. */
export function optionContent(
  { name, shows, price, link }: SwatchesTile['options'][number],
  label: string,
  looks: Looks,
  c: TileContext,
): ElementContent[] {
  const { picture, alt } = shows
  return [
    ...(picture ? within(link, [pictureOf(picture, alt, c.available, c)], c) : []),
    said('p', [name, price].filter(Boolean).join(', '), looks.body, c, {
      'font-weight': 'bold',
      margin: '10px 0',
    }),
    ...pressLink(label, link, looks, c),
  ]
}

export const titleOf = (tile: SwatchesTile, looks: Looks, c: TileContext): ElementContent[] =>
  tile.title ? [said('p', tile.title, looks.body, c, { 'font-weight': 'bold' })] : []

/** Swatches choose what is shown; without that, all kinds stand beneath each other. */
export function swatchesHtml(tile: SwatchesTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const mark = {
    name: `ix-sw-${looks.accent.slice(1)}-`,
    declarations: ring(looks).replace(/(;|$)/g, '!important$1'),
  }
  const live = [
    ...inputs(tile, tile.options.length, { chosen: shownState(tile, c, 0) }),
    el('div', { className: ['ix-b'] }, [
      ...titleOf(tile, looks, c),
      ...tile.options.map((option, i) =>
        el(
          'div',
          { className: [panelClass(c, i)], style: hidden },
          optionContent(option, tile.label, looks, c),
        ),
      ),
      el(
        'div',
        null,
        tile.options.map((option, i) =>
          el(
            'label',
            {
              htmlFor: [`${nameOf(tile)}-${i}`],
              title: option.name,
              className: [...labelClasses(c, i, mark), ...nightNames(looks, c, 'edge')],
              style: css(swatchStyle(option.color, looks)),
            },
            heard(option.name, c),
          ),
        ),
      ),
    ]),
  ]
  return liveOr(c, live, [
    ...titleOf(tile, looks, c),
    ...tile.options.flatMap((option) => optionContent(option, tile.label, looks, c)),
  ])
}
