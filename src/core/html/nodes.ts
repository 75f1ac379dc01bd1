import type { Element, ElementContent, Literal, Parent, Properties } from 'hast'

/**
 * What stands in the tree beyond HTML: content for the Word engine, which readers other than it take for comments. As nodes they can be
 * found and changed like any other; `conditions.ts` turns them into comments when the tree is printed.
 */

/** Content that a condition guards (a conditional comment). */
export interface Conditional extends Parent {
  type: 'conditional'
  /** What the engine compares, such as `mso`, `!mso` or `gte mso 9`. */
  condition: string
  /** Hidden content stands inside a comment: only the Word engine sees it. Else all readers but that one do. */
  hidden: boolean
  children: ElementContent[]
}

/** An element that exists for the Word engine alone, around content that every reader sees. */
export interface Ghost extends Parent {
  type: 'ghost'
  tagName: string
  properties: Properties
  /** Whole elements between its start tag and its content, for the Word engine too. */
  before: Element[]
  children: ElementContent[]
}

/** Markup that a person wrote for the Word engine, printed as it is: its XML cannot be read as HTML. */
export interface Verbatim extends Literal {
  type: 'verbatim'
  value: string
}

/** Where something else is put into a printed text. */
export interface Slot extends Literal {
  type: 'slot'
  value: ''
}

declare module 'hast' {
  interface ElementContentMap {
    conditional: Conditional
    ghost: Ghost
    verbatim: Verbatim
    slot: Slot
  }
  interface RootContentMap {
    conditional: Conditional
    ghost: Ghost
    verbatim: Verbatim
    slot: Slot
  }
  interface Element {
    /** What passes over the tree need to know of it. */
    hints?: {
      /** The style it has where there is no style sheet, if another. */
      unsheeted?: string
      /** Its attribute values are escaped as those inside conditional comments are. */
      guarded?: boolean
    }
  }
}

/** Elements for the Word engine alone. */
export const wordOnly = (...children: ElementContent[]): Conditional => ({
  type: 'conditional',
  condition: 'mso',
  hidden: true,
  children,
})

/** What every reader but the Word engine sees. Conditions do not nest, so what is for that engine inside goes. */
export const notWord = (...children: ElementContent[]): Conditional => ({
  type: 'conditional',
  condition: '!mso',
  hidden: false,
  children: unconditional(children),
})

/** An element around content, for the Word engine alone. */
export const ghost = (
  tagName: string,
  properties: Properties,
  children: ElementContent[],
  before: Element[] = [],
): Ghost => ({ type: 'ghost', tagName, properties, before, children })

/** True for a comment that is a condition or one half of it. */
export const isCondition = (node: { type: string; value?: string }): boolean =>
  node.type === 'comment' && /^\s*\[if |^<!\[endif\]$|\[endif\]\s*$/i.test(node.value!)

/** The same without what is for the Word engine alone, and without conditions around the rest. */
export const unconditional = (nodes: readonly ElementContent[]): ElementContent[] =>
  nodes.flatMap((n): ElementContent[] => {
    if (n.type === 'ghost') return unconditional(n.children)
    if (n.type === 'conditional') return n.hidden ? [] : unconditional(n.children)
    if (n.type === 'element') return [{ ...n, children: unconditional(n.children) }]
    return isCondition(n) ? [] : [n]
  })
