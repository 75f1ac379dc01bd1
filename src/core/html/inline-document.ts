import type { Element } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf } from './elements'
import { print } from './print-foreign'
import { inlineRules, readSheet } from './stylesheet'

/**
 * Writes the rules of a document's style sheets into its elements; what only a reader can apply (media
 * queries, pointers, fonts) stays in the head. Conditional comments stay as they are.
 */
export function inlineDocument(html: string): string {
  const tree = fromHtml(html)
  const sheets = [...elementsOf(tree)].filter(
    (e) =>
      e.tagName === 'style' &&
      (!e.properties.media || e.properties.media === 'all' || e.properties.media === 'screen'),
  )
  for (const sheet of sheets) {
    const read = readSheet(sheet.children.map((c) => (c.type === 'text' ? c.value : '')).join(''))
    inlineRules(tree, read.statics)
    const media = [...new Set(read.dynamics.map((r) => r.media))]
    const rest = [
      ...read.raw,
      ...media.map((m) => {
        const rules = read.dynamics
          .filter((r) => r.media === m)
          .map(
            (r) =>
              `${r.selector}{${r.declarations.map((d) => `${d.property}:${d.value}!important`).join(';')}}`,
          )
          .join('\n')
        return m ? `@media ${m}{\n${rules}\n}` : rules
      }),
    ].join('\n')
    sheet.children = rest ? [{ type: 'text', value: `\n${rest}\n` }] : []
  }
  const drop = (node: Element): void => {
    node.children = node.children.filter(
      (c) => !(c.type === 'element' && c.tagName === 'style' && !c.children.length && sheets.includes(c)),
    )
    for (const c of node.children) if (c.type === 'element') drop(c)
  }
  for (const child of tree.children) if (child.type === 'element') drop(child)
  return `${print(tree)}\n`
}
