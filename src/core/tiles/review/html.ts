import type { ElementContent } from 'hast'
import type { TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { lettersHolder, type Holder } from '../letters'
import { lineHeight } from '../rules'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { phrasesOf } from '../../text/phrases'
import type { ReviewTile } from './schema'

/** The letters of what was said: the role's paragraphs, then the tile's own values. */
export const reviewStyle = (tile: Pick<ReviewTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  ...tile.style,
})

/** Stars as letters, which every reader has; read aloud as how many of five. */
export const starsOf = (stars: number): string => '\u2605'.repeat(stars) + '\u2606'.repeat(5 - stars)

export const reviewHolder = (tile: ReviewTile, c: TileContext): Holder =>
  lettersHolder(reviewStyle(tile, c.look), tile.align, c)

/** What somebody said, beneath its stars, and who said it. No `blockquote`: readers draw or hide those in ways of their own. */
export function reviewHtml(tile: ReviewTile, c: TileContext): ElementContent[] {
  const s = reviewStyle(tile, c.look)
  const small = c.look.text.small
  const by = [tile.who, tile.about].map((w) => replaceFields(w, c.fields).trim()).filter(Boolean)
  const stars = (count: number) =>
    el(
      'p',
      {
        role: 'img',
        ariaLabel: phrasesOf(c.lang).stars(count),
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
      { style: css({ margin: by.length ? '0 0 8px' : '0' }) },
      text(replaceFields(tile.text, c.fields)),
    ),
    ...(by.length
      ? [
          el(
            'p',
            {
              style: css({
                margin: '0',
                'font-size': small.size,
                'line-height': lineHeight(small.line, small.size),
              }),
            },
            el('strong', null, text(by[0]!)),
            by[1] ? text(`, ${by[1]}`) : null,
          ),
        ]
      : []),
  ]
}
