import type { Element, ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { letters, linkLetters, physical } from '../letters'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import { markOf, type Block, type Inline, type List, type Mark, type Quote } from '../../email/richtext'
import type { TextStyle, TextStyleName } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import type { WordsTile } from './schema'

/** The text style that a block of a words tile inherits. @param level of a heading; 0 is a paragraph */
export const styleName = (
  tile: Pick<WordsTile, 'base'>,
  level: 0 | 1 | 2 | 3,
  look: RoleStyle,
): TextStyleName => (level === 0 ? (tile.base ?? look.base) : `heading${level}`)

/** The text style a block of a words tile ends up with: text style, then the tile's own values. */
export const blockStyle = (
  tile: Pick<WordsTile, 'style' | 'headings' | 'base'>,
  level: 0 | 1 | 2 | 3,
  look: RoleStyle,
): TextStyle => ({ ...look.text[styleName(tile, level, look)], ...(level ? tile.headings : tile.style) })

/** Words as paragraphs, headings, lists and quotes, every one with its whole style inline. */
export function wordsHtml(tile: WordsTile, context: TileContext): ElementContent[] {
  const c = tile.dir ? { ...context, dir: tile.dir } : context
  const blocks = tile.text.content.map((b, i) => block(b, tile, c, i === tile.text.content.length - 1))
  return tile.lang || tile.dir ? [el('div', { lang: tile.lang, dir: tile.dir }, blocks)] : blocks
}

/** An empty paragraph keeps the height of its line, as it does where it is written. */
const BLANK = '\u00a0'

function block(b: Block, tile: WordsTile, c: TileContext, last: boolean): Element {
  if (b.type === 'bulletList' || b.type === 'orderedList') return list(b, tile, c, last)
  if (b.type === 'blockquote') return quote(b, tile, c, last)
  const level = b.type === 'heading' ? b.attrs.level : 0
  const s = blockStyle(tile, level, c.look)
  const { style, names } = letters(s, c)
  const align = b.attrs?.textAlign ?? tile.align
  return el(
    level ? `h${level}` : 'p',
    {
      className: classes(...names),
      style: css({
        margin: last ? '0' : `0 0 ${gapAfter(s, level)}px`,
        ...style,
        'text-align': physical(align, c),
      }),
    },
    b.content?.length ? inline(b.content, tile, c) : [text(BLANK)],
  )
}

/** Space after a block that is not the last, in heights of its lines (common practice, no source). */
const AFTER_HEADING = 0.4
const AFTER_PARAGRAPH = 0.7

/** Space after a block that is not the last, px. @param level of the heading; 0 of a paragraph */
export const gapAfter = (s: Pick<TextStyle, 'line'>, level: number): number =>
  Math.round(s.line * (level ? AFTER_HEADING : AFTER_PARAGRAPH))

/** Space under an item of a list, and how far a list stands in, px. */
export const LIST_SPACE = 4,
  LIST_INDENT = 24

function list(b: List, tile: WordsTile, c: TileContext, last: boolean): Element {
  const s = blockStyle(tile, 0, c.look)
  const { style, names } = letters(s, c)
  return el(
    b.type === 'bulletList' ? 'ul' : 'ol',
    {
      className: classes(...names),
      style: css({
        margin: last ? '0' : `0 0 ${gapAfter(s, 0)}px`,
        padding: c.dir === 'rtl' ? `0 ${LIST_INDENT}px 0 0` : `0 0 0 ${LIST_INDENT}px`,
        ...style,
        'text-align': physical(tile.align, c),
      }),
    },
    b.content.map((item) =>
      el(
        'li',
        { style: css({ margin: `0 0 ${LIST_SPACE}px` }) },
        item.content.flatMap((inner, i): ElementContent[] =>
          // The first paragraph stands beside the mark; what follows stands beneath it.
          inner.type === 'paragraph'
            ? [...(i ? [el('br', null)] : []), ...inline(inner.content ?? [], tile, c)]
            : [block(inner, tile, c, true)],
        ),
      ),
    ),
  )
}

/** A quote stands in from the side where lines begin, along a line of the link colour. */
function quote(b: Quote, tile: WordsTile, c: TileContext, last: boolean): Element {
  const s = blockStyle(tile, 0, c.look)
  const side = c.dir === 'rtl' ? 'right' : 'left'
  return el(
    'blockquote',
    {
      style: css({
        margin: last ? '0' : `0 0 ${gapAfter(s, 0)}px`,
        padding: c.dir === 'rtl' ? '0 16px 0 0' : '0 0 0 16px',
        [`border-${side}`]: `3px solid ${c.look.link.color}`,
      }),
    },
    b.content.map((inner, i) => block(inner, tile, c, i === b.content.length - 1)),
  )
}

/** Inline runs; neighbouring runs of one link become one link, so that it is one tap target. */
function inline(runs: Inline[], tile: WordsTile, c: TileContext): ElementContent[] {
  const out: ElementContent[] = []
  for (let i = 0; i < runs.length; i++) {
    const href = markOf(runs[i]!, 'link')?.attrs.href
    if (href === undefined) {
      out.push(run(runs[i]!, c))
      continue
    }
    const from = i
    while (i + 1 < runs.length && markOf(runs[i + 1]!, 'link')?.attrs.href === href) i++
    const part = runs.slice(from, i + 1)
    const own = part.length === 1 ? markOf(part[0]!, 'textStyle')?.attrs.color : undefined
    const { style, names } = linkLetters(c.look.link, c, { ...tile.link, ...(own ? { color: own } : {}) })
    out.push(
      el(
        'a',
        { href: hrefOf(href, c.fields), target: '_blank', className: classes(...names), style: css(style) },
        part.map((r) => run(r, c)),
      ),
    )
  }
  return out
}

function run(r: Inline, c: TileContext): ElementContent {
  const marks = r.marks ?? []
  return marks.reduce<ElementContent>(
    wrap,
    r.type === 'text' ? text(replaceFields(r.text, c.fields)) : el('br', null),
  )
}

function wrap(inner: ElementContent, mark: Mark): ElementContent {
  switch (mark.type) {
    case 'bold':
      return el('strong', null, inner)
    case 'italic':
      return el('em', null, inner)
    case 'underline':
      return el('span', { style: 'text-decoration:underline' }, inner)
    case 'strike':
      return el('span', { style: 'text-decoration:line-through' }, inner)
    // A line height of 0 keeps raised and lowered letters from pushing their line apart.
    case 'superscript':
      return el('sup', { style: 'font-size:70%;line-height:0' }, inner)
    case 'subscript':
      return el('sub', { style: 'font-size:70%;line-height:0' }, inner)
    case 'language':
      return el('span', { lang: mark.attrs.lang, dir: mark.attrs.dir ?? undefined }, inner)
    case 'textStyle': {
      const { color, fontSize, backgroundColor, letterSpacing } = mark.attrs
      const style = css({
        color: color ?? undefined,
        'font-size': fontSize ?? undefined,
        'line-height': fontSize ? '1.35' : undefined,
        'letter-spacing': letterSpacing ?? undefined,
        'background-color': backgroundColor ?? undefined,
      })
      return style ? el('span', { style }, inner) : inner
    }
    case 'link':
      return inner
  }
}
