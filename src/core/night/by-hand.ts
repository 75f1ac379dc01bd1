import type { Element, ElementContent } from 'hast'
import { inlineDocument, readSheet, treeOf } from '#reading'
import { readHex } from '../color/hex'
import { elementsOf } from '../html/elements'
import { print } from '../html/print-foreign'
import { colorOf } from '../html/values'
import type { Behaviour } from './behaviour'
import { recolored, usesOf, type NightRules, type Use } from './recolor'

/** What readers show where an email of a person's own HTML says nothing. */
const PAGE = '#ffffff'
const INK = '#000000'

/** What its HTML shows: the rules of its sheets stand in its elements. */
const shown = (html: string): ElementContent[] =>
  treeOf(inlineDocument(html)).children.filter((n): n is ElementContent => n.type !== 'doctype')

/** An email written by hand, as a reader with such a dark mode shows it. */
export function recoloredHand(html: string, behaviour: Behaviour): string {
  if (!behaviour.recolors) return html
  // What stands behind, and words without an ink, are the reader's own.
  const page = behaviour.ground(PAGE, {}) ?? behaviour.page
  const words = behaviour.words(INK, { before: PAGE, after: page, picture: false })
  const own = `<style>html{background-color:${page};color:${words}}</style>`
  return `<!doctype html>${own}${recolored(shown(html), behaviour, PAGE).map(print).join('')}`
}

/** Every colour of an email written by hand, with where it stands. */
export function usesOfHand(html: string): Use[] {
  const nodes = shown(html)
  return usesOf(nodes, { page: PAGE, night: PAGE, rules: darkRules(nodes) })
}

/** What its rules for the dark say of single classes; of other selectors nothing is foretold. */
function darkRules(nodes: readonly ElementContent[]): NightRules {
  const found = new Map<string, { ground?: string; words?: string }>()
  const sheets = nodes
    .flatMap((n): Element[] => (n.type === 'element' ? [...elementsOf(n)] : []))
    .filter((e) => e.tagName === 'style')
  for (const sheet of sheets) {
    const css = sheet.children.map((c) => (c.type === 'text' ? c.value : '')).join('')
    for (const { media, selector, declarations } of readSheet(css).dynamics) {
      const name = /^\.([\w-]+)$/.exec(selector)?.[1]
      if (!name || !/prefers-color-scheme:\s*dark/.test(media ?? '')) continue
      for (const { property, value } of declarations) {
        const color = colorOf(value)
        const hex = color && readHex(color)
        if (!hex) continue
        if (/^background(?:-color)?$/.test(property)) found.set(name, { ...found.get(name), ground: hex })
        else if (property === 'color') found.set(name, { ...found.get(name), words: hex })
      }
    }
  }
  return found
}
