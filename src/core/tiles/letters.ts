import { fontFamily } from '../email/fonts'
import type { Declarations } from '../html/element'
import type { LinkStyle, TextStyle } from '../email/styles'
import type { TileContext } from './context'
import type { ColorPair } from './definition'

/** How a text style is written into an element, and the classes for what differs on narrow and at night. */
export function letters(
  s: TextStyle,
  c: Pick<TileContext, 'style' | 'rules'>,
): { style: Declarations; names: (string | undefined | false)[] } {
  const narrow =
    (s.narrowSize !== undefined && s.narrowSize !== s.size) ||
    (s.narrowLine !== undefined && s.narrowLine !== s.line)
  const size = s.narrowSize ?? s.size
  return {
    style: {
      'font-family': fontFamily(s.font, c.style.webFonts),
      'font-size': s.size,
      'line-height': s.line,
      'font-weight': s.bold ? 'bold' : 'normal',
      'font-style': s.italic && 'italic',
      'letter-spacing': s.spacing || undefined,
      'text-transform': s.capitals && 'uppercase',
      color: s.color,
    },
    names: [
      narrow && c.rules.letters(size, s.narrowLine ?? Math.round((s.line / s.size) * size)),
      s.nightColor && c.rules.nightInk(s.nightColor),
    ],
  }
}

/** How a link is written into its element. @param over what prevails over its style */
export function linkLetters(
  s: LinkStyle,
  c: Pick<TileContext, 'rules'>,
  over: Partial<LinkStyle> = {},
): { style: Declarations; names: (string | undefined | false)[] } {
  const l = { ...s, ...over }
  return {
    style: {
      color: l.color,
      'font-weight': l.bold ? 'bold' : undefined,
      'text-decoration': l.underline ? 'underline' : 'none',
    },
    names: [l.nightColor && c.rules.nightInk(l.nightColor)],
  }
}

/** "Left" in the document means "where lines begin": on a right-to-left email it is the right. */
export const physical = (align: 'left' | 'center' | 'right', c: { dir: 'ltr' | 'rtl' }) =>
  c.dir === 'ltr' || align === 'center' ? align : align === 'left' ? 'right' : 'left'

/** The pair of colours that words in a text style are read in. @param ground behind them */
export const pairOf = (s: TextStyle, ground: string): ColorPair => ({
  color: s.color,
  ground,
  size: s.size,
  bold: s.bold,
})
