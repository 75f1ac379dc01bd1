import type { Element, ElementContent } from 'hast'
import { css, el, text } from '../../compile/element'
import type { TileContext } from '../../compile/context'
import { hrefOf } from '../../compile/link'
import { markOf, type Block, type Inline, type List, type Mark } from '../../email/richtext'
import { fontStacks, type TextStyle } from '../../email/styles'
import { replaceFields } from '../../handover/fields'
import type { WordsTile } from './schema'

/** The text style a block of a words tile ends up with: text style, then the tile's own values. */
export function blockStyle(tile: Pick<WordsTile, 'style' | 'headings' | 'base'>, level: 0 | 1 | 2 | 3, c: Pick<TileContext, 'style' | 'role'>): TextStyle {
  const base = tile.base ?? (c.role === 'footer' || c.role === 'notice' ? 'small' : 'body')
  return { ...c.style.text[level === 0 ? base : (`heading${level}` as const)], ...(level ? tile.headings : tile.style) }
}

/** Words as paragraphs, headings and lists, every one with its whole style inline. */
export function wordsHtml(tile: WordsTile, c: TileContext): ElementContent[] {
  return tile.text.content.map((b, i) => block(b, tile, c, i === tile.text.content.length - 1))
}

function block(b: Block, tile: WordsTile, c: TileContext, last: boolean): Element {
  if (b.type === 'bulletList' || b.type === 'orderedList') return list(b, tile, c, last)
  const level = b.type === 'heading' ? b.attrs.level : 0
  const s = blockStyle(tile, level, c)
  const align = b.attrs?.textAlign ?? tile.align
  return el(level ? `h${level}` : 'p', { style: css({ margin: last ? '0' : `0 0 ${gapAfter(s, level)}px`, ...letters(s), 'text-align': physical(align, c) }) }, inline(b.content ?? [], c))
}

/** Space after a block that is not the last: half a line after a heading, three quarters after a paragraph. */
const gapAfter = (s: TextStyle, level: number): number => Math.round(s.line * (level ? 0.4 : 0.7))

const letters = (s: TextStyle) => ({
  'font-family': fontStacks[s.font], 'font-size': s.size, 'line-height': s.line, 'font-weight': s.bold ? 'bold' : 'normal', color: s.color,
})

/** "Left" in the document means "start": on a right-to-left email it is the right. */
export const physical = (align: 'left' | 'center' | 'right', c: { dir: 'ltr' | 'rtl' }) => (c.dir === 'ltr' || align === 'center' ? align : align === 'left' ? 'right' : 'left')

function list(b: List, tile: WordsTile, c: TileContext, last: boolean): Element {
  const s = blockStyle(tile, 0, c)
  const side = c.dir === 'rtl' ? 'padding-right' : 'padding-left'
  return el(b.type === 'bulletList' ? 'ul' : 'ol', { style: css({ margin: last ? '0' : `0 0 ${gapAfter(s, 0)}px`, padding: '0', [side]: 24, ...letters(s), 'text-align': physical(tile.align, c) }) },
    b.content.map((item) => el('li', { style: css({ margin: '0 0 4px' }) }, item.content.flatMap((inner, i): ElementContent[] =>
      inner.type === 'paragraph' ? [...(i ? [el('br', null)] : []), ...inline(inner.content ?? [], c)] : [list(inner, tile, c, true)]))))
}

/** Inline runs; neighbouring runs of one link become one link, so that it is one tap target. */
function inline(runs: Inline[], c: TileContext): ElementContent[] {
  const out: ElementContent[] = []
  for (let i = 0; i < runs.length; i++) {
    const href = markOf(runs[i]!, 'link')?.attrs.href
    if (href === undefined) { out.push(run(runs[i]!, c)); continue }
    const from = i
    while (i + 1 < runs.length && markOf(runs[i + 1]!, 'link')?.attrs.href === href) i++
    const part = runs.slice(from, i + 1)
    const own = part.length === 1 ? markOf(part[0]!, 'textStyle')?.attrs.color : undefined
    out.push(el('a', { href: hrefOf(href, c.fields), target: '_blank', style: css({ color: own ?? c.style.link, 'text-decoration': 'underline' }) }, part.map((r) => run(r, c))))
  }
  return out
}

function run(r: Inline, c: TileContext): ElementContent {
  const marks = r.marks ?? []
  return marks.reduce<ElementContent>(wrap, r.type === 'text' ? text(replaceFields(r.text, c.fields)) : el('br', null))
}

function wrap(inner: ElementContent, mark: Mark): ElementContent {
  switch (mark.type) {
    case 'bold': return el('strong', null, inner)
    case 'italic': return el('em', null, inner)
    case 'underline': return el('span', { style: 'text-decoration:underline' }, inner)
    case 'strike': return el('span', { style: 'text-decoration:line-through' }, inner)
    case 'textStyle': {
      const style = css({ color: mark.attrs.color ?? undefined, 'font-size': mark.attrs.fontSize ?? undefined, 'line-height': mark.attrs.fontSize ? '1.35' : undefined })
      return style ? el('span', { style }, inner) : inner
    }
    case 'link': return inner
  }
}
