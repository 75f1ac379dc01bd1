import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../../compile/context'
import { attr, css, el, notWord, text, wordOnly } from '../../compile/element'
import { hrefOf } from '../../compile/link'
import { fontStacks, type ButtonStyle } from '../../email/styles'
import { replaceFields } from '../../handover/fields'
import type { ButtonTile } from './schema'

/** The style a button ends up with. */
export const buttonStyleOf = (tile: Pick<ButtonTile, 'style'>, c: Pick<TileContext, 'style'>): ButtonStyle => ({ ...c.style.button, ...tile.style })

/** Line height of a button's words, px. */
export const buttonLine = (s: Pick<ButtonStyle, 'size'>): number => Math.round(s.size * 1.25)

/**
 * A button that is a link in a padded box. The Word engine pads no inline link, so it gets a VML rounded box of a settled size
 * instead; every other reader gets the link.
 */
export function buttonHtml(tile: ButtonTile, c: TileContext): ElementContent[] {
  const s = buttonStyleOf(tile, c)
  const href = hrefOf(tile.link || '#', c.fields)
  const label = replaceFields(tile.label, c.fields)
  const height = buttonLine(s) + 2 * s.padY
  const width = Math.min(c.available, Math.round(estimateWidth(label, s.size, s.bold)) + 2 * s.padX)
  const arc = Math.min(50, Math.round((s.radius / height) * 100))
  const vml =
    `<v:roundrect xmlns:v="urn:schemas-microsoft-com:vml" xmlns:w="urn:schemas-microsoft-com:office:word" href="${attr(href)}" style="height:${height}px;v-text-anchor:middle;width:${width}px;" arcsize="${arc}%" stroked="f" fillcolor="${s.background}">` +
    `<w:anchorlock/><center style="color:${s.color};font-family:${attr(fontStacks[s.font])};font-size:${s.size}px;font-weight:${s.bold ? 'bold' : 'normal'};">${attr(label)}</center></v:roundrect>`
  const full = tile.fullNarrow && c.rules.add('btn', 'display:block!important;text-align:center!important')
  return [wordOnly(vml), ...notWord(el('a', {
    href, target: '_blank', className: classes(full),
    style: css({
      display: 'inline-block', padding: `${s.padY}px ${s.padX}px`, background: s.background, 'border-radius': s.radius || undefined, 'font-family': fontStacks[s.font], 'font-size': s.size,
      'line-height': buttonLine(s), 'font-weight': s.bold ? 'bold' : 'normal', color: s.color, 'text-decoration': 'none',
    }),
  }, text(label)))]
}

/** A button's words in px, from mean letter widths of the email-safe fonts (measured: 0.5 em plain, 0.55 em bold). */
const estimateWidth = (label: string, size: number, bold: boolean): number => [...label].length * size * (bold ? 0.56 : 0.51)
