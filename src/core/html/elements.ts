import type { Element, ElementContent, Parents } from 'hast'

/** Every element of a tree, in document order. */
export function* elementsOf(node: Parents | ElementContent): Generator<Element> {
  // A list of what waits, not recursion: what comes from outside may be nested to any depth.
  const waiting: (Parents | ElementContent)[] = [node]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (next.type === 'element') yield next
    const content = next.type === 'element' && next.content ? [next.content as Parents] : []
    const children = 'children' in next ? next.children : []
    for (let i = content.length - 1; i >= 0; i--) waiting.push(content[i]!)
    for (let i = children.length - 1; i >= 0; i--)
      if (children[i]!.type === 'element') waiting.push(children[i] as Element)
  }
}
