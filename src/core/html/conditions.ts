import type { Comment, ElementContent, Root, RootContent } from 'hast'
import { comment } from './element'
import type { Ghost } from './nodes'
import { endTag, printWord, startTag } from './print'

/** What is for the Word engine alone, as conditional comments: the last pass before a tree is printed. */
export const toComments = (nodes: readonly ElementContent[]): ElementContent[] =>
  nodes.flatMap((node): ElementContent[] => {
    if (node.type === 'element') {
      const children = toComments(node.children)
      return [children.every((c, i) => c === node.children[i]) ? node : { ...node, children }]
    }
    if (node.type === 'conditional')
      return node.hidden
        ? [hidden(node.condition, printWord(node.children))]
        : [comment(`[if ${node.condition}]><!`), ...toComments(node.children), comment('<![endif]')]
    if (node.type !== 'ghost') return [node]
    const chain = chainOf(node)
    return [
      hidden('mso', chain.map((g) => startTag(g, true) + printWord(g.before)).join('')),
      ...toComments(chain.at(-1)!.children),
      hidden('mso', chain.map(endTag).reverse().join('')),
    ]
  })

const hidden = (condition: string, markup: string): Comment => comment(`[if ${condition}]>${markup}<![endif]`)

/** The same for a whole document. */
export const rootToComments = (root: Root): Root => ({
  ...root,
  children: root.children.flatMap((n): RootContent[] => (n.type === 'doctype' ? [n] : toComments([n]))),
})

/** A ghost with those that hold nothing but one another: they share a comment. */
function chainOf(outer: Ghost): Ghost[] {
  const chain = [outer]
  for (let inner = outer.children; inner.length === 1; inner = inner[0].children) {
    if (inner[0]?.type !== 'ghost') break
    chain.push(inner[0])
  }
  return chain
}

/** A hidden condition that is whole, as the value of a comment. */
const whole = /^\[if ([^\]]*)\]>([\s\S]*)<!\[endif\]$/
/** The beginning of one that all readers but the Word engine see. */
const revealed = /^\[if ([^\]]*)\]><!$/

/** Conditional comments that came from elsewhere, as nodes: the way back from `toComments`. Halves that do not stand beside each other stay comments. */
export function fromComments(nodes: readonly ElementContent[]): ElementContent[] {
  const out: ElementContent[] = []
  for (let i = 0; i < nodes.length; i++) {
    const node = nodes[i]!
    if (node.type === 'element') out.push({ ...node, children: fromComments(node.children) })
    else if (node.type !== 'comment') out.push(node)
    else {
      const { made, to } = conditionAt(nodes, i, node)
      out.push(made)
      i = to
    }
  }
  return out
}

/** What a comment begins, and the last node that belongs to it. */
function conditionAt(
  nodes: readonly ElementContent[],
  at: number,
  node: Comment,
): { made: ElementContent; to: number } {
  const hides = whole.exec(node.value)
  if (hides) {
    const children: ElementContent[] = hides[2] ? [{ type: 'verbatim', value: hides[2] }] : []
    return { made: { type: 'conditional', condition: hides[1]!, hidden: true, children }, to: at }
  }
  const shows = revealed.exec(node.value)
  const end = shows
    ? nodes.findIndex((n, i) => i > at && n.type === 'comment' && n.value === '<![endif]')
    : -1
  if (!shows || end < 0) return { made: node, to: at }
  const children = fromComments(nodes.slice(at + 1, end))
  return { made: { type: 'conditional', condition: shows[1]!, hidden: false, children }, to: end }
}
