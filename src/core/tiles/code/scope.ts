import type { Element, ElementContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { fromComments } from '../../html/conditions'
import { Selecting } from '../../html/select'
import { el } from '../../html/element'
import { elementsOf } from '../../html/elements'
import {
  inlineRules,
  readSheet,
  readStyle,
  styleText,
  type Declaration,
  type DynamicRule,
  type Sheet,
} from '../../html/stylesheet'
import { balanced, keepComment } from './conditions'
import { safeMarkup } from './sanitize'
import type { CodeTile } from './schema'

/** Custom code made safe to stand inside an email. */
export interface Scoped {
  tree: Element
  dynamics: DynamicRule[]
  raw: string[]
  /** What was left out or changed, a sentence each. */
  notes: string[]
}

/**
 * Custom code, scoped: it is parsed, so that a stray end tag cannot break out of its cell; its class names
 * and animations get a prefix of their own, so that its rules touch nothing outside and no rule of the email
 * touches it; rules that can be written into its elements are.
 */
export function scopeCode(tile: Pick<CodeTile, 'id' | 'html' | 'css'>): Scoped {
  const scope = `own-${tile.id.replace(/[^A-Za-z0-9_-]/g, '')}`
  const prefixed = (name: string) => `${scope}-${name}`
  const { nodes, styles, notes } = markupOf(tile.html)
  const tree = el('div', { className: [scope] }, nodes)
  const sheet = sheetOf([tile.css, ...styles])
  // Matched while classes bear the names they were written with.
  const selecting = new Selecting({ type: 'root', children: [tree] })
  const dynamics = sheet.dynamics.filter((r) => matches(selecting, within(scope, r.selector)))
  inlineRules(
    { type: 'root', children: [tree] },
    sheet.statics.map((r) => ({ ...r, selector: within(scope, r.selector) })),
  )
  prefixClasses(tree, classesOf(dynamics), prefixed)
  const rename = animationRenamer(sheet, prefixed)
  if (rename) renameAnimations(tree, rename)
  tree.children = fromComments(tree.children)
  return {
    tree,
    notes: [...new Set([...notes, ...sheet.notes])],
    dynamics: dynamics.map((r) => ({
      ...r,
      selector: within(
        scope,
        r.selector.replace(CLASS, (_, n: string) => `.${prefixed(n)}`),
      ),
      declarations: rename ? r.declarations.map(rename) : r.declarations,
    })),
    raw: sheet.raw
      .filter((r) => !r.startsWith('@supports'))
      .map((r) => r.replace(KEYFRAMES, (_, at: string, n: string) => `${at}${prefixed(n)}`)),
  }
}

const CLASS = /\.([A-Za-z_][\w-]*)/g
const KEYFRAMES = /^(@(?:-webkit-)?keyframes\s+)([\w-]+)/

/** The safe part of a markup, with the style sheets that stand in it. */
function markupOf(html: string): { nodes: ElementContent[]; styles: string[]; notes: string[] } {
  const styles: string[] = []
  const root = fromHtml(html, { fragment: true })
  const safe = safeMarkup(root.children.filter((c): c is ElementContent => c.type !== 'doctype'))
  const notes = [...safe.notes]
  // Style sheets go to the others; of comments only conditions for the Word engine stay.
  const settle = (children: ElementContent[]): ElementContent[] =>
    children.flatMap((node): ElementContent[] => {
      if (node.type === 'comment') return keepComment(node.value, notes) ? [node] : []
      if (node.type !== 'element') return [node]
      if (node.tagName === 'style') {
        styles.push(node.children.map((c) => (c.type === 'text' ? c.value : '')).join(''))
        return []
      }
      // The mark of the lenses is the compiler's own.
      const { dataM: _, ...properties } = node.properties
      return [{ ...node, properties, children: settle(node.children) }]
    })
  return { nodes: balanced(settle(safe.nodes), notes), styles, notes }
}

/** Several sheets as one; each is read apart, since a rule left open in one must not swallow another. */
function sheetOf(styles: readonly string[]): Sheet {
  const sheets = styles.map(readSheet)
  return {
    statics: sheets.flatMap((s) => s.statics),
    dynamics: sheets.flatMap((s) => s.dynamics),
    raw: sheets.flatMap((s) => s.raw),
    notes: sheets.flatMap((s) => s.notes),
  }
}

/** The class names that rules still need. */
const classesOf = (rules: readonly DynamicRule[]): ReadonlySet<string> =>
  new Set(rules.flatMap((r) => [...r.selector.matchAll(CLASS)].map((m) => m[1]!)))

/** Class names that a rule needs get the prefix; the others go. */
function prefixClasses(tree: Element, needed: ReadonlySet<string>, prefixed: (name: string) => string): void {
  for (const node of elementsOf(tree)) {
    if (node === tree) continue
    const names = ([] as (string | number)[])
      .concat((node.properties.className as (string | number)[] | undefined) ?? [])
      .map(String)
      .filter((n) => needed.has(n))
    if (names.length) node.properties.className = names.map(prefixed)
    else delete node.properties.className
  }
}

type Rename = (d: Declaration) => Declaration

/** Gives declarations that name an animation of the sheet its new name; null where the sheet has none. */
function animationRenamer(sheet: Sheet, prefixed: (name: string) => string): Rename | null {
  const animations = new Set(sheet.raw.flatMap((r) => KEYFRAMES.exec(r)?.[2] ?? []))
  if (!animations.size) return null
  return (d) =>
    /^(-webkit-)?animation(-name)?$/.test(d.property)
      ? {
          ...d,
          value: d.value
            .split(/(\s+|,)/)
            .map((w) => (animations.has(w) ? prefixed(w) : w))
            .join(''),
        }
      : d
}

function renameAnimations(tree: Element, rename: Rename): void {
  for (const { properties } of elementsOf(tree))
    if (typeof properties.style === 'string')
      properties.style = styleText(readStyle(properties.style).map(rename))
}

/** What a tree alone does not tell: pointers, first letters and the like. */
const UNSETTLED =
  /::?(?!not|is|where|nth|first-child|last-child|first-of|last-of|only|empty|root)[a-z-]+(\([^()]*\))?/g

/** Whether a rule has anything to be applied to, were its pointer or its first letter there. */
function matches(selecting: Selecting, selector: string): boolean {
  try {
    return selecting.all(selector.replace(UNSETTLED, '') || '*').length > 0
  } catch {
    return false
  }
}

/**
 * A selector that holds inside a scope alone. What was written for the page itself is meant for the scope.
 */
function within(scope: string, selector: string): string {
  const inner = selector
    .replace(/^(?:html|body|:root)\b\s*>?\s*/i, '')
    .replace(/^body\b\s*>?\s*/i, '')
    .trim()
  return inner ? `.${scope} ${inner}` : `.${scope}`
}
