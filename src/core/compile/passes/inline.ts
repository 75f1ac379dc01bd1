import type { Element, ElementContent } from 'hast'

/**
 * For platforms that strip every style sheet: no class names, since no rule is left that could use them, and the style that elements
 * have where there is no sheet.
 */
export const withoutSheet = (nodes: readonly ElementContent[]): ElementContent[] =>
  nodes.map((node) => {
    if (node.type === 'element') return bare(node)
    return 'children' in node ? { ...node, children: withoutSheet(node.children) } : node
  })

function bare(node: Element): Element {
  const { className: _, ...properties } = node.properties
  if (node.hints?.unsheeted) properties.style = node.hints.unsheeted
  return { ...node, properties, children: withoutSheet(node.children) }
}
