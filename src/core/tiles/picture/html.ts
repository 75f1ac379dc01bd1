import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el } from '../../html/element'
import { physical, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import { lineHeight, NARROW } from '../rules'
import { inkOn } from '../../color/contrast'
import { fontFamily } from '../../email/fonts'
import { countdownAddress } from '../../motion/countdown/address'
import { replaceFields } from '../../text/fields'
import type { PictureRef } from '../../picture/ref'
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

/** A picture that is wider than high and no higher than this is a mark of words, such as a logo, px. */
const LOGO = { width: 240, height: 64 }

const isMark = ({ width, height }: PictureRef, shown: number): boolean =>
  shown <= MARK || (shown <= LOGO.width && (shown * height) / width <= LOGO.height)

/**
 * The greatest height of a picture that fills its cell: WebKit draws one that it may not load as a square of its width (a height attribute beside
 * `height:auto` does not tell it better, nor does `aspect-ratio`; seen in WebKitGTK 2.50). One as wide as the email only shrinks on narrow; one in
 * a column may grow there, to the width of the window at most.
 */
function noTaller(tile: PictureTile, inside: number, c: TileContext): string {
  const { width, height } = tile.picture!
  const edge = 2 * (tile.edge?.width ?? 0)
  const tall = Math.ceil((inside * height) / width) + edge
  const share = Math.ceil((1000 * height) / width) / 10
  return inside > 0.8 * c.width
    ? `min(${tall}px,${share}vw + ${edge + 1}px)`
    : `max(${tall}px,min((${NARROW + 1}px - 100vw)*999,${share}vw + ${edge + 1}px))`
}

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
  const small = !tile.percent && (fills ? isMark(picture, width) && !c.kept : width <= SMALL)
  const alt = replaceFields(tile.alt ?? '', c.fields)
  const said = altLetters(alt, c)
  const img = el('img', {
    src: countdownSrc(tile, c, 'day') ?? c.src(picture),
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
      'max-height': fills && !small && !tile.narrowPicture ? noTaller(tile, inside, c) : undefined,
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
  const shown = inFilm(tile, c, alternatives(tile, c, img), inside)
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

/**
 * Other pictures for less motion, for narrow and for night, in a `picture` element: a reader that does not know it shows the
 * one inside, and none is loaded twice. The first that holds is shown, so whoever asks for less motion gets it at night too.
 */
function alternatives(tile: PictureTile, c: TileContext, img: ElementContent): ElementContent {
  const night = tile.nightPicture ? c.src(tile.nightPicture) : countdownSrc(tile, c, 'night')
  const still = tile.stillPicture ?? (countdownSrc(tile, c, 'day') ? tile.picture : undefined)
  const sources = [
    ...(still ? [el('source', { srcSet: c.src(still), media: '(prefers-reduced-motion:reduce)' })] : []),
    ...(night ? [el('source', { srcSet: night, media: '(prefers-color-scheme:dark)' })] : []),
    ...(tile.narrowPicture
      ? [el('source', { srcSet: c.src(tile.narrowPicture), media: `(max-width:${NARROW}px)` })]
      : []),
  ]
  return sources.length ? el('picture', null, sources, img) : img
}

/** The address of a countdown, which answers with the time that is left; null where the tile is none, or nobody answers. */
function countdownSrc({ motion, width }: PictureTile, c: TileContext, at: 'day' | 'night'): string | null {
  if (motion?.made.kind !== 'countdown') return null
  const { made, height, density } = motion
  const server = c.countdowns ?? made.server.trim()
  const colors = at === 'day' ? made.colors : made.night
  if (!server || !colors) return null
  const query = countdownAddress(made, colors, { width, height, density })
  return replaceFields(`${server}${server.includes('?') ? '&' : '?'}${query}`, c.fields)
}

/**
 * The film itself around its moving picture, for readers that play films; the others show what is in it. Without a link it can be stopped and
 * started; with one a press follows the link, so it has no buttons of its own (WHATWG HTML, 4.5.1: nothing interactive in a link).
 */
function inFilm(tile: PictureTile, c: TileContext, shown: ElementContent, width: number): ElementContent {
  const made = tile.motion?.made
  if (made?.kind !== 'film' || !/^https:\/\//i.test(made.address.trim()) || !tile.picture) return shown
  const linked = tile.link.trim() !== ''
  return el(
    'video',
    {
      width,
      poster: c.src(tile.picture),
      controls: !linked,
      autoPlay: linked,
      muted: true,
      loop: linked,
      playsInline: true,
      style: css({ display: 'block', width: '100%', 'max-width': width, height: 'auto' }),
    },
    el('source', {
      src: made.address.trim(),
      type: made.film.type === 'video/webm' ? 'video/webm' : 'video/mp4',
    }),
    shown,
  )
}
