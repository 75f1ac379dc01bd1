import type { RichText } from '../../email/richtext'

/** A text with its links led elsewhere. @param swap gives each address its new one, or the same */
export function relink(text: RichText, swap: (href: string) => string): RichText {
  const walk = (node: unknown): unknown => {
    if (Array.isArray(node)) return node.map(walk)
    if (!node || typeof node !== 'object') return node
    const n = node as Record<string, unknown>
    if (n.type !== 'link') return Object.fromEntries(Object.entries(n).map(([k, v]) => [k, walk(v)]))
    const attrs = n.attrs as { href: string }
    return { ...n, attrs: { ...attrs, href: swap(attrs.href) } }
  }
  return walk(text) as RichText
}
