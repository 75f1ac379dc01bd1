import { compile } from 'css-select'
import parse from 'css-tree/parser'
import { ident } from 'css-tree/utils'
import type { Element, Nodes, Parents, Root } from 'hast'
import { find, html } from 'property-information'

/** An attribute as a selector sees it. */
function attributeOf({ properties }: Element, name: string): string | undefined {
  const { property, commaSeparated } = find(html, name)
  const value = properties[property] ?? properties[name]
  if (value === undefined || value === null || value === false) return undefined
  if (value === true) return ''
  return Array.isArray(value) ? value.join(commaSeparated ? ', ' : ' ') : String(value)
}

const textOf = (node: Nodes): string =>
  node.type === 'text' ? node.value : 'children' in node ? node.children.map(textOf).join('') : ''

/** What the last compound of a selector asks of an element: its rarest mark. */
function keyOf(selector: string): string {
  const tree = parse(selector, { context: 'selector' })
  let key = '*'
  if (tree.type !== 'Selector') return key
  for (const node of tree.children.toArray().reverse()) {
    if (node.type === 'Combinator') break
    if (node.type === 'IdSelector') return `#${ident.decode(node.name)}`
    if (node.type === 'ClassSelector') key = `.${ident.decode(node.name)}`
    else if (node.type === 'TypeSelector' && key === '*' && node.name !== '*') key = node.name.toLowerCase()
  }
  return key
}

/**
 * Finds elements of a tree by selectors (Selectors Level 4, through css-select), many of them quickly: each looks only
 * at the elements that bear its last id, class or name. The tree must not change meanwhile.
 */
export class Selecting {
  private readonly parents = new Map<Nodes, Parents>()
  private readonly byKey = new Map<string, Element[]>()
  /** What is asked of elements most often. */
  private readonly classes = new Map<Element, string | undefined>()

  constructor(tree: Root | Element) {
    const waiting: Nodes[] = [tree]
    for (let node = waiting.pop(); node; node = waiting.pop()) {
      if (node.type === 'element') this.index(node)
      const children = 'children' in node ? node.children : []
      const within = node.type === 'element' && node.content ? [...node.content.children] : []
      for (const child of [...children, ...within].reverse()) {
        this.parents.set(child, node as Parents)
        waiting.push(child)
      }
    }
  }

  private index(element: Element): void {
    this.classes.set(element, attributeOf(element, 'class'))
    const classes = this.classes.get(element)?.split(/\s+/) ?? []
    const id = attributeOf(element, 'id')
    const keys = [
      '*',
      element.tagName.toLowerCase(),
      ...classes.map((c) => `.${c}`),
      ...(id ? [`#${id}`] : []),
    ]
    for (const key of new Set(keys)) {
      const known = this.byKey.get(key)
      if (known) known.push(element)
      else this.byKey.set(key, [element])
    }
  }

  private readonly adapter = {
    isTag: (node: Nodes): node is Element => node.type === 'element',
    getAttributeValue: (e: Element, name: string) =>
      name === 'class' ? this.classes.get(e) : attributeOf(e, name),
    hasAttrib: (e: Element, name: string) => attributeOf(e, name) !== undefined,
    getChildren: (node: Nodes): Nodes[] => ('children' in node ? node.children : []),
    getName: (e: Element) => e.tagName,
    getParent: (node: Nodes): Nodes | null => this.parents.get(node) ?? null,
    getSiblings: (node: Nodes): Nodes[] => this.parents.get(node)?.children ?? [node],
    getText: textOf,
    removeSubsets: (nodes: Nodes[]) => nodes,
  }

  /** Every element that a selector matches, in document order. Throws for what is none, or is not known. */
  all(selector: string): Element[] {
    const candidates = this.byKey.get(keyOf(selector)) ?? []
    const matches = compile<Nodes, Element>(selector, { adapter: this.adapter }) as (node: Nodes) => boolean
    return candidates.filter(matches)
  }
}
