import { fromHtml } from 'hast-util-from-html'
import type { Element } from 'hast'
import type { ByHand } from '../email/schema'
import { asWritten, replaceFields, type FieldWriter } from '../text/fields'
import type { CompileContext } from '../tiles/context'
import { placePictures } from '../html/pictures'
import { print } from '../html/print'
import { tagsOf } from '../html/tags'
import { elementsOf, inlineRules, readSheet } from '../html/stylesheet'

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

/** Takes every style sheet out. */
function withoutSheets(html: string): string {
  let out = ''
  let at = 0
  let open: number | null = null
  for (const tag of tagsOf(html)) {
    if (tag.name !== 'style') continue
    if (!tag.closing) open ??= tag.from
    else if (open !== null) {
      out += html.slice(at, open)
      at = tag.to
      open = null
    }
  }
  return out + html.slice(at, open ?? undefined)
}

/**
 * An email written by hand as it leaves: byte for byte as it was written, but for the places of pictures, the
 * fields, and what was asked of its styles.
 */
export function byHandHtml(
  hand: ByHand,
  src: CompileContext['src'],
  fields: FieldWriter,
  styles: 'both' | 'inline' | 'head' = 'both',
): string {
  const inlined = hand.inline || styles === 'inline' ? inlineDocument(hand.html) : hand.html
  const bare = styles === 'inline' ? withoutSheets(inlined) : inlined
  const placed = placePictures(bare, hand.pictures, src)
  return fields === asWritten ? placed : replaceFields(placed, fields)
}
