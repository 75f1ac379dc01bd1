import type { ElementContent } from 'hast'
import { classes, type TileContext } from '../../compile/context'
import { attr, css, el, notWord, text, wordOnly } from '../../compile/element'
import { hrefOf } from '../../compile/link'
import type { RoleStyle } from '../../email/cascade'
import { fontFamily, safeFont } from '../../email/fonts'
import { lineWidth } from '../../email/widths'
import type { ButtonStyle } from '../../email/styles'
import { replaceFields } from '../../handover/fields'
import type { ButtonTile } from './schema'

/** The style a button ends up with. */
export const buttonStyleOf = (tile: Pick<ButtonTile, 'style' | 'variant'>, look: RoleStyle): ButtonStyle => ({
  ...look.button[tile.variant ?? 'main'],
  ...tile.style,
})

/** Line height of a button's words, px. */
export const buttonLine = (s: Pick<ButtonStyle, 'size'>): number => Math.round(s.size * 1.25)

/** Height of a button of one line, px. */
export const buttonHeight = (s: Pick<ButtonStyle, 'size' | 'padY' | 'borderWidth'>): number =>
  buttonLine(s) + 2 * (s.padY + (s.borderWidth ?? 0))

/** The least height of what a thumb presses, px (WCAG 2.2, 2.5.5). */
export const THUMB = 44

/**
 * A button that is a link in a padded box. The Word engine pads no inline link, so it gets a VML rounded box
 * of a settled size instead; every other reader gets the link.
 */
export function buttonHtml(tile: ButtonTile, c: TileContext): ElementContent[] {
  const s = buttonStyleOf(tile, c.look)
  const href = hrefOf(tile.link || '#', c.fields)
  const label = replaceFields(tile.label, c.fields)
  return [
    wordOnly(vmlButton(tile, s, href, label, c)),
    ...notWord(
      el(
        'a',
        {
          href,
          target: '_blank',
          className: classes(
            tile.fullNarrow && c.rules.wideButton(),
            c.kept && s.padX > 6 && c.rules.tightButton(),
            buttonHeight(s) < THUMB &&
              c.rules.tallButton(Math.ceil((THUMB - buttonLine(s)) / 2) - (s.borderWidth ?? 0)),
            (s.hoverBackground || s.hoverColor) && c.rules.hover(s.hoverBackground, s.hoverColor),
            s.nightBackground && c.rules.nightGround(s.nightBackground),
            s.nightColor && c.rules.nightInk(s.nightColor),
            s.nightBorder && c.rules.nightEdge(s.nightBorder),
          ),
          style: css({
            display: 'inline-block',
            padding: `${s.padY}px ${s.padX}px`,
            'background-color': s.background,
            border: s.borderWidth ? `${s.borderWidth}px solid ${s.borderColor ?? s.color}` : undefined,
            'border-radius': s.radius || undefined,
            'font-family': fontFamily(s.font, c.style.webFonts),
            'font-size': s.size,
            'line-height': buttonLine(s),
            'font-weight': s.bold ? 'bold' : 'normal',
            'letter-spacing': s.spacing || undefined,
            'text-transform': s.capitals && 'uppercase',
            color: s.color,
            'text-decoration': 'none',
            'text-align': 'center',
          }),
        },
        withIcon(tile, label, c),
      ),
    ),
  ]
}

/** The words of a button with its small picture, which says nothing that the words do not. */
function withIcon({ icon }: ButtonTile, label: string, c: TileContext): ElementContent[] {
  if (!icon) return [text(label)]
  const after = icon.side === 'after'
  const gap = after === (c.dir === 'ltr') ? '0 0 0 8px' : '0 8px 0 0'
  const img = el('img', {
    src: c.src(icon.picture),
    alt: '',
    width: icon.width,
    style: css({
      display: 'inline-block',
      width: icon.width,
      height: 'auto',
      margin: gap,
      border: '0',
      'vertical-align': 'middle',
    }),
  })
  return after ? [text(label), img] : [img, text(label)]
}

function vmlButton(tile: ButtonTile, s: ButtonStyle, href: string, label: string, c: TileContext): string {
  const font = safeFont(s.font, c.style.webFonts)
  const height = buttonHeight(s)
  const shown = s.capitals ? label.toUpperCase() : label
  const width = Math.min(
    c.available,
    Math.round(lineWidth(shown, font, s.size, s.bold)) + 2 * s.padX + (tile.icon ? tile.icon.width + 8 : 0),
  )
  const edge = s.borderWidth
    ? `strokeweight="${s.borderWidth}px" strokecolor="${s.borderColor ?? s.color}"`
    : 'stroked="f"'
  return (
    `<v:roundrect xmlns:v="urn:schemas-microsoft-com:vml" xmlns:w="urn:schemas-microsoft-com:office:word" href="${attr(href)}" style="height:${height}px;v-text-anchor:middle;width:${Math.round(width)}px;" arcsize="${Math.min(50, Math.round((s.radius / height) * 100))}%" ${edge} fillcolor="${s.background}">` +
    `<w:anchorlock></w:anchorlock><center style="color:${s.color};font-family:${attr(font.css)};font-size:${s.size}px;font-weight:${s.bold ? 'bold' : 'normal'};">${attr(shown)}</center></v:roundrect>`
  )
}
