import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { wordOnly } from '../../html/nodes'
import { lettersHolder, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { linkOnLine, nearer, noMark } from './rules'
import type { MenuTile } from './schema'

/** The letters of a menu: the role's paragraphs in the link colour, then the tile's own values. */
export const menuStyle = (tile: Pick<MenuTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  color: look.link.color,
  nightColor: look.link.nightColor,
  ...tile.style,
})

export const menuHolder = (tile: MenuTile, c: TileContext): Holder =>
  lettersHolder(menuStyle(tile, c.look), tile.align, c)

/** Between links for the Word engine, which knows no padding of them. */
const wordGap = (): ElementContent => wordOnly(text('\u00a0\u00a0'))

/**
 * A row of links as inline blocks, so that it wraps between links and never inside one. What stands between two goes with
 * the second: it never hangs at the end of a line.
 */
export function menuHtml(tile: MenuTile, c: TileContext): ElementContent[] {
  const s = menuStyle(tile, c.look)
  const column = tile.compact === 'column'
  const beside = tile.narrowSpace ?? tile.space
  const separator = tile.separator.trim()
  const ink = s.nightColor && c.rules.nightInk(s.nightColor)
  return tile.items.flatMap((item, i): ElementContent[] => {
    const link = el(
      'a',
      {
        href: hrefOf(item.link || '#', c.fields),
        className: classes(
          ink,
          column ? linkOnLine(c.rules) : beside !== tile.space && nearer(c.rules, beside),
        ),
        style: css({
          display: 'inline-block',
          padding: `4px ${tile.space}px`,
          color: s.color,
          'text-decoration': 'none',
        }),
      },
      // Some readers prevail with an ink of their own for links.
      el(
        'span',
        { className: classes(ink), style: css({ color: s.color }) },
        replaceFields(item.label, c.fields),
      ),
    )
    if (!i) return [link]
    if (!separator) return [wordGap(), text(' '), link]
    const mark = el(
      'span',
      { ariaHidden: 'true', className: classes(column && noMark(c.rules)) },
      text(separator),
    )
    // White space between the two would make the mark stand nearer to the one before.
    return [wordGap(), el('span', { style: 'display:inline-block' }, mark, wordGap(), link)]
  })
}
