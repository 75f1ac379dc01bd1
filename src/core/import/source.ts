import type { Element, ElementContent } from 'hast'
import { elementsOf } from '../html/elements'
import { pxOf, styleOfElement } from '../html/values'

/** Elements that lay out others and say nothing themselves. */
export const layout = new Set([
  'table',
  'tbody',
  'thead',
  'tfoot',
  'tr',
  'td',
  'th',
  'div',
  'center',
  'section',
  'article',
  'main',
  'header',
  'footer',
  'body',
])
/** Whether a node is an element. */
export const isElement = (n: ElementContent): n is Element => n.type === 'element'
/** Whether nobody sees an element. */
export const hidden = (e: Element) => {
  const s = styleOfElement(e)
  // What only the Word engine hides (`mso-hide`) everyone else sees.
  return s.display === 'none' || (s['max-height'] === '0' && s.overflow === 'hidden')
}
/** Invisible characters pad preheaders and empty cells. */
export const visible = (s: string) => s.replace(/\u034f|[\s\u00a0\u200b\u200c\ufeff]|\u200d/g, '') !== ''
/** The nodes of a list that show something. */
export const meaningful = (nodes: readonly ElementContent[]) =>
  nodes.filter((n) =>
    n.type === 'text' ? visible(n.value) : isElement(n) && !hidden(n) && n.tagName !== 'style',
  )
/** An element and all in it that is seen. */
export function* shownIn(e: Element): Generator<Element> {
  if (!hidden(e)) {
    yield e
    for (const c of e.children) if (isElement(c)) yield* shownIn(c)
  }
}
/** The cells of a row of a table. */
export const cellsOfRow = (tr: Element) =>
  tr.children.filter((c): c is Element => isElement(c) && (c.tagName === 'td' || c.tagName === 'th'))
/** The rows of a table, whatever groups they stand in. */
export const rowsOf = (table: Element): Element[] =>
  table.children.flatMap((c) =>
    !isElement(c)
      ? []
      : c.tagName === 'tr'
        ? [c]
        : ['tbody', 'thead', 'tfoot'].includes(c.tagName)
          ? rowsOf(c)
          : [],
  )
/** A table of data has header cells or a caption of its own; one further inside says nothing of it. */
export const isData = (table: Element) =>
  table.properties.role !== 'presentation' &&
  (table.children.some((c) => isElement(c) && c.tagName === 'caption') ||
    rowsOf(table).some((r) => cellsOfRow(r).some((c) => c.tagName === 'th')))

/** Blocks beside each other without a table: inline blocks, or blocks that float. */
export const beside = (e: Element) => {
  // A link or a picture in a line is no column.
  if (e.tagName === 'a' || e.tagName === 'img' || e.tagName === 'span') return false
  const s = styleOfElement(e)
  return (
    s.display === 'inline-block' ||
    s.display === 'table-cell' ||
    s.float === 'left' ||
    s.float === 'right' ||
    (e.tagName === 'table' && (e.properties.align === 'left' || e.properties.align === 'right'))
  )
}
/** Elements of running words. */
export const isText = (e: Element) => /^(p|h[1-6]|ul|ol|blockquote)$/.test(e.tagName)
/** The greatest height that an empty element or anything in it says it has, px. */
export const heightOf = (e: Element): number =>
  [...elementsOf(e)].reduce(
    (most, x) =>
      Math.max(
        most,
        pxOf(styleOfElement(x).height) ??
          pxOf(x.properties.height) ??
          pxOf(styleOfElement(x)['line-height']) ??
          0,
      ),
    0,
  )

/** The words in a node that are seen, with white space as a browser shows it. */
export const textOf = (n: ElementContent): string =>
  n.type === 'text'
    ? n.value.replace(/\s+/g, ' ')
    : n.type === 'element' && !hidden(n)
      ? n.children.map(textOf).join('')
      : ''
