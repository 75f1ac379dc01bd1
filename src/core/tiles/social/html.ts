import type { ElementContent } from 'hast'
import type { TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { wordOnly } from '../../html/nodes'
import { isPlain, physical, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import { replaceFields } from '../../text/fields'
import { addressOf } from './icons'
import type { SocialTile } from './schema'

/** Letters of size 0, so that icons stand as far apart as is said. */
export const socialHolder = (tile: SocialTile, c: TileContext): Holder => {
  const at = physical(tile.align, c)
  return {
    style: {
      'font-size': 0,
      'line-height': tile.size,
      ...(isPlain(at, c) ? {} : { 'text-align': at }),
    },
    names: [],
  }
}

/** Between icons for the Word engine, which knows no padding of links. */
const wordGap = (px: number): ElementContent =>
  wordOnly(el('span', { style: `font-size:${px * 2}px` }, '\u00a0'))

/** Icons in a row that wraps; each is one press. Half the gap stands on each side of each. */
export const socialHtml = (tile: SocialTile, c: TileContext): ElementContent[] =>
  tile.icons
    .filter((i) => i.picture)
    .flatMap((icon, i): ElementContent[] => [
      ...(i ? [...(tile.gap ? [wordGap(tile.gap)] : []), text(' ')] : []),
      el(
        'a',
        {
          href: hrefOf(addressOf(icon) || '#', c.fields),
          title: icon.title ? replaceFields(icon.title, c.fields) : undefined,
          style: css({
            display: 'inline-block',
            padding: tile.gap ? `0 ${tile.gap / 2}px` : undefined,
            'text-decoration': 'none',
          }),
        },
        el('img', {
          src: c.src(icon.picture!),
          alt: replaceFields(icon.alt, c.fields),
          width: tile.size,
          height: tile.size,
          style: css({
            display: 'block',
            'font-family': 'Arial, sans-serif',
            'font-size': '12px',
            color: c.look.link.color,
          }),
        }),
      ),
    ])
