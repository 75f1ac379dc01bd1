import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el } from '../../html/element'
import { physical, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import { lineHeight, NARROW } from '../rules'
import { contrast } from '../../color/contrast'
import { fontFamily } from '../../email/fonts'
import { replaceFields } from '../../text/fields'
import type { PictureTile } from './schema'

/**
 * The width a picture shows at, px: its own or its share of what its cell leaves it, but never more than
 * that.
 */
export const shownWidth = (tile: Pick<PictureTile, 'width' | 'percent'>, available: number): number =>
  tile.percent ? (available * tile.percent) / 100 : Math.min(tile.width, available)

/** Pictures up to this width are never shown smaller, px: nothing is as narrow. */
const SMALL = 160
/** And those that fill their cell up to this one. */
export const MARK = 100

/**
 * A picture as a block, so that no line gap opens under it. The width attribute is for the Word engine, which
 * ignores max-width. One that fills its cell goes on filling it on narrow; a narrower one keeps its width. The height follows the
 * picture; a small one, which never shrinks, has it as an attribute too, so that its place is kept while it is not there. (One
 * that shrinks would be pulled out of shape by it wherever `height:auto` is stripped.)
 */
export function pictureHtml(tile: PictureTile, c: TileContext): ElementContent[] {
  if (!tile.picture) return []
  const width = shownWidth(tile, c.available)
  const align = physical(tile.align, c)
  const { edge, picture } = tile
  const fills = width >= c.available - 1
  const inside = Math.max(1, Math.round(width) - 2 * (edge?.width ?? 0))
  // What is no larger than a mark keeps its size, though its cell grows on narrow.
  const small = !tile.percent && (fills ? width <= MARK && !c.kept : width <= SMALL)
  const alt = replaceFields(tile.alt ?? '', c.fields)
  const said = altLetters(alt, c)
  const img = el('img', {
    src: c.src(picture),
    alt,
    width: inside,
    height: small ? Math.round((inside * picture.height) / picture.width) : undefined,
    className: classes(edge?.nightColor && c.rules.nightEdge(edge.nightColor), ...said.names),
    style: css({
      display: 'block',
      'box-sizing': edge && 'border-box',
      width:
        tile.percent && tile.percent < 100 ? `${tile.percent}%` : small ? undefined : fills ? '100%' : width,
      'max-width': fills || small || tile.percent ? undefined : '100%',
      height: small ? undefined : 'auto',
      margin: fills
        ? undefined
        : align === 'center'
          ? '0 auto'
          : align === 'right'
            ? '0 0 0 auto'
            : undefined,
      border: edge && `${edge.width}px ${edge.style} ${edge.color}`,
      'border-radius': tile.radius || undefined,
      ...said.style,
    }),
  })
  const shown = alternatives(tile, c, img)
  return tile.link.trim()
    ? [el('a', { href: hrefOf(tile.link, c.fields), style: 'text-decoration:none' }, shown)]
    : [shown]
}

/**
 * The letters of an alt text, which is all that is read with pictures off: those of the part's paragraphs, in an ink that can be read on
 * the ground behind, by day and at night.
 */
export function altLetters(alt: string, c: TileContext): Holder {
  if (!alt.trim()) return { style: {}, names: [] }
  const s = c.look.text[c.look.base]
  const ink = inkOn(c.ground.color, s.color)
  const night = inkOn(c.ground.night, s.nightColor ?? ink)
  return {
    style: {
      'font-family': fontFamily(s.font, c.style.webFonts),
      'font-size': s.size,
      'line-height': lineHeight(s.line, s.size),
      color: ink,
    },
    names: [night !== ink && c.rules.nightInk(night)],
  }
}

/** An ink where it can be read on a ground (WCAG 2.2, 1.4.3), else black or white. */
const inkOn = (ground: string, ink: string): string =>
  contrast(ink, ground) >= 4.5 ? ink : contrast('#000000', ground) >= 4.5 ? '#000000' : '#ffffff'

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
