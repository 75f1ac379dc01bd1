import { fromHtml } from 'hast-util-from-html'
import type { Element } from 'hast'
import type { ByHand } from '../email/schema'
import { asWritten, replaceFields, type FieldWriter } from '../handover/fields'
import type { CompileContext } from './context'
import { attr } from './element'
import { print } from './print'
import { elementsOf, inlineRules, readSheet } from './stylesheet'

/**
 * Attributes that name a picture, with their value in either kind of quotes or none; and the `url()` of
 * styles.
 */
const addresses =
  /(\s(?:src|background|srcset|poster|href)\s*=\s*)(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))|(url\(\s*)(?:"([^"]*)"|'([^']*)'|([^)'"]*))(\s*\))/gi

const unescape = (s: string): string => s.replace(/&amp;/g, '&').trim()

/** Puts each picture's place in the output where its address stands; everything else keeps its bytes. */
export function placePictures(
  html: string,
  pictures: ByHand['pictures'],
  src: CompileContext['src'],
): string {
  if (!Object.keys(pictures).length) return html
  return html.replace(addresses, (whole, ...m: (string | undefined)[]) => {
    const value = m[1] ?? m[2] ?? m[3] ?? m[5] ?? m[6] ?? m[7] ?? ''
    const key = unescape(value)
    const picture = Object.hasOwn(pictures, key) ? pictures[key] : undefined
    if (!picture) return whole
    const put = src(picture)
    return put === key ? whole : m[0] !== undefined ? `${m[0]}"${attr(put)}"` : `${m[4]}'${put}'${m[8]}`
  })
}

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
const withoutSheets = (html: string): string => html.replace(/<style\b[^>]*>[\s\S]*?<\/style\s*>/gi, '')

/**
 * An email written by hand as it leaves: byte for byte as it was written, but for the places of pictures, the
 * fields, and what was asked of its styles.
 */
export function byHandHtml(
  hand: ByHand,
  src: CompileContext['src'],
  fields: FieldWriter,
  styles: CompileContext['styles'] = 'both',
): string {
  const inlined = hand.inline || styles === 'inline' ? inlineDocument(hand.html) : hand.html
  const bare = styles === 'inline' ? withoutSheets(inlined) : inlined
  const placed = placePictures(bare, hand.pictures, src)
  return fields === asWritten ? placed : replaceFields(placed, fields)
}
