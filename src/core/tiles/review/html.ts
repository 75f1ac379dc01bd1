import type { ElementContent } from 'hast'
import { isolated } from '../bidi'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { lettersHolder, ownLetters, type Holder } from '../letters'
import { lineHeight } from '../rules'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { phrasesOf } from '../../text/phrases'
import type { ReviewTile } from './schema'

/** Space between what was said and who said it, px. */
export const SPACE = 8

/** The letters of what was said: the role's paragraphs, then the tile's own values. */
export const reviewStyle = (tile: Pick<ReviewTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  ...tile.style,
})

/** The letters of who said it. */
export const byStyle = (tile: Pick<ReviewTile, 'style' | 'byStyle'>, look: RoleStyle): TextStyle => {
  const { size, line } = look.text.small
  return tile.byStyle
    ? { ...look.text[look.base], ...tile.byStyle }
    : { ...reviewStyle(tile, look), size, line }
}

/** Stars as letters, which every reader has; read aloud as how many of five. */
export const starsOf = (stars: number): string => '\u2605'.repeat(stars) + '\u2606'.repeat(5 - stars)

export const reviewHolder = (tile: ReviewTile, c: TileContext): Holder =>
  lettersHolder(reviewStyle(tile, c.look), tile.align, c)

/** What somebody said, beneath its stars, and who said it. No `blockquote`: readers draw or hide those in ways of their own. */
export function reviewHtml(tile: ReviewTile, c: TileContext): ElementContent[] {
  const s = reviewStyle(tile, c.look)
  const by = [tile.who, tile.about].map((w) => replaceFields(w, c.fields).trim()).filter(Boolean)
  const stars = (count: number) =>
    el(
      'p',
      {
        role: 'img',
        ariaLabel: phrasesOf(c.lang).stars(count),
        className: classes(tile.nightStarColor && c.rules.nightInk(tile.nightStarColor)),
        style: css({
          margin: '0 0 6px',
          'font-family': 'Arial, sans-serif',
          'font-size': Math.round(s.size * 1.25),
          'line-height': lineHeight(Math.round(s.size * 1.5), Math.round(s.size * 1.25)),
          color: tile.starColor,
        }),
      },
      text(starsOf(count)),
    )
  return [
    ...(tile.stars === null ? [] : [stars(tile.stars)]),
    el(
      'p',
      { style: css({ margin: by.length ? `0 0 ${tile.space ?? SPACE}px` : '0' }) },
      isolated(tile.text, c),
    ),
    ...(by.length ? [sayer(tile, by, c)] : []),
  ]
}

/** Who said it: the name in bold, unless its letters are settled. */
function sayer(tile: ReviewTile, [who, about]: readonly string[], c: TileContext): ElementContent {
  const { style, names } = ownLetters(byStyle(tile, c.look), reviewStyle(tile, c.look), c)
  return el(
    'p',
    { className: classes(...names), style: css({ margin: '0', ...style }) },
    tile.byStyle ? text(who!) : el('b', null, text(who!)),
    about ? text(`, ${about}`) : null,
  )
}
