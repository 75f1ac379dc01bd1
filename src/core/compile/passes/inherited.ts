import type { ElementContent } from 'hast'

/** A family at the end of a declaration list or within it. */
const FAMILY = /(^|;)font-family:((?:'[^']*'|[^;'])*)(;|$)/

/**
 * Without the families that elements inherit: what the body says need not be said again in every cell. Where there is a sheet only, in which the Word
 * engine, whose tables inherit nothing, is told of it (`document`).
 * @param family of what stands around
 */
export const inheriting = (nodes: readonly ElementContent[], family: string): ElementContent[] =>
  nodes.map((node) => {
    if (!('children' in node) || (node.type === 'conditional' && node.hidden)) return node
    if (node.type !== 'element')
      return { ...node, children: inheriting(node.children, family) } as ElementContent
    const { style } = node.properties
    const own = typeof style === 'string' ? FAMILY.exec(style) : null
    const children = inheriting(node.children, own?.[2] ?? family)
    if (own?.[2] !== family) return { ...node, children }
    const rest = `${style as string}`.replace(FAMILY, (_, before: string, __, after: string) =>
      before && after ? ';' : '',
    )
    return { ...node, properties: { ...node.properties, style: rest || undefined }, children }
  })
