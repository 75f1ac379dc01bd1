import type { Element, ElementContent, Root } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import type { Block, ListItem, RichText } from '../email/richtext'
import { tooMuchEmail } from '../html/bounds'
import { styleOfElement } from '../html/values'
import { allowedHref, hasScheme } from '../text/link'
import { inlineOf, isInline, numbered, tidy } from './words'

/** What of a clipboard's markup is no words. */
const silent = new Set(['script', 'style', 'head', 'title', 'meta', 'link', 'template', 'svg', 'xml', 'img'])

/** The declarations that say something of the words and not of the page they come from. */
const KEPT = ['font-weight', 'font-style', 'text-decoration']

const isElement = (node: ElementContent): node is Element => node.type === 'element'

/** The element a word processor means: raised letters, what is not bold though it stands in a `b`. */
function meantTag({ tagName }: Element, style: Record<string, string>): string {
  const weight = style['font-weight']
  if (/^(b|strong)$/.test(tagName) && (weight === 'normal' || Number(weight) < 600)) return 'span'
  if (tagName === 'font' || tagName === 'big' || tagName === 'small') return 'span'
  if (tagName === 'span' && /^(super|sub)$/.test(style['vertical-align'] ?? ''))
    return style['vertical-align'] === 'super' ? 'sup' : 'sub'
  return tagName
}

/** Markup without the look of where it comes from: weight, slant, lines and links stay, of these only safe ones that lead somewhere. */
function bare(nodes: readonly (ElementContent | Root['children'][number])[]): ElementContent[] {
  return nodes.flatMap((node): ElementContent[] => {
    if (node.type === 'text') return [node]
    if (node.type !== 'element' || silent.has(node.tagName)) return []
    const style = styleOfElement(node)
    // What a word processor numbers its items with is said by the list itself.
    const raw = String(node.properties.style ?? '')
    if (style.display === 'none' || /mso-list:\s*ignore/i.test(raw)) return []
    const said = KEPT.filter((p) => style[p] && style[p] !== 'none').map((p) => `${p}:${style[p]}`)
    const href = node.tagName === 'a' ? String(node.properties.href ?? '') : ''
    const leads = href !== '' && !href.startsWith('#') && hasScheme(href) && allowedHref(href)
    const tagName = node.tagName === 'a' && !leads ? 'span' : meantTag(node, style)
    const properties = {
      ...(leads && { href }),
      ...(said.length && tagName !== 'a' && { style: said.join(';') }),
      ...(/mso-list:\s*l\d/i.test(raw) && { dataItem: itemKind(node) }),
    }
    return [{ ...node, tagName, properties, children: bare(node.children) }]
  })
}

/** Whether a paragraph that a word processor means as an item is numbered, by the mark before it. */
function itemKind(e: Element): 'ol' | 'ul' {
  const textOf = (n: ElementContent): string =>
    n.type === 'text' ? n.value : isElement(n) ? n.children.map(textOf).join('') : ''
  return /^\s*[0-9a-z]{1,4}[.)]/i.test(textOf(e)) ? 'ol' : 'ul'
}

/** Words that stand beside each other as a paragraph, where there are any. */
function paragraphOf(nodes: readonly ElementContent[]): Block[] {
  const content = tidy(inlineOf(nodes))
  return content.length ? [{ type: 'paragraph', content }] : []
}

const listOf = (kind: 'ul' | 'ol', content: ListItem[]): Block[] =>
  content.length ? [{ type: kind === 'ul' ? 'bulletList' : 'orderedList', content }] : []

const numberedOf = (list: Element, content: ListItem[]): Block[] =>
  content.length ? [numbered(list, content)] : []

/** The items of a list; a list that stands between items belongs to the one before. */
function itemsOf(list: Element): ListItem[] {
  const items: ListItem[] = []
  for (const child of list.children) {
    if (!isElement(child)) continue
    const content = blocksOf(child.tagName === 'li' ? child.children : [child])
    const last = items.at(-1)
    if (child.tagName !== 'li' && last) last.content.push(...content)
    else if (content.length) items.push({ type: 'listItem', content })
  }
  return items
}

/** Markup as blocks of words, in the order of the source. */
function blocksOf(nodes: readonly ElementContent[]): Block[] {
  const out: Block[] = []
  let line: ElementContent[] = []
  const end = () => {
    out.push(...paragraphOf(line))
    line = []
  }
  for (const node of nodes) {
    if (isInline(node)) {
      line.push(node)
      continue
    }
    end()
    if (isElement(node)) out.push(...blockOf(node))
  }
  end()
  return joinedItems(out)
}

function blockOf(e: Element): (Block & { item?: 'ol' | 'ul' })[] {
  if (e.tagName === 'ul') return listOf('ul', itemsOf(e))
  if (e.tagName === 'ol') return numberedOf(e, itemsOf(e))
  const heading = /^h([1-6])$/.exec(e.tagName)
  if (heading && e.children.every(isInline)) {
    const content = tidy(inlineOf(e.children))
    const level = Math.min(3, Number(heading[1])) as 1 | 2 | 3
    return content.length ? [{ type: 'heading', attrs: { level }, content }] : []
  }
  const inner = blocksOf(e.children)
  if (e.tagName === 'blockquote') return inner.length ? [{ type: 'blockquote', content: inner }] : []
  const item = e.properties.dataItem as 'ol' | 'ul' | undefined
  return item && inner.length ? listOf(item, [{ type: 'listItem', content: inner }]) : inner
}

/** Lists of one kind that follow each other are one: a word processor writes each item by itself. */
function joinedItems(blocks: Block[]): Block[] {
  const out: Block[] = []
  for (const block of blocks) {
    const last = out.at(-1)
    if (block.type === 'bulletList' && last?.type === 'bulletList') last.content.push(...block.content)
    else if (block.type === 'orderedList' && last?.type === 'orderedList') last.content.push(...block.content)
    else out.push(block)
  }
  return out
}

/**
 * Markup from the clipboard as words: headings, lists, quotes, links, weight and slant stay; colours, sizes, faces,
 * pictures and all else go. @returns null where there are no words in it, or it is too much to be read at once
 */
export function pastedText(html: string): RichText | null {
  if (tooMuchEmail(html)) return null
  const content = blocksOf(bare(fromHtml(html, { fragment: true }).children))
  return content.length ? { type: 'doc', content } : null
}
