import type { ElementContent } from 'hast'

/** A family at the end of a declaration list or within it. */
const FAMILY = /(^|;)font-family:((?:'[^']*'|[^;'])*)(;|$)/

/** Elements whose letters browsers settle themselves, unless told (WHATWG HTML, 15.3.5 and 15.5). */
const OWN = new Set(['button', 'input', 'select', 'textarea', 'code', 'kbd', 'pre', 'samp', 'tt'])

/**
 * Without the family of the page where it is inherited: what the body says need not be said again in every cell. Only where there is a sheet, in which the
 * Word engine, whose tables inherit nothing, is told that family for all cells; so another one is said in every cell that has it.
 * @param page the family of the page @param around that of what stands around
 */
export const inheriting = (nodes: readonly ElementContent[], page: string, around = page): ElementContent[] =>
  nodes.map((node) => {
    if (!('children' in node) || (node.type === 'conditional' && node.hidden)) return node
    if (node.type !== 'element')
      return { ...node, children: inheriting(node.children, page, around) } as ElementContent
    const { style } = node.properties
    const own = typeof style === 'string' ? FAMILY.exec(style)?.[2] : undefined
    const children = inheriting(node.children, page, OWN.has(node.tagName) ? '' : (own ?? around))
    if (own !== page || around !== page || OWN.has(node.tagName)) return { ...node, children }
    const rest = String(style).replace(FAMILY, (_, before: string, __, after: string) =>
      before && after ? ';' : '',
    )
    return { ...node, properties: { ...node.properties, style: rest || undefined }, children }
  })
