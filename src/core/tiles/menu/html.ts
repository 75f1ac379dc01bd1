import type { ElementContent } from 'hast'
import { isolated } from '../bidi'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { wordOnly } from '../../html/nodes'
import { lettersHolder, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import { safeFont } from '../../email/fonts'
import type { TextStyle } from '../../email/styles'
import { lineWidth } from '../../email/widths'
import { replaceFields } from '../../text/fields'
import { lineOfLink, linkOnLine, nearer, noMark } from './rules'
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

/** What all links need to stand in one line, px. */
function roomOf(tile: MenuTile, s: TextStyle, separator: string, c: TileContext): number {
  const font = safeFont(s.font, c.style.webFonts)
  const width = (words: string) =>
    lineWidth(words, font, s.size, s.bold) + [...words].length * (s.spacing ?? 0)
  const links = tile.items.reduce(
    (sum, i) => sum + width(replaceFields(i.label, c.fields)) + 2 * tile.space,
    0,
  )
  return Math.ceil(links + (tile.items.length - 1) * width(`${separator} `))
}

/**
 * A row of links as inline blocks, so that it wraps between links and never inside one. What stands between two goes with
 * the second, and where they do not all stand in one line there is none: it would open a line. That is reckoned without media queries: its greatest
 * width comes to nothing in a cell that is narrower than all links, and to far more than it needs in a wider one.
 */
export function menuHtml(tile: MenuTile, c: TileContext): ElementContent[] {
  const s = menuStyle(tile, c.look)
  const column = tile.compact === 'column'
  const beside = tile.narrowSpace ?? tile.space
  const separator = tile.separator.trim()
  const ink = s.nightColor && c.rules.nightInk(s.nightColor)
  const room = separator ? roomOf(tile, s, separator, c) : 0
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
          'white-space': separator && i ? 'normal' : undefined,
        }),
      },
      // Some readers prevail with an ink of their own for links.
      el('span', { className: classes(ink), style: css({ color: s.color }) }, isolated(item.label, c)),
    )
    if (!i) return [link]
    if (!separator) return [wordGap(), text(' '), link]
    const mark = el(
      'span',
      {
        ariaHidden: 'true',
        className: classes(column && noMark(c.rules)),
        style: css({
          display: 'inline-block',
          padding: '4px 0',
          'max-width': `max(0px,(100% - ${room}px)*999)`,
          overflow: 'hidden',
          'vertical-align': 'top',
        }),
      },
      text(separator),
    )
    // White space between the two would make the mark stand nearer to the one before.
    return [
      wordGap(),
      text(' '),
      el(
        'span',
        { className: classes(column && lineOfLink(c.rules)), style: 'white-space:nowrap' },
        mark,
        wordGap(),
        link,
      ),
    ]
  })
}
