import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el } from '../../html/element'
import { physical } from '../letters'
import { hrefOf } from '../../text/link'
import { NARROW, type Rules } from '../rules'
import { fontStacks } from '../../email/fonts'
import { replaceFields } from '../../text/fields'
import type { PictureTile } from './schema'

/** A picture that fills its column fills the window once columns are stacked. */
const fill = (rules: Rules) => rules.ask('narrow', 'full', 'max-width:100%!important')

/**
 * The width a picture shows at, px: its own or its share of what its cell leaves it, but never more than
 * that.
 */
export const shownWidth = (tile: Pick<PictureTile, 'width' | 'percent'>, available: number): number =>
  tile.percent ? (available * tile.percent) / 100 : Math.min(tile.width, available)

/**
 * A picture as a block, so that no line gap opens under it. The width attribute is for the Word engine, which
 * ignores max-width; the height follows the picture. Alt text takes the surrounding letters, since it is all
 * that is read with pictures off.
 */
export function pictureHtml(tile: PictureTile, c: TileContext): ElementContent[] {
  if (!tile.picture) return []
  const width = shownWidth(tile, c.available)
  const align = physical(tile.align, c)
  const margin = align === 'center' ? '0 auto' : align === 'right' ? '0 0 0 auto' : '0'
  const body = c.look.text.body
  const edge = tile.edge
  // A picture that fills its column fills the window too, once columns are stacked.
  const fills = width >= c.available - 1 && width < c.width && fill(c.rules)
  const img = el('img', {
    src: c.src(tile.picture),
    alt: replaceFields(tile.alt ?? '', c.fields),
    width: Math.max(1, Math.round(width) - 2 * (edge?.width ?? 0)),
    className: classes(fills, edge?.nightColor && c.rules.nightEdge(edge.nightColor)),
    style: css({
      display: 'block',
      'box-sizing': edge && 'border-box',
      width: tile.percent && tile.percent < 100 ? `${tile.percent}%` : '100%',
      'max-width': width,
      height: 'auto',
      margin,
      border: edge ? `${edge.width}px ${edge.style} ${edge.color}` : '0',
      'border-radius': tile.radius || undefined,
      'font-family': fontStacks.sans.css,
      'font-size': body.size,
      'line-height': body.line,
      color: body.color,
    }),
  })
  const shown = alternatives(tile, c, img)
  return tile.link.trim()
    ? [el('a', { href: hrefOf(tile.link, c.fields), target: '_blank', style: 'text-decoration:none' }, shown)]
    : [shown]
}

/**
 * Other pictures for narrow and for night, in a `picture` element: a reader that does not know it shows the
 * one inside, and none is loaded twice.
 */
function alternatives(tile: PictureTile, c: TileContext, img: ElementContent): ElementContent {
  const sources = [
    ...(tile.nightPicture
      ? [el('source', { srcSet: c.src(tile.nightPicture), media: '(prefers-color-scheme:dark)' })]
      : []),
    ...(tile.narrowPicture
      ? [el('source', { srcSet: c.src(tile.narrowPicture), media: `(max-width:${NARROW}px)` })]
      : []),
  ]
  return sources.length ? el('picture', null, sources, img) : img
}
