import type { Sides } from '../email/styles'
import type { Comment, Element, ElementContent, Properties, Text } from 'hast'

/**
 * An element of the hast tree. Children may be text, nodes, or nothing; style objects become one `style`
 * attribute.
 */
export function el(
  tagName: string,
  properties: Properties | null,
  ...children: (ElementContent | ElementContent[] | string | null | undefined | false)[]
): Element {
  const content: ElementContent[] = []
  for (const child of children) {
    if (Array.isArray(child)) content.push(...child)
    else if (typeof child === 'string') {
      if (child) content.push(text(child))
    } else if (child) content.push(child)
  }
  const own: Properties = {}
  for (const name in properties) {
    const value = properties[name]
    if (value !== undefined) own[name] = typeof value === 'string' ? clean(value) : value
  }
  return { type: 'element', tagName, properties: own, children: content }
}

/**
 * A text node. Control characters, which HTML forbids (WHATWG HTML, 13.1.4), are left out; a carriage return
 * is a line end.
 */
export const text = (value: string): Text => ({ type: 'text', value: clean(value) })

// eslint-disable-next-line no-control-regex -- they are what is taken out
const forbidden = /[\0-\x08\x0b-\x1f\x7f-\x9f\ufdd0-\ufdef\ufffe\uffff]/

/** A text without the characters that HTML may not hold. */
export const clean = (value: string): string =>
  forbidden.test(value) ? value.replace(/\r\n?/g, '\n').replace(new RegExp(forbidden, 'g'), '') : value

/** A comment node. */
export const comment = (value: string): Comment => ({ type: 'comment', value })

/** Markup that only the Word engine reads (a downlevel-hidden conditional comment). */
export const wordOnly = (markup: string): Comment => comment(`[if mso]>${markup}<![endif]`)

/**
 * Wraps what every reader but the Word engine reads (a downlevel-revealed conditional comment, valid HTML).
 */
export const notWord = (...children: ElementContent[]): ElementContent[] => [
  comment('[if !mso]><!'),
  ...unconditional(children),
  comment('<![endif]'),
]

/** True for a comment that is a condition or one half of it. */
export const isCondition = (node: { type: string; value?: string }): boolean =>
  node.type === 'comment' && /^\s*\[if |^<!\[endif\]$|\[endif\]\s*$/i.test(node.value!)

/** The same without what is for the Word engine alone: conditions do not nest. */
export const unconditional = (nodes: readonly ElementContent[]): ElementContent[] =>
  nodes
    .filter((n) => !isCondition(n))
    .map((n) => (n.type === 'element' ? { ...n, children: unconditional(n.children) } : n))

/** CSS declarations as a `style` attribute: values left out are dropped, numbers are px. */
export function css(declarations: Record<string, string | number | undefined | false>): string {
  let out = ''
  for (const [name, value] of Object.entries(declarations)) {
    if (value === undefined || value === false || value === '') continue
    out += `${out ? ';' : ''}${name}:${typeof value === 'number' ? (value === 0 ? '0' : `${trim(value)}px`) : value}`
  }
  return out
}

/** A number without needless decimals. */
export const trim = (n: number): string => String(Math.round(n * 100) / 100)

/** Escapes a value for an attribute inside a conditional comment, where no serialiser does it. */
export const attr = (value: string): string =>
  clean(value)
    .replace(/&/g, '&amp;')
    .replace(/"/g, '&quot;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/--/g, '&#45;&#45;')

/** Space as it lies on screen: on a right-to-left email left and right change places. */
export const flow = (p: Sides, dir: 'ltr' | 'rtl'): Sides =>
  dir === 'rtl' ? { ...p, left: p.right, right: p.left } : p

/** Space on four sides as a CSS value, in its shortest form. */
export function box(p: Sides): string {
  const u = (n: number) => (n === 0 ? '0' : `${trim(n)}px`)
  const [t, r, b, l] = [u(p.top), u(p.right), u(p.bottom), u(p.left)]
  if (l !== r) return `${t} ${r} ${b} ${l}`
  if (t !== b) return `${t} ${r} ${b}`
  return t === r ? t : `${t} ${r}`
}
