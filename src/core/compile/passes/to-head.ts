import type { Element, ElementContent } from 'hast'

/**
 * The styles of the elements as rules in the head: each distinct one becomes a class. It is how people who go on by hand like to read an email;
 * writing the rules into the elements again gives what it was made from. What stands for the Word engine alone keeps its own styles.
 */
export class StylesToHead {
  private readonly names = new Map<string, string>()

  /** Nodes without the styles that every reader sees; to be called in the order of the document. */
  apply(nodes: readonly ElementContent[]): ElementContent[] {
    return nodes.map((node) => {
      if (node.type === 'element') return this.element(node)
      if (node.type === 'ghost' || (node.type === 'conditional' && !node.hidden))
        return { ...node, children: this.apply(node.children) }
      return node
    })
  }

  private element(node: Element): Element {
    const { style, ...rest } = node.properties
    const own = (rest.className as string[] | undefined) ?? []
    const properties =
      typeof style === 'string' && style
        ? { ...rest, className: [this.nameOf(style), ...own] }
        : node.properties
    return { ...node, properties, children: this.apply(node.children) }
  }

  private nameOf(style: string): string {
    let name = this.names.get(style)
    if (!name) this.names.set(style, (name = `s${this.names.size + 1}`))
    return name
  }

  /** The rules, as lines of a style sheet. */
  lines(): string[] {
    return [...this.names].map(([style, name]) => `.${name}{${style}}`)
  }
}
