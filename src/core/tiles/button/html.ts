import type { Element, ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { notWord, wordOnly } from '../../html/nodes'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import { fontFamily, safeFont } from '../../email/fonts'
import { lineWidth } from '../../email/widths'
import type { ButtonStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { hover, tallButton, THUMB, TIGHT, tightButton, wideButton } from './rules'
import type { ButtonTile } from './schema'

/** The style a button ends up with. */
export const buttonStyleOf = (tile: Pick<ButtonTile, 'style' | 'variant'>, look: RoleStyle): ButtonStyle => ({
  ...look.button[tile.variant ?? 'main'],
  ...tile.style,
})

/** Between a button's words and its small picture, px. */
const ICON_GAP = 8

/** Line height of a button's words, px. */
export const buttonLine = (s: Pick<ButtonStyle, 'size'>): number => Math.round(s.size * 1.25)

/** Height of a button of one line, px. */
export const buttonHeight = (s: Pick<ButtonStyle, 'size' | 'padY' | 'borderWidth'>): number =>
  buttonLine(s) + 2 * (s.padY + (s.borderWidth ?? 0))

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
    notWord(
      el(
        'a',
        {
          href,
          target: '_blank',
          className: classes(
            tile.fullNarrow && wideButton(c.rules),
            c.kept && s.padX > TIGHT && tightButton(c.rules),
            buttonHeight(s) < THUMB &&
              tallButton(c.rules, Math.ceil((THUMB - buttonLine(s)) / 2) - (s.borderWidth ?? 0)),
            (s.hoverBackground || s.hoverColor) && hover(c.rules, s.hoverBackground, s.hoverColor),
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
  const gap = after === (c.dir === 'ltr') ? `0 0 0 ${ICON_GAP}px` : `0 ${ICON_GAP}px 0 0`
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

/** The button of the Word engine: a VML shape, whose size has to be known beforehand. */
function vmlButton(tile: ButtonTile, s: ButtonStyle, href: string, label: string, c: TileContext): Element {
  const font = safeFont(s.font, c.style.webFonts)
  const height = buttonHeight(s)
  const shown = s.capitals ? label.toUpperCase() : label
  const icon = tile.icon ? tile.icon.width + ICON_GAP : 0
  const wanted = Math.round(lineWidth(shown, font, s.size, s.bold)) + 2 * s.padX + icon
  const width = Math.round(Math.min(c.available, wanted))
  return el(
    'v:roundrect',
    {
      'xmlns:v': 'urn:schemas-microsoft-com:vml',
      'xmlns:w': 'urn:schemas-microsoft-com:office:word',
      href,
      style: `height:${height}px;v-text-anchor:middle;width:${width}px;`,
      arcsize: `${Math.min(50, Math.round((s.radius / height) * 100))}%`,
      ...(s.borderWidth
        ? { strokeweight: `${s.borderWidth}px`, strokecolor: s.borderColor ?? s.color }
        : { stroked: 'f' }),
      fillcolor: s.background,
    },
    el('w:anchorlock', null),
    el(
      'center',
      {
        style: `color:${s.color};font-family:${font.css};font-size:${s.size}px;font-weight:${s.bold ? 'bold' : 'normal'};`,
      },
      text(shown),
    ),
  )
}
