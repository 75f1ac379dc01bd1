import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { letters, linkLetters, physical } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import type { HouseStyle, TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { gapAfter } from '../words/html'
import type { FooterTile } from './schema'

/** The letters of a footer: small print, then the tile's own values. */
export const footerStyle = (tile: Pick<FooterTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text.small,
  ...tile.style,
})

/** Sender and address: the tile's own, else the house's. */
export const senderOf = (
  tile: Pick<FooterTile, 'sender' | 'address'>,
  house: HouseStyle['footer'],
): { sender: string; address: string } => ({
  sender: tile.sender ?? house.sender,
  address: tile.address ?? house.address,
})

/** Who sends, why it came, and the ways out, a paragraph each. */
export function footerHtml(tile: FooterTile, c: TileContext): ElementContent[] {
  const s = footerStyle(tile, c.look)
  const { style, names } = letters(s, c)
  const { sender, address } = senderOf(tile, c.style.footer)
  const link = linkLetters(c.look.link, c, tile.style?.color ? { color: tile.style.color } : {})
  const way = (w: { label: string; link: string }) =>
    el(
      'a',
      {
        href: hrefOf(w.link || '#', c.fields),
        target: '_blank',
        className: classes(...link.names),
        style: css(link.style),
      },
      text(replaceFields(w.label, c.fields)),
    )
  const lines: ElementContent[][] = []
  if (sender.trim() || address.trim())
    lines.push([
      ...(sender.trim() ? [el('strong', null, text(replaceFields(sender, c.fields)))] : []),
      ...(sender.trim() && address.trim() ? [el('br', null)] : []),
      ...(address.trim() ? [text(replaceFields(address, c.fields))] : []),
    ])
  if (tile.why.trim()) lines.push([text(replaceFields(tile.why, c.fields))])
  lines.push([way(tile.unsubscribe), ...(tile.preferences ? [text(' \u00a0 '), way(tile.preferences)] : [])])
  return lines.map((children, i) =>
    el(
      'p',
      {
        className: classes(...names),
        style: css({
          margin: i === lines.length - 1 ? '0' : `0 0 ${gapAfter(s, 0)}px`,
          ...style,
          'text-align': physical(tile.align, c),
        }),
      },
      children,
    ),
  )
}
