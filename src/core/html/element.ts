import { clean } from '../text/clean'
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

/** A comment node. */
export const comment = (value: string): Comment => ({ type: 'comment', value })

/** A value, and a better one after it for readers that know its functions. */
export type Bettered = readonly [plain: string | number, better: string]

/** CSS declarations by property; numbers are px, what is left out is not written. */
export type Declarations = Record<string, string | number | undefined | false | Bettered>

/** CSS declarations as a `style` attribute: values left out are dropped, numbers are px. */
export function css(declarations: Declarations): string {
  let out = ''
  for (const [name, said] of Object.entries(declarations)) {
    if (said === undefined || said === false || said === '') continue
    for (const value of Array.isArray(said) ? said : [said])
      out += `${out ? ';' : ''}${name}:${typeof value === 'number' ? (value === 0 ? '0' : `${trim(value)}px`) : value}`
  }
  return out
}

/** A number without needless decimals. */
export const trim = (n: number): string => String(Math.round(n * 100) / 100)

/** Escapes a value for an attribute inside a conditional comment, where no serialiser does it. */
export const guarded = (value: string): string =>
  clean(value)
    .replace(/&/g, '&amp;')
    .replace(/"/g, '&quot;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/--/g, '&#45;&#45;')
