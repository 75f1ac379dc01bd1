import type { Element, ElementContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { select } from 'hast-util-select'
import { classes, type TileContext } from '../../compile/context'
import { placePictures } from '../../compile/byhand'
import { nestingErrors, segmentsOf } from '../../compile/conditional'
import { css, el, unconditional } from '../../compile/element'
import { print } from '../../compile/print'
import { letters } from '../../compile/letters'
import {
  dedupe,
  elementsOf,
  inlineRules,
  readSheet,
  readStyle,
  styleText,
  type Declaration,
  type DynamicRule,
  type Sheet,
} from '../../compile/stylesheet'
import { replaceFields, type FieldWriter } from '../../handover/fields'
import { safeMarkup } from './sanitize'
import type { CodeTile } from './schema'

/** Custom code made safe to stand inside an email. */
export interface Scoped {
  tree: Element
  dynamics: DynamicRule[]
  raw: string[]
  /** What was left out or changed, a sentence each. */ notes: string[]
}

/**
 * Custom code, scoped: it is parsed, so that a stray end tag cannot break out of its cell; its class names
 * and animations get a prefix of their own, so that its rules touch nothing outside and no rule of the email
 * touches it; rules that can be written into its elements are.
 */
export function scopeCode(tile: Pick<CodeTile, 'id' | 'html' | 'css'>): Scoped {
  const notes: string[] = []
  const scope = `own-${tile.id.replace(/[^A-Za-z0-9_-]/g, '')}`
  const root = fromHtml(tile.html, { fragment: true })
  const styles: string[] = [tile.css]
  const safe = safeMarkup(root.children.filter((c): c is ElementContent => c.type !== 'doctype'))
  notes.push(...safe.notes)
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
  const tree = el('div', { className: [scope] }, balanced(settle(safe.nodes), notes))
  // Apart from each other, since a rule left open in one must not swallow another.
  const sheets = styles.map(readSheet)
  const sheet: Sheet = {
    statics: sheets.flatMap((s) => s.statics),
    dynamics: sheets.flatMap((s) => s.dynamics),
    raw: sheets.flatMap((s) => s.raw),
    notes: sheets.flatMap((s) => s.notes),
  }
  notes.push(...sheet.notes)
  // Matched while classes bear the names they were written with.
  const dynamics = sheet.dynamics.filter((r) => matches(tree, within(scope, r.selector)))
  inlineRules(
    { type: 'root', children: [tree] },
    sheet.statics.map((r) => ({ ...r, selector: within(scope, r.selector) })),
  )
  const prefixed = (name: string) => `${scope}-${name}`
  const needed = new Set(
    dynamics.flatMap((r) => [...r.selector.matchAll(/\.([A-Za-z_][\w-]*)/g)].map((m) => m[1]!)),
  )
  for (const node of elementsOf(tree)) {
    if (node === tree) continue
    const names = ([] as (string | number)[])
      .concat((node.properties.className as (string | number)[] | undefined) ?? [])
      .map(String)
      .filter((n) => needed.has(n))
    if (names.length) node.properties.className = names.map(prefixed)
    else delete node.properties.className
  }
  const animations = new Set(
    sheet.raw.flatMap((r) => /^@(?:-webkit-)?keyframes\s+([\w-]+)/.exec(r)?.[1] ?? []),
  )
  const rename = (d: Declaration): Declaration =>
    /^(-webkit-)?animation(-name)?$/.test(d.property)
      ? {
          ...d,
          value: d.value
            .split(/(\s+|,)/)
            .map((w) => (animations.has(w) ? prefixed(w) : w))
            .join(''),
        }
      : d
  if (animations.size)
    for (const node of elementsOf(tree))
      if (typeof node.properties.style === 'string')
        node.properties.style = styleText(readStyle(node.properties.style).map(rename))
  return {
    tree,
    notes: [...new Set(notes)],
    dynamics: dynamics.map((r) => ({
      ...r,
      selector: within(
        scope,
        r.selector.replace(/\.([A-Za-z_][\w-]*)/g, (_, n: string) => `.${prefixed(n)}`),
      ),
      declarations: r.declarations.map(rename),
    })),
    raw: sheet.raw
      .filter((r) => !r.startsWith('@supports'))
      .map((r) =>
        r.replace(
          /^(@(?:-webkit-)?keyframes\s+)([\w-]+)/,
          (_, at: string, n: string) => `${at}${prefixed(n)}`,
        ),
      ),
  }
}

/** Whether a rule has anything to be applied to, were its pointer or its first letter there. */
function matches(tree: Element, selector: string): boolean {
  try {
    return (
      select(
        selector.replace(
          /::?(?!not|is|where|nth|first-child|last-child|first-of|last-of|only|empty|root)[a-z-]+(\([^)]*\))?/g,
          '',
        ) || '*',
        { type: 'root', children: [tree] },
      ) !== undefined
    )
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

/**
 * Conditions stay where every one is closed; where not, all go, since one left open would hide what follows.
 */
function balanced(children: ElementContent[], notes: string[]): ElementContent[] {
  try {
    segmentsOf(children.map((c) => print(c)).join(''))
    return children
  } catch (e) {
    notes.push(`Conditions for the Word engine were left out: ${(e as Error).message}`)
    return unconditional(children)
  }
}

/** Comments say nothing to a reader; a condition of the Word engine does, and stays where it is complete. */
function keepComment(value: string, notes: string[]): boolean {
  if (!/\[if|\[endif/i.test(value)) return false
  // The two halves of the form for all other readers are comments of their own.
  if (/^\[if [^\]]*\]><!$/.test(value) || value === '<![endif]') return true
  try {
    const [segment] = segmentsOf(`<!--${value}-->`)
    const errors = nestingErrors(segment?.markup ?? '')
    if (!errors.length) return true
    notes.push(`A condition for the Word engine was left out: ${errors[0]}.`)
  } catch (e) {
    notes.push(`A condition for the Word engine was left out: ${(e as Error).message}`)
  }
  return false
}

/** Custom code in its cell. Fields in it come out as the destination writes them. */
export function codeHtml(tile: CodeTile, c: TileContext): ElementContent[] {
  const { tree, dynamics, raw } = scopeCode({
    ...tile,
    html: placePictures(tile.html, tile.pictures ?? {}, c.src),
    css: placePictures(tile.css, tile.pictures ?? {}, c.src),
  })
  dress(tree, c)
  const write = (d: Declaration) => `${d.property}:${d.value}!important`
  for (const r of dynamics) c.rules.custom(r.media, r.selector, r.declarations.map(write).join(';'))
  raw.forEach((r) => c.rules.verbatim(r))
  fillFields(tree, c.fields)
  return [tree]
}

/**
 * Cells have letters of size 0, so that pictures stand close: code begins with those of the role's
 * paragraphs.
 */
export function dress(tree: Element, c: TileContext): void {
  const { style, names } = letters(c.look.text[c.look.base], c)
  tree.properties.className = [
    ...((tree.properties.className as string[] | undefined) ?? []),
    ...(classes(...names) ?? []),
  ]
  tree.properties.style = styleText(
    dedupe([...readStyle(css(style)), ...readStyle(String(tree.properties.style ?? ''))]),
  )
}

function fillFields(node: Element, fields: FieldWriter): void {
  for (const [name, value] of Object.entries(node.properties))
    if (typeof value === 'string' && value.includes('[['))
      node.properties[name] = replaceFields(value, fields)
  for (const child of node.children) {
    if (child.type === 'text') child.value = replaceFields(child.value, fields)
    else if (child.type === 'element') fillFields(child, fields)
  }
}
