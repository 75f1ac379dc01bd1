import { calculateForAST } from '@bramus/specificity/core'
import type * as csstree from 'css-tree'
import generate from 'css-tree/generator'
import parse from 'css-tree/parser'
import walk from 'css-tree/walker'
import type { Element, Root } from 'hast'
import { Selecting } from './select'

export interface Declaration {
  property: string
  value: string
  important: boolean
}

/** A rule whose selector can be matched against the elements as they stand. */
export interface StaticRule {
  selector: string
  specificity: number
  declarations: Declaration[]
}

/** A rule that only the reader can apply: under a media query, a pointer, a focus. */
export interface DynamicRule {
  media: string
  selector: string
  declarations: Declaration[]
}

export interface Sheet {
  statics: StaticRule[]
  dynamics: DynamicRule[]
  /** At-rules kept as they are: fonts, animations. */ raw: string[]
  /** What was left out, and why, a sentence each. */ notes: string[]
}

/** Selectors (Level 4, section 17): ids, then classes, attributes and pseudo-classes, then types, as one number. */
function specificityOf(selector: csstree.Selector): number {
  const { a, b, c } = calculateForAST(selector)
  return a * 1_000_000 + b * 1000 + c
}

/** Pseudo-classes that say something of the tree alone, and so can be matched here. */
const structural = new Set([
  'first-child',
  'last-child',
  'only-child',
  'nth-child',
  'nth-last-child',
  'first-of-type',
  'last-of-type',
  'nth-of-type',
  'not',
  'empty',
  'root',
  'is',
  'where',
])

function isStatic(selector: csstree.Selector): boolean {
  let known = true
  walk(selector, (node) => {
    if (
      node.type === 'PseudoElementSelector' ||
      (node.type === 'PseudoClassSelector' && !structural.has(node.name))
    )
      known = false
  })
  return known
}

/** Values that could run script or fetch it in some reader. */
const dangerous = /expression\s*\(|javascript:|vbscript:|-moz-binding|behavior\s*:/i

const declarationsOf = (block: csstree.Block | csstree.DeclarationList, notes: string[]): Declaration[] =>
  block.children.toArray().flatMap((node): Declaration[] => {
    if (node.type !== 'Declaration') return []
    const value = generate(node.value).trim()
    // A rule left open swallows what follows it.
    if (/[{}]/.test(value)) {
      notes.push(`"${node.property}" was left out: a rule before it is never closed.`)
      return []
    }
    if (dangerous.test(`${node.property}:${value}`)) {
      notes.push(`"${node.property}" was left out: its value could run script.`)
      return []
    }
    // A custom property keeps its name's case; every other is the same in any.
    return [
      {
        property: node.property.startsWith('--') ? node.property : node.property.toLowerCase(),
        value,
        important: !!node.important,
      },
    ]
  })

/** Reads the declarations of a `style` attribute. */
export function readStyle(style: string): Declaration[] {
  const list = parse(style, { context: 'declarationList', parseValue: false, onParseError: () => {} })
  return list.type === 'DeclarationList' ? declarationsOf(list, []) : []
}

/**
 * Reads a style sheet (CSS Syntax Level 3, through css-tree). What cannot be read is passed over, as readers
 * do.
 */
export function readSheet(css: string): Sheet {
  const out: Sheet = { statics: [], dynamics: [], raw: [], notes: [] }
  const tree = parse(css.replace(/<!--|-->/g, ''), {
    parseValue: false,
    parseAtrulePrelude: false,
    onParseError: (e) => out.notes.push(`A rule was passed over: ${e.message}.`),
  })
  const rules = (nodes: csstree.List<csstree.CssNode>, media: string[]) =>
    nodes.forEach((node) => {
      if (node.type === 'Rule') {
        if (node.prelude.type !== 'SelectorList') {
          out.notes.push(`"${generate(node.prelude)}" is no selector and was passed over.`)
          return
        }
        const declarations = declarationsOf(node.block, out.notes)
        if (!declarations.length) return
        node.prelude.children.forEach((s) => {
          if (s.type !== 'Selector') return
          const selector = generate(s)
          if (!media.length && isStatic(s))
            out.statics.push({ selector, specificity: specificityOf(s), declarations })
          else out.dynamics.push({ media: media.join(' and '), selector, declarations })
        })
        return
      }
      if (node.type !== 'Atrule') return
      const prelude = node.prelude ? generate(node.prelude).trim() : ''
      if (node.name === 'media' && node.block) rules(node.block.children, [...media, prelude])
      else if (node.name === 'supports' && node.block) out.raw.push(generate(node))
      else if (/^(-webkit-)?keyframes$|^font-face$/.test(node.name)) out.raw.push(generate(node))
      else
        out.notes.push(
          `@${node.name} was left out${node.name === 'import' ? ': email readers load no other style sheets' : ''}.`,
        )
    })
  if (tree.type === 'StyleSheet') rules(tree.children, [])
  return out
}

/** Shorthands with what they cover: a longhand that stands before one of them says nothing any more. */
const covers: Record<string, RegExp> = {
  margin: /^margin-/,
  padding: /^padding-/,
  border: /^border-(?!radius|collapse|spacing|image)/,
  'border-width': /^border-[a-z]+-width$/,
  'border-style': /^border-[a-z]+-style$/,
  'border-color': /^border-[a-z]+-color$/,
  'border-radius': /^border-.*-radius$/,
  background: /^background-/,
  font: /^font-(?!feature|kerning)|^line-height$/,
  'list-style': /^list-style-/,
  'text-decoration': /^text-decoration-/,
  flex: /^flex-(grow|shrink|basis)$/,
  overflow: /^overflow-/,
}

/**
 * Declarations in the order in which they prevail, each property once: a later one takes the place of an
 * earlier, and a shorthand of its parts.
 */
export function dedupe(declarations: readonly Declaration[]): Declaration[] {
  const out = new Map<string, Declaration>()
  const put = (d: Declaration) => {
    const covered = covers[d.property]
    for (const key of [...out.keys()]) if (key === d.property || covered?.test(key)) out.delete(key)
    out.set(d.property, d)
  }
  declarations.filter((d) => !d.important).forEach(put)
  declarations.filter((d) => d.important).forEach(put)
  return [...out.values()]
}

export const styleText = (declarations: readonly Declaration[]): string =>
  declarations.map((d) => `${d.property}:${d.value}`).join(';')

/**
 * Writes the rules of a sheet into the elements they match, by the cascade (CSS Cascading and Inheritance
 * Level 4, section 6): specificity, then order; an element's own `style` prevails over what is not important.
 * The tree is changed.
 */
export function inlineRules(tree: Root | Element, statics: readonly StaticRule[]): void {
  const found = new Map<Element, { rule: StaticRule; order: number }[]>()
  const selecting = new Selecting(tree)
  statics.forEach((rule, order) => {
    let elements: Element[]
    // A selector that the matcher does not know matches nothing, as in a reader that does not know it.
    try {
      elements = selecting.all(rule.selector)
    } catch {
      return
    }
    for (const e of elements) {
      const hits = found.get(e)
      if (hits) hits.push({ rule, order })
      else found.set(e, [{ rule, order }])
    }
  })
  for (const [element, hits] of found) {
    const sorted = hits
      .sort((a, b) => a.rule.specificity - b.rule.specificity || a.order - b.order)
      .flatMap(({ rule }) => rule.declarations)
    element.properties.style = styleText(
      dedupe([...sorted, ...readStyle(String(element.properties.style ?? ''))]),
    )
  }
}

/** Two style attributes as one, of which the second prevails. */
export const mergedStyles = (under: string, over: string): string =>
  styleText(dedupe([...readStyle(under), ...readStyle(over)]))
