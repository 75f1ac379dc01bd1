import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../../compile/context'
import { css, el } from '../../compile/element'
import { hrefOf } from '../../compile/link'
import { asSample, replaceFields } from '../../handover/fields'
import type { PictureTile } from './schema'

/** The width a picture shows at, px: its own, but never more than its cell leaves it. */
export const shownWidth = (tile: Pick<PictureTile, 'width'>, available: number): number => Math.min(tile.width, available)

/**
 * A picture as a block, so that no line gap opens under it. The width attribute is for the Word engine, which ignores max-width;
 * the height follows the picture. Alt text takes the surrounding letters, since it is all that is read with pictures off.
 */
export function pictureHtml(tile: PictureTile, c: TileContext): ElementContent[] {
  if (!tile.picture) return []
  const width = shownWidth(tile, c.available)
  const margin = tile.align === 'center' ? '0 auto' : tile.align === 'right' ? '0 0 0 auto' : '0'
  const body = c.style.text.body
  // A picture that fills its column fills the window too, once columns are stacked.
  const fills = width >= c.available - 1 && width < c.width && c.rules.add('full', 'max-width:100%!important')
  const img = el('img', {
    src: c.src(tile.picture), alt: replaceFields(tile.alt ?? '', asSample()), width: Math.round(width), className: classes(fills),
    style: css({ display: 'block', width: '100%', 'max-width': width, height: 'auto', margin, border: '0', 'font-family': 'Arial, sans-serif', 'font-size': body.size, 'line-height': body.line, color: body.color }),
  })
  return tile.link.trim() ? [el('a', { href: hrefOf(tile.link, c.fields), target: '_blank', style: 'text-decoration:none' }, img)] : [img]
}

