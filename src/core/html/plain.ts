import type { Element, ElementContent, Root } from 'hast'
import { fromHtml } from 'hast-util-from-html'

/** Elements whose words are no part of what is read. */
const silent = new Set(['script', 'style', 'head', 'template', 'noscript', 'svg', 'title'])
/** Elements that begin a new line; of these, the ones that stand apart by a blank line. */
const line = new Set([
  'div',
  'tr',
  'li',
  'dt',
  'dd',
  'section',
  'article',
  'center',
  'address',
  'figcaption',
  'caption',
  'form',
  'tbody',
  'thead',
  'table',
])
const apart = new Set([
  'p',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'ul',
  'ol',
  'blockquote',
  'dl',
  'pre',
  'figure',
])

const hidden = (e: Element) =>
  e.properties.hidden === true || /display\s*:\s*none/i.test(String(e.properties.style ?? ''))

/**
 * Any HTML as plain text: what is seen, in the order of the source; pictures by their alt text, links with
 * where they lead, lists and headings marked. @param link how a link is written after its words
 */
export function plainOfHtml(html: string, link: (href: string) => string): string {
  const root: Root = fromHtml(html)
  let out = ''
  const begin = (blank: boolean) => {
    const want = blank ? 2 : 1
    const have = /\n*$/.exec(out)![0].length
    if (out) out += '\n'.repeat(Math.max(0, want - have))
  }
  const walk = (nodes: readonly (ElementContent | Root['children'][number])[], depth: number) =>
    nodes.forEach((n) => visit(n, depth))
  const visit = (node: ElementContent | Root['children'][number], depth: number) => {
    if (node.type === 'text') {
      const words = node.value.replace(/[ \t\n\r\f]+/g, ' ')
      out += /(^|[\s])$/.test(out) ? words.trimStart() : words
      return
    }
    if (node.type !== 'element' || silent.has(node.tagName) || hidden(node)) return
    const { tagName } = node
    if (tagName === 'br') {
      out = `${out.trimEnd()}\n`
      return
    }
    if (tagName === 'hr') {
      begin(true)
      out += '-'.repeat(40)
      begin(true)
      return
    }
    if (tagName === 'img') {
      out += String(node.properties.alt ?? '').trim()
      return
    }
    const isApart = apart.has(tagName),
      isLine = line.has(tagName)
    if (isApart || isLine) begin(isApart)
    const from = out.length
    if (tagName === 'li') out += '- '
    if (tagName === 'td' || tagName === 'th') {
      if (from && !/\s$/.test(out)) out += ' '
    }
    walk(node.children, depth + 1)
    const said = out.slice(from).trim()
    if (tagName === 'a' && node.properties.href && said)
      out = `${out.trimEnd()} ${link(String(node.properties.href))}`
    if (/^h[1-6]$/.test(tagName) && said)
      out = `${out.trimEnd()}\n${(tagName === 'h1' ? '=' : '-').repeat(Math.min(78, [...said].length))}`
    if (isApart || isLine) begin(isApart)
  }
  walk(root.children, 0)
  return out
    .replace(/[ \t]+\n/g, '\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
}
