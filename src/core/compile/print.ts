import type { Element, Root, RootContent } from 'hast'
import { toHtml } from 'hast-util-to-html'

/** Elements between whose children white space changes nothing, so that each child may stand on a line of its own. */
const structural = new Set(['html', 'head', 'body', 'table', 'tr', 'ul', 'ol'])

/** True for an element that holds only elements and comments, at least one of them a layout element: its children get lines of their own. */
function opens(node: Element): boolean {
  if (structural.has(node.tagName)) return true
  if (node.tagName !== 'td' && node.tagName !== 'div') return false
  return node.children.length > 0 && node.children.every((c) => c.type === 'comment' || (c.type === 'element' && c.tagName !== 'span'))
}

/** The tree with line ends and indentation where they change nothing. The tree itself stays as it is. */
export function indented<T extends RootContent>(node: T, depth = 0): T {
  if (node.type !== 'element' || !opens(node) || node.children.length === 0) return node
  const inner = `\n${'  '.repeat(depth + 1)}`
  const children = node.children.flatMap((child) => [{ type: 'text' as const, value: inner }, indented(child, depth + 1)])
  return { ...node, children: [...children, { type: 'text' as const, value: `\n${'  '.repeat(depth)}` }] }
}

/** A tree as HTML text. Void elements stand without a slash, attributes always in quotes. */
export const print = (node: RootContent | Root): string => toHtml(node, { quote: '"', characterReferences: { useNamedReferences: true, omitOptionalSemicolons: false } })
