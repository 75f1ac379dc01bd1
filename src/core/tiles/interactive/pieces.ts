import type { Element, ElementContent } from 'hast'
import { sides, type TextStyle } from '../../email/styles'
import { css, el, text, type Declarations } from '../../html/element'
import type { PictureRef } from '../../picture/ref'
import { replaceFields } from '../../text/fields'
import { hrefOf } from '../../text/link'
import { buttonHtml } from '../button/html'
import type { ButtonTile } from '../button/schema'
import { classes, type TileContext } from '../context'
import type { Holder } from '../definition'
import { letters } from '../letters'
import type { Looks } from './looks'

type C = Pick<TileContext, 'style' | 'rules' | 'fields' | 'src'>

/** Words of one style in an element. */
export function said(
  tag: string,
  words: string,
  s: TextStyle,
  c: C,
  more: Declarations = {},
  names: readonly string[] = [],
): Element {
  const own = letters(s, c)
  return el(
    tag,
    {
      className: classes(...own.names, ...names),
      style: css({ ...own.style, ...(tag === 'p' ? { margin: '0 0 10px' } : {}), ...more }),
    },
    text(replaceFields(words, c.fields)),
  )
}

/** A text as paragraphs: an empty line parts them, a line break stays one. */
export function paragraphs(words: string, s: TextStyle, c: C, more: Declarations = {}): Element[] {
  const own = letters(s, c)
  return words
    .split(/\n\s*\n/)
    .map((w) => w.trim())
    .filter(Boolean)
    .map((w) =>
      el(
        'p',
        {
          className: classes(...own.names),
          style: css({ ...own.style, margin: '0 0 10px', ...more }),
        },
        w
          .split('\n')
          .flatMap((line, i): ElementContent[] => [
            ...(i ? [el('br', null)] : []),
            text(replaceFields(line, c.fields)),
          ]),
      ),
    )
}

/** A picture that fills up to a width. @param width px */
export function pictureOf(picture: PictureRef, alt: string | null, width: number, c: C): Element {
  return el('img', {
    src: c.src(picture),
    alt: replaceFields(alt ?? '', c.fields),
    width: Math.round(width),
    style: css({
      display: 'block',
      width: '100%',
      'max-width': Math.round(width),
      height: 'auto',
      border: '0',
    }),
  })
}

/** What an element leads to, where it leads anywhere. */
export const within = (link: string, children: ElementContent[], c: C): ElementContent[] =>
  link.trim()
    ? [el('a', { href: hrefOf(link, c.fields), style: css({ 'text-decoration': 'none' }) }, children)]
    : children

/** How what is pressed looks: filled with the accent, as high as a thumb wants (WCAG 2.2, 2.5.5). */
export const pressStyle = ({ body, accent, onAccent, radius }: Looks): Declarations => ({
  display: 'inline-block',
  padding: '10px 18px',
  'font-size': body.size,
  'line-height': '24px',
  'font-weight': 'bold',
  color: onAccent,
  'background-color': accent,
  border: '0',
  'border-radius': radius || undefined,
  'text-decoration': 'none',
  cursor: 'pointer',
})

/** Classes for an edge, a line and an ink that follow the letters at night. */
export const nightNames = (
  { night }: Looks,
  c: Pick<TileContext, 'rules'>,
  ...of: ('ink' | 'edge' | 'line')[]
): string[] =>
  night ? of.map((k) => (k === 'ink' ? c.rules.nightInk(night.ink) : c.rules.nightEdge(night[k]))) : []

/** A link that is pressed like a button: the button tile's own box, which every reader keeps, and VML for the Word engine. */
export function pressLink(words: string, link: string, looks: Looks, c: TileContext): Element[] {
  if (!words.trim() || !link.trim()) return []
  const tile: ButtonTile = {
    id: '',
    kind: 'button',
    show: 'all',
    padding: sides(0),
    label: words,
    link,
    align: 'left',
    fullNarrow: false,
    style: looks.press,
  }
  return [el('div', { style: css({ margin: '0 0 10px' }) }, buttonHtml(tile, c))]
}

/** A link in a line of words. */
export function textLink(words: string, link: string, s: TextStyle, looks: Looks, c: C): Element {
  const { style, names } = letters(s, c)
  return el(
    'a',
    {
      href: hrefOf(link, c.fields),
      className: classes(...names),
      style: css({ ...style, color: s.color, 'text-decoration': 'underline' }),
    },
    inked(words, { color: s.color, 'text-decoration': 'underline' }, names, c),
  )
}

/** The words of a link with their ink on themselves: some readers have an ink of their own for links (seen in KMail). */
const inked = (words: string, style: Declarations, names: Holder['names'], c: C): Element =>
  el('span', { className: classes(...names), style: css(style) }, text(replaceFields(words, c.fields)))

/** Words that are read aloud and not seen. */
export const heard = (words: string, c: Pick<TileContext, 'fields'>): Element =>
  el(
    'span',
    { style: css({ position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: '0' }) },
    text(replaceFields(words, c.fields)),
  )
