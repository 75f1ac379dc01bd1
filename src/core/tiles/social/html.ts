import type { ElementContent } from 'hast'
import type { TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { physical } from '../letters'
import { hrefOf } from '../../text/link'
import { replaceFields } from '../../text/fields'
import { addressOf } from './icons'
import type { SocialTile } from './schema'

/** Icons in a row that wraps; each is one press. Half the gap stands on each side of each. */
export function socialHtml(tile: SocialTile, c: TileContext): ElementContent[] {
  const shown = tile.icons.filter((i) => i.picture)
  if (!shown.length) return []
  return [
    el(
      'div',
      { style: css({ 'font-size': 0, 'line-height': tile.size, 'text-align': physical(tile.align, c) }) },
      shown.flatMap((icon, i): ElementContent[] => [
        ...(i ? [text(' ')] : []),
        el(
          'a',
          {
            href: hrefOf(addressOf(icon) || '#', c.fields),
            target: '_blank',
            title: icon.title ? replaceFields(icon.title, c.fields) : undefined,
            style: css({
              display: 'inline-block',
              padding: `0 ${tile.gap / 2}px`,
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
              width: tile.size,
              height: tile.size,
              border: '0',
              'font-family': 'Arial, sans-serif',
              'font-size': '12px',
              color: c.look.link.color,
            }),
          }),
        ),
      ]),
    ),
  ]
}
