import type { Element, ElementContent } from 'hast'
import { isolated } from '../bidi'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { notWord, wordOnly } from '../../html/nodes'
import { hrefOf } from '../../text/link'
import { buttonOver, type RoleStyle } from '../../email/cascade'
import { fontFamily, safeFont } from '../../email/fonts'
import { gradientCss, gradientFill } from '../../email/gradient'
import { inkStays, staysAlone } from '../../color/stripped'
import { lineWidth } from '../../email/widths'
import type { ButtonStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { physical } from '../letters'
import { shrinking } from '../fluid'
import { lineHeight } from '../rules'
import { hover, tallButton, THUMB, TIGHT, tightButton, wideButton } from './rules'
import type { ButtonTile } from './schema'

/** The style a button ends up with. */
export const buttonStyleOf = (tile: Pick<ButtonTile, 'style' | 'variant'>, look: RoleStyle): ButtonStyle =>
  buttonOver(look.button[tile.variant ?? 'main'], tile.style)

/** Between a button's words and its small picture, px. */
const ICON_GAP = 8

/** More space beside the words of a button that has the whole width on narrow leaves them too little, px. */
const ROOMY = 60

/** Line height of a button's words, px. */
export const buttonLine = (s: Pick<ButtonStyle, 'size'>): number => Math.round(s.size * 1.25)

/** Height of a button of one line, px. */
export const buttonHeight = (s: Pick<ButtonStyle, 'size' | 'padY' | 'borderWidth'>): number =>
  buttonLine(s) + 2 * (s.padY + (s.borderWidth ?? 0))

/**
 * A button: a link as a padded block in a cell of its ground, so that all of it can be pressed and no reader that
 * repaints links takes the ground away. Its ink stands on its words too, since some readers have an ink of their own for links.
 * The Word engine pads no link: it gets a VML shape of a settled size; on a picture, which is a shape already and may hold none, it gets
 * the cell with the padding.
 */
export function buttonHtml(tile: ButtonTile, c: TileContext): ElementContent[] {
  const s = buttonStyleOf(tile, c.look)
  const href = hrefOf(tile.link || '#', c.fields)
  const label = replaceFields(tile.label, c.fields)
  const onPicture = c.drawn || !!c.ground.picture
  const table = buttonTable(tile, s, pressable(tile, s, href, c), onPicture, c)
  if (onPicture) return [table]
  c.rules.vml()
  return [wordOnly(vmlButton(tile, s, href, label, c)), notWord(table)]
}

/**
 * Whether the ground stands on the words too: a desktop program that drops dark inks at night, and shows its own for links, leaves
 * one that stands on the same element with a ground that carries it (`color/stripped.ts`; seen in Thunderbird 153).
 */
export const carriesInk = (s: ButtonStyle): boolean =>
  // A colour on the words would cut into a gradient.
  !s.gradient && !staysAlone(s.color) && inkStays(s.color, s.background)

/** The link, as large as the button. */
function pressable(tile: ButtonTile, s: ButtonStyle, href: string, c: TileContext): Element {
  const own = carriesInk(s)
  const squeezed = (c.kept && s.padX > TIGHT) || (tile.fullNarrow && s.padX > ROOMY)
  const tall = Math.ceil((THUMB - buttonLine(s)) / 2) - (s.borderWidth ?? 0)
  return el(
    'a',
    {
      href,
      className: classes(
        squeezed && tightButton(c.rules),
        buttonHeight(s) < THUMB && tallButton(c.rules, tall),
      ),
      style: css({
        display: 'block',
        padding: squeezed
          ? [`${s.padY}px ${s.padX}px`, `${s.padY}px ${shrinking(s.padX, TIGHT)}`]
          : `${s.padY}px ${s.padX}px`,
        'font-family': fontFamily(s.font, c.style.webFonts),
        'font-size': s.size,
        'line-height': lineHeight(buttonLine(s), s.size),
        'font-weight': s.bold && 'bold',
        'letter-spacing': s.spacing || undefined,
        'text-transform': s.capitals && 'uppercase',
        color: s.color,
        'text-decoration': 'none',
      }),
    },
    el(
      'span',
      {
        className: classes(
          s.nightColor && c.rules.nightInk(s.nightColor),
          own && s.nightBackground && c.rules.nightGround(s.nightBackground),
        ),
        style: css({
          color: s.color,
          'background-color': own ? s.background : undefined,
          'text-decoration': 'none',
        }),
      },
      withIcon(tile, c),
    ),
  )
}

/** @param padded for the Word engine, which pads the cell in place of the link */
function buttonTable(
  tile: ButtonTile,
  s: ButtonStyle,
  link: Element,
  padded: boolean,
  c: TileContext,
): Element {
  const align = physical(tile.align, c)
  const cell = el(
    'td',
    {
      align: 'center',
      bgColor: s.background,
      className: classes(
        padded && c.rules.word(`pad${s.padY}-${s.padX}`, `padding:${s.padY}px ${s.padX}px`),
        (s.hoverBackground || s.hoverColor) && hover(c.rules, s.hoverBackground, s.hoverColor, carriesInk(s)),
        s.nightBackground && c.rules.nightGround(s.nightBackground),
        s.gradient && c.rules.nightGradient(s.gradient, s.nightBackground),
        s.nightBorder && c.rules.nightEdge(s.nightBorder),
      ),
      style: css({
        'background-color': s.background,
        'background-image': s.gradient && gradientCss(s.gradient),
        border: s.borderWidth ? `${s.borderWidth}px solid ${s.borderColor ?? s.color}` : undefined,
        'border-radius': s.radius || undefined,
      }),
    },
    link,
  )
  return el(
    'table',
    {
      role: 'presentation',
      cellPadding: '0',
      cellSpacing: '0',
      className: classes(tile.fullNarrow && wideButton(c.rules)),
      align: align === 'center' ? 'center' : undefined,
      style: align === 'right' ? 'margin-left:auto' : undefined,
    },
    el('tr', null, cell),
  )
}

/** The words of a button with its small picture, which says nothing that the words do not. */
function withIcon(tile: ButtonTile, c: TileContext): ElementContent[] {
  const { icon } = tile
  const words = isolated(tile.label, c)
  if (!icon) return words
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
      'vertical-align': 'middle',
    }),
  })
  return after ? [...words, img] : [img, ...words]
}

/** The button of the Word engine: a VML shape, whose size has to be known beforehand: as many lines high as its words need. */
function vmlButton(tile: ButtonTile, s: ButtonStyle, href: string, label: string, c: TileContext): Element {
  const font = safeFont(s.font, c.style.webFonts)
  const shown = s.capitals ? label.toUpperCase() : label
  const icon = tile.icon ? tile.icon.width + ICON_GAP : 0
  const said = lineWidth(shown, font, s.size, s.bold) + icon
  const width = Math.round(Math.min(c.available, said + 2 * s.padX))
  const lines = Math.max(1, Math.ceil(said / Math.max(1, width - 2 * s.padX + 1)))
  const height = buttonHeight(s) + (lines - 1) * buttonLine(s)
  return el(
    'v:roundrect',
    {
      href,
      style: `height:${height}px;v-text-anchor:middle;width:${width}px;`,
      arcsize: `${Math.min(50, Math.round((s.radius / height) * 100))}%`,
      ...(s.borderWidth
        ? { strokeweight: `${s.borderWidth}px`, strokecolor: s.borderColor ?? s.color }
        : { stroked: 'f' }),
      fillcolor: s.background,
    },
    ...(s.gradient ? [el('v:fill', gradientFill(s.gradient))] : []),
    el('w:anchorlock', null),
    el(
      'center',
      {
        style: `color:${s.color};font-family:${font.css};font-size:${s.size}px;${s.bold ? 'font-weight:bold;' : ''}`,
      },
      text(shown),
    ),
  )
}
