import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { letters, physical } from '../letters'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import type { ReviewTile } from './schema'

/** The letters of what was said: the role's paragraphs, then the tile's own values. */
export const reviewStyle = (tile: Pick<ReviewTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  ...tile.style,
})

/** Stars as letters, which every reader has; read aloud as how many of five. */
export const starsOf = (stars: number): string => '\u2605'.repeat(stars) + '\u2606'.repeat(5 - stars)

/** What somebody said, beneath its stars, and who said it. */
export function reviewHtml(tile: ReviewTile, c: TileContext): ElementContent[] {
  const s = reviewStyle(tile, c.look)
  const { style, names } = letters(s, c)
  const align = physical(tile.align, c)
  const small = letters({ ...c.look.text.small, color: s.color, nightColor: s.nightColor }, c)
  const by = [tile.who, tile.about].map((w) => replaceFields(w, c.fields).trim()).filter(Boolean)
  return [
    ...(tile.stars === null
      ? []
      : [
          el(
            'div',
            {
              role: 'img',
              ariaLabel: `${tile.stars} of 5 stars`,
              style: css({
                margin: '0 0 6px',
                'font-family': 'Arial, sans-serif',
                'font-size': Math.round(s.size * 1.25),
                'line-height': Math.round(s.size * 1.5),
                color: tile.starColor,
                'text-align': align,
              }),
            },
            text(starsOf(tile.stars)),
          ),
        ]),
    el(
      'blockquote',
      {
        className: classes(...names),
        style: css({ margin: by.length ? '0 0 8px' : '0', padding: '0', ...style, 'text-align': align }),
      },
      text(replaceFields(tile.text, c.fields)),
    ),
    ...(by.length
      ? [
          el(
            'p',
            {
              className: classes(...small.names),
              style: css({ margin: '0', ...small.style, 'text-align': align }),
            },
            el('strong', null, text(by[0]!)),
            by[1] ? text(`, ${by[1]}`) : null,
          ),
        ]
      : []),
  ]
}
