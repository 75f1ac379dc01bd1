import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { letters, physical } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { linkOnLine, noMark } from './rules'
import type { MenuTile } from './schema'

/** The letters of a menu: the role's paragraphs in the link colour, then the tile's own values. */
export const menuStyle = (tile: Pick<MenuTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  color: look.link.color,
  nightColor: look.link.nightColor,
  ...tile.style,
})

/** A row of links as inline blocks, so that it wraps between links and never inside one. */
export function menuHtml(tile: MenuTile, c: TileContext): ElementContent[] {
  const { style, names } = letters(menuStyle(tile, c.look), c)
  const column = tile.compact === 'column'
  const children = tile.items.flatMap((item, i): ElementContent[] => {
    const link = el(
      'a',
      {
        href: hrefOf(item.link || '#', c.fields),
        target: '_blank',
        className: classes(...names, column && linkOnLine(c.rules)),
        style: css({
          display: 'inline-block',
          padding: `4px ${tile.space}px`,
          ...style,
          'text-decoration': 'none',
        }),
      },
      text(replaceFields(item.label, c.fields)),
    )
    const mark =
      i && tile.separator.trim()
        ? [
            el(
              'span',
              {
                ariaHidden: 'true',
                className: classes(column && noMark(c.rules)),
                style: css({ color: style.color as string }),
              },
              text(tile.separator),
            ),
          ]
        : []
    // White space between inline blocks is where the row may wrap.
    return [...mark, ...(i ? [text(' ')] : []), link]
  })
  return [
    el(
      'div',
      {
        style: css({
          'font-family': style['font-family'],
          'font-size': style['font-size'],
          'line-height': style['line-height'],
          'text-align': physical(tile.align, c),
        }),
      },
      children,
    ),
  ]
}
