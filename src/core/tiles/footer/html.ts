import type { ElementContent } from 'hast'
import { isolated } from '../bidi'
import type { TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { lettersHolder, linkElement, type Holder } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import type { HouseStyle, LinkStyle, TextStyle } from '../../email/styles'
import { gapAfter } from '../words/html'
import type { FooterTile } from './schema'

/** The letters of a footer: small print, then the tile's own values. */
export const footerStyle = (tile: Pick<FooterTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text.small,
  ...tile.style,
})

/** The look of its links: they have the ink of its words where that is its own. */
export const footerLink = (tile: Pick<FooterTile, 'style' | 'link'>, look: RoleStyle): LinkStyle => ({
  ...look.link,
  ...(tile.style?.color ? { color: tile.style.color } : {}),
  ...tile.link,
})

/** Sender and address: the tile's own, else the house's. */
export const senderOf = (
  tile: Pick<FooterTile, 'sender' | 'address'>,
  house: HouseStyle['footer'],
): { sender: string; address: string } => ({
  sender: tile.sender ?? house.sender,
  address: tile.address ?? house.address,
})

export const footerHolder = (tile: FooterTile, c: TileContext): Holder =>
  lettersHolder(footerStyle(tile, c.look), tile.align, c)

/** Who sends, why it came, and the ways out, a paragraph each. */
export function footerHtml(tile: FooterTile, c: TileContext): ElementContent[] {
  const s = footerStyle(tile, c.look)
  const { sender, address } = senderOf(tile, c.style.footer)
  const look = footerLink(tile, c.look)
  const way = (w: { label: string; link: string }) =>
    linkElement(hrefOf(w.link || '#', c.fields), isolated(w.label, c), look, c)
  const lines: ElementContent[][] = []
  if (sender.trim() || address.trim())
    lines.push([
      ...(sender.trim() ? [el('b', null, isolated(sender, c))] : []),
      ...(sender.trim() && address.trim() ? [el('br', null)] : []),
      ...(address.trim() ? isolated(address, c) : []),
    ])
  if (tile.why.trim()) lines.push(isolated(tile.why, c))
  lines.push([way(tile.unsubscribe), ...(tile.preferences ? [text(' \u00a0 '), way(tile.preferences)] : [])])
  return lines.map((children, i) =>
    el(
      'p',
      { style: css({ margin: i === lines.length - 1 ? '0' : `0 0 ${tile.space ?? gapAfter(s, 0)}px` }) },
      children,
    ),
  )
}
