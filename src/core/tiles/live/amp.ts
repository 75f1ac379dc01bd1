import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import { hrefOf } from '../../text/link'
import type { TileContext } from '../context'
import { isAsked } from '../interactive/answer'
import { looksOf } from '../interactive/looks'
import { said } from '../interactive/pieces'
import { keptRows, rowStyle } from './html'
import type { LiveTile } from './schema'

/** Room that an entry takes at least, px. */
const ENTRY = 84

/** `amp-list` with a template of mustache; the kept lines stand where it fails. */
export function liveAmp(tile: LiveTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  if (!isAsked(tile.address)) return keptRows(tile, looks, c)
  const value = (name: string) => `{{${name}}}`
  const entry = [
    ...(tile.picture
      ? [
          el('amp-img', {
            src: value(tile.picture),
            width: tile.pictureWidth,
            height: tile.pictureHeight,
            alt: tile.title ? value(tile.title) : '',
            style: css({ float: 'left', margin: '0 12px 0 0' }),
          }),
        ]
      : []),
    said('p', [tile.title, tile.price].filter(Boolean).map(value).join(', '), looks.body, c, {
      'font-weight': 'bold',
      margin: '0 0 4px',
    }),
    ...(tile.text ? [said('p', value(tile.text), looks.body, c, { margin: '0 0 4px' })] : []),
    ...(tile.link && tile.label
      ? [
          el(
            'a',
            {
              href: value(tile.link),
              style: css({ color: looks.body.color, 'text-decoration': 'underline' }),
            },
            said('span', tile.label, looks.body, c),
          ),
        ]
      : []),
  ]
  const height =
    Math.max(ENTRY, tile.pictureHeight * (tile.picture ? 1 : 0) + 20) *
    Math.min(tile.most, Math.max(1, tile.rows.length || 3))
  return [
    el(
      'amp-list',
      {
        src: hrefOf(tile.address, c.fields),
        layout: 'fixed-height',
        height,
        items: tile.items || '.',
        'max-items': String(tile.most),
      },
      [
        el(
          'template',
          { type: 'amp-mustache' },
          el('div', { style: `${rowStyle(looks)};overflow:hidden` }, entry),
        ),
        el('div', { fallback: '' }, keptRows(tile, looks, c)),
      ],
    ),
  ]
}
