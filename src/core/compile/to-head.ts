import { fromHtml } from 'hast-util-from-html'
import type { Element } from 'hast'
import { el, text } from './element'
import { print } from './print'
import { elementsOf } from './stylesheet'

/**
 * The styles of the elements as rules in the head: each distinct one becomes a class. It is how people who go
 * on by hand like to read an email; writing the rules into the elements again gives what it was made from.
 */
export function stylesToHead(html: string): string {
  const tree = fromHtml(html)
  const names = new Map<string, string>()
  for (const node of elementsOf(tree)) {
    const { style } = node.properties
    if (typeof style !== 'string' || !style) continue
    if (!names.has(style)) names.set(style, `s${names.size + 1}`)
    const { style: _, ...rest } = node.properties
    node.properties = {
      ...rest,
      className: [names.get(style)!, ...((rest.className as string[] | undefined) ?? [])],
    }
  }
  const head = [...elementsOf(tree)].find((e) => e.tagName === 'head') as Element
  const lines = [...names].map(([style, name]) => `    .${name}{${style}}`)
  // First, so that rules for narrow and for night still come after.
  const at = head.children.findIndex((c) => c.type === 'element' && c.tagName === 'style')
  head.children.splice(
    at < 0 ? head.children.length : at,
    0,
    el('style', null, text(`\n${lines.join('\n')}\n  `)),
    text('\n  '),
  )
  return `${print(tree).replace(/^<!doctype html>/i, '<!DOCTYPE html>\n')}\n`
}
