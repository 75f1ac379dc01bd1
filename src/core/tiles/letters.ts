import { fontFamily } from '../email/fonts'
import type { Ground } from '../email/ground'
import type { Element, ElementContent } from 'hast'
import { css, el, type Declarations } from '../html/element'
import type { LinkStyle, TextStyle } from '../email/styles'
import { classes, type TileContext } from './context'
import type { ColorPair, Holder } from './definition'

export type { Holder } from './definition'
import { growing, tooSmall } from './fluid'
import { lineHeight, Rules } from './rules'

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
      'font-size': tooSmall(s.size) ? [s.size, growing(s.size)] : s.size,
      'line-height': lineHeight(s.line, s.size),
      'font-weight': s.bold && 'bold',
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

/**
 * Letters as a paragraph says them whose cell has others: no more than what differs. Narrow sizes and nights are told by class, so where
 * the cell has such, the value stands by itself.
 * @param sized whether the size is said in any case
 */
export function ownLetters(
  s: TextStyle,
  base: TextStyle,
  c: Pick<TileContext, 'style' | 'rules'>,
  sized = false,
): Holder {
  const own = letters(s, c)
  const inherited = letters(base, { ...c, rules: new Rules() })
  const narrow = base.narrowSize !== undefined || base.narrowLine !== undefined
  const night = s.nightColor !== base.nightColor
  const differs = ([name, value]: [string, Declarations[string]]): boolean =>
    (name === 'font-size' && (sized || narrow)) ||
    (name === 'line-height' && narrow) ||
    (name === 'color' && night) ||
    (value || undefined) !== (inherited.style[name] || undefined)
  const style = Object.fromEntries(Object.entries(own.style).filter(differs))
  // Its ink is inherited where it is the same, at night too.
  const [onNarrow, atNight] = own.names
  const weight = base.bold && !s.bold ? { 'font-weight': 'normal' } : {}
  return {
    style: { ...style, ...weight, ...undone(s, base) },
    names: [onNarrow, 'color' in style && atNight],
  }
}

/** What the cell has and the paragraph has not. */
const undone = (s: TextStyle, base: TextStyle): Declarations => ({
  ...(base.italic && !s.italic ? { 'font-style': 'normal' } : {}),
  ...(base.capitals && !s.capitals ? { 'text-transform': 'none' } : {}),
  ...(base.spacing && !s.spacing ? { 'letter-spacing': 'normal' } : {}),
})

/** Letters of size 0 in the cell around a block with margins of its own, so that white space opens no gap around it. */
export const blockHolder = (): Holder => ({ style: { 'font-size': 0, 'line-height': 0 }, names: [] })

/** Nothing: what stands in the cell says all itself. */
export const plainHolder = (): Holder => ({ style: {}, names: [] })

/** The letters of a text style in the cell; every reader has paragraphs inherit them there. @param align of lines */
export function lettersHolder(
  s: TextStyle,
  align: 'left' | 'center' | 'right',
  c: Pick<TileContext, 'style' | 'rules' | 'dir'>,
): Holder {
  const { style, names } = letters(s, c)
  const at = physical(align, c)
  return { style: { ...style, ...(isPlain(at, c) ? {} : { 'text-align': at }) }, names }
}

/**
 * A link in words. Its ink and its line stand on the words inside too: some readers prevail with their own over those of the link.
 */
export function linkElement(
  href: string,
  said: ElementContent[],
  look: LinkStyle,
  c: Pick<TileContext, 'rules'>,
): Element {
  const { color, bold, underline, nightColor } = look
  const weight = { 'font-weight': bold && 'bold' } as const
  const className = classes(nightColor && c.rules.nightInk(nightColor))
  const line = underline ? 'underline' : 'none'
  return el(
    'a',
    { href, className, style: css({ color, ...weight, 'text-decoration': line }) },
    el('span', { className, style: css({ color, 'text-decoration': underline && line }) }, said),
  )
}

/** "Left" in the document means "where lines begin": on a right-to-left email it is the right. */
export const physical = (align: 'left' | 'center' | 'right', c: { dir: 'ltr' | 'rtl' }) =>
  c.dir === 'ltr' || align === 'center' ? align : align === 'left' ? 'right' : 'left'

/** Whether lines stand there by themselves. From right to left it is said all the same: some reader strips the direction. */
export const isPlain = (at: 'left' | 'center' | 'right', c: { dir: 'ltr' | 'rtl' }): boolean =>
  c.dir === 'ltr' && at === 'left'

/** The pair of colours that words in a text style are read in. @param ground behind them */
export const pairOf = (s: TextStyle, { color, night }: Pick<Ground, 'color' | 'night'>): ColorPair => ({
  color: s.color,
  ground: color,
  night: { color: s.nightColor ?? s.color, ground: night },
  size: s.size,
  bold: s.bold,
})
