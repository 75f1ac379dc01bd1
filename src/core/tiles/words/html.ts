import type { Element, ElementContent } from 'hast'
import { isolated } from '../bidi'
import { classes, type TileContext } from '../context'
import { css, el, text, type Bettered } from '../../html/element'
import { growing, tooSmall } from '../fluid'
import { lettersHolder, linkElement, ownLetters, physical, type Holder } from '../letters'
import { lineHeight } from '../rules'
import { underOnNarrow, wordIndent } from './rules'
import { hrefOf } from '../../text/link'
import type { RoleStyle } from '../../email/cascade'
import { safeFont, type WebFont } from '../../email/fonts'
import {
  listStart,
  markOf,
  narrowSpace,
  ownSpace,
  type Block,
  type Inline,
  type List,
  type Mark,
  type Quote,
} from '../../email/richtext'
import type { TextStyle, TextStyleName } from '../../email/styles'
import { wordsWidth } from '../../email/widths'
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

/** The level whose letters a words tile's cell has: its paragraphs', or the first heading's where it has nothing else. */
const baseLevel = ({ text: { content } }: WordsTile): 0 | 1 | 2 | 3 =>
  content.length && content.every((b) => b.type === 'heading') ? content[0]!.attrs.level : 0

export function wordsHolder(tile: WordsTile, c: TileContext): Holder {
  const own = turned(tile, c)
  const held = lettersHolder(blockStyle(tile, baseLevel(tile), c.look), tile.align, own)
  // Words that run the other way begin where the cell's do not.
  return own.dir === c.dir
    ? held
    : { ...held, style: { ...held.style, 'text-align': physical(tile.align, own) } }
}

const turned = (tile: WordsTile, c: TileContext): TileContext => (tile.dir ? { ...c, dir: tile.dir } : c)

/**
 * Words as paragraphs, headings, lists and quotes in a cell that has the letters of most of them: each says only what differs
 * (`wordsHolder`).
 */
export function wordsHtml(tile: WordsTile, context: TileContext): ElementContent[] {
  const c = turned(tile, context)
  const blocks = tile.text.content.map((b, i) => block(b, tile, c, i === tile.text.content.length - 1))
  return tile.lang || tile.dir ? [el('div', { lang: tile.lang, dir: tile.dir }, blocks)] : blocks
}

/** An empty paragraph keeps the height of its line, as it does where it is written. */
const BLANK = '\u00a0'

const isList = (b: Block): b is List => b.type === 'bulletList' || b.type === 'orderedList'

function block(b: Block, tile: WordsTile, c: TileContext, last: boolean): Element {
  if (isList(b)) return list(b, tile, c, last)
  if (b.type === 'blockquote') return quote(b, tile, c, last)
  const level = b.type === 'heading' ? b.attrs.level : 0
  const s = blockStyle(tile, level, c.look)
  const own = level
    ? headingLetters(s, blockStyle(tile, baseLevel(tile), c.look), c)
    : { style: {}, names: [] }
  const align = b.attrs?.textAlign ?? tile.align
  const onNarrow = last ? undefined : narrowSpace(b)
  return el(
    level ? `h${level}` : 'p',
    {
      className: classes(
        ...own.names,
        onNarrow !== undefined && underOnNarrow(c.rules, onNarrow),
        mixed(b.content ?? []) && c.rules.loose(),
      ),
      style: css({
        margin: last ? '0' : `0 0 ${spaceUnder(b, tile, s)}px`,
        ...own.style,
        'text-align': align !== tile.align && physical(align, c),
      }),
    },
    b.content?.length ? inline(b.content, tile, c) : [text(BLANK)],
  )
}

/** What a heading says of its letters beside what it inherits; readers give it a size and a weight of their own. */
function headingLetters(s: TextStyle, base: TextStyle, c: TileContext): Holder {
  const { style, names } = ownLetters(s, base, c, true)
  // All that the sheet of a web mail's page says of headings is said here, which prevails over it.
  const line = lineHeight(s.line, s.size)
  return { style: { ...style, 'line-height': line, 'font-weight': s.bold ? 'bold' : 'normal' }, names }
}

/** Whether runs of other sizes stand in a line. */
const mixed = (runs: readonly Inline[]): boolean => runs.some((r) => markOf(r, 'textStyle')?.attrs.fontSize)

/** Space after a block that is not the last, in heights of its lines (common practice, no source). */
const AFTER_HEADING = 0.4
const AFTER_PARAGRAPH = 0.7

/** Space after a block that is not the last, px. @param level of the heading; 0 of a paragraph */
export const gapAfter = (s: Pick<TextStyle, 'line'>, level: number): number =>
  Math.round(s.line * (level ? AFTER_HEADING : AFTER_PARAGRAPH))

/** Space under a block of a words tile that is not the last: its own, else the tile's, else by its lines; px. */
export function spaceUnder(b: Block, tile: Pick<WordsTile, 'space'>, s: Pick<TextStyle, 'line'>): number {
  return ownSpace(b) ?? tile.space ?? gapAfter(s, b.type === 'heading' ? b.attrs.level : 0)
}

/** Space under an item of a list, and how far a list stands in, px. */
export const LIST_SPACE = 4,
  LIST_INDENT = 24

/** A reader may set digits in a family that is wider by this (Georgia in DejaVu Sans: 1.22). */
const WIDER_FACE = 1.25

/** How far a list stands in, px: as far as its longest number needs, which else runs out of the window on the side. */
export function listIndent(b: List, s: TextStyle, fonts: readonly WebFont[]): number {
  if (b.type === 'bulletList') return LIST_INDENT
  const ends = [listStart(b), listStart(b) + b.content.length - 1]
  const longest = ends.map((n) => `${n}. `).reduce((a, n) => (n.length > a.length ? n : a))
  const spread = longest.length * (s.spacing ?? 0)
  const said = wordsWidth(longest, safeFont(s.font, fonts), s.size, s)
  return Math.max(LIST_INDENT, Math.ceil(said * WIDER_FACE + spread))
}

/** What stands before items, by how deep the list lies (WHATWG HTML, 15.3.8): a page's sheet may take it away. */
const BULLETS = ['disc', 'circle', 'square'] as const

function list(b: List, tile: WordsTile, c: TileContext, last: boolean, depth = 0): Element {
  const s = blockStyle(tile, 0, c.look)
  const indent = listIndent(b, s, c.style.webFonts)
  const start = listStart(b)
  return el(
    b.type === 'bulletList' ? 'ul' : 'ol',
    {
      start: start === 1 ? undefined : start,
      style: css({
        margin: last ? '0' : `0 0 ${spaceUnder(b, tile, s)}px`,
        padding: c.dir === 'rtl' ? `0 ${indent}px 0 0` : `0 0 0 ${indent}px`,
        'list-style': b.type === 'bulletList' ? BULLETS[Math.min(depth, 2)] : 'decimal',
      }),
    },
    b.content.map((item) =>
      el(
        'li',
        {
          className: classes(indent !== LIST_INDENT && wordIndent(c.rules, indent, c.dir)),
          style: css({ 'margin-bottom': tile.itemSpace ?? LIST_SPACE }),
        },
        item.content.flatMap((inner, i): ElementContent[] =>
          // The first paragraph stands beside the mark; what follows stands beneath it.
          inner.type === 'paragraph'
            ? [...(i ? [el('br', null)] : []), ...inline(inner.content ?? [], tile, c)]
            : [isList(inner) ? list(inner, tile, c, true, depth + 1) : block(inner, tile, c, true)],
        ),
      ),
    ),
  )
}

/**
 * A quote stands in from the side where lines begin, along a line of the link colour. Not a `blockquote`: some readers draw bars
 * of their own on it, fold it away or leave its words out.
 */
function quote(b: Quote, tile: WordsTile, c: TileContext, last: boolean): Element {
  const s = blockStyle(tile, 0, c.look)
  const side = c.dir === 'rtl' ? 'right' : 'left'
  return el(
    'div',
    {
      style: css({
        margin: last ? '0' : `0 0 ${spaceUnder(b, tile, s)}px`,
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
      out.push(...run(runs[i]!, tile, c))
      continue
    }
    const from = i
    while (i + 1 < runs.length && markOf(runs[i + 1]!, 'link')?.attrs.href === href) i++
    const part = runs.slice(from, i + 1)
    const own = part.length === 1 ? markOf(part[0]!, 'textStyle')?.attrs.color : undefined
    const look = { ...c.look.link, ...tile.link, ...(own ? { color: own } : {}) }
    // The link says that ink itself, with that of the night.
    const said = part.flatMap((r) => run(own ? withoutInk(r) : r, tile, c))
    out.push(linkElement(hrefOf(href, c.fields), said, look, c))
  }
  return out
}

/** A run without an ink of its own. */
const withoutInk = (r: Inline): Inline => ({
  ...r,
  marks: r.marks?.map((m) =>
    m.type === 'textStyle' ? { ...m, attrs: { ...m.attrs, color: undefined } } : m,
  ),
})

function run(r: Inline, tile: WordsTile, c: TileContext): ElementContent[] {
  const marks = r.marks ?? []
  const inner = r.type === 'text' ? isolated(r.text, c) : [el('br', null)]
  const ink = blockStyle(tile, 0, c.look).color
  return marks.reduce<ElementContent[]>((content, mark) => wrap(content, mark, ink), inner)
}

/** A size of some words, which grows on phones where it is too small for them. */
function runSize(size: string): string | Bettered {
  const px = Number(/^([\d.]+)px$/.exec(size)?.[1] ?? NaN)
  return tooSmall(px) ? [size, growing(px)] : size
}

/** @param ink of words on a ground of their own: it must not change where the ground does not */
function wrap(inner: ElementContent[], mark: Mark, ink: string): ElementContent[] {
  switch (mark.type) {
    // A page's own sheet seldom says how `b` looks, often how `strong` does.
    case 'bold':
      return [el('b', null, inner)]
    case 'italic':
      return [el('em', null, inner)]
    case 'underline':
      return [el('span', { style: 'text-decoration:underline' }, inner)]
    case 'strike':
      return [el('span', { style: 'text-decoration:line-through' }, inner)]
    // All that a page's sheet says of both is said. A line height of 0 keeps raised and lowered letters from pushing their line apart.
    case 'superscript':
      return [el('sup', { style: 'font-size:70%;line-height:0;vertical-align:super;position:static' }, inner)]
    case 'subscript':
      return [el('sub', { style: 'font-size:70%;line-height:0;vertical-align:sub;position:static' }, inner)]
    case 'language':
      return [el('span', { lang: mark.attrs.lang, dir: mark.attrs.dir ?? undefined }, inner)]
    case 'textStyle': {
      const { color, fontSize, backgroundColor, letterSpacing } = mark.attrs
      const style = css({
        color: color ?? (backgroundColor ? ink : undefined),
        'font-size': fontSize ? runSize(fontSize) : undefined,
        'line-height': fontSize ? '1.35' : undefined,
        'letter-spacing': letterSpacing ?? undefined,
        'background-color': backgroundColor ?? undefined,
      })
      return style ? [el('span', { style }, inner)] : inner
    }
    case 'link':
      return inner
  }
}
