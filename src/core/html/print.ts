import type { Element, ElementContent, Properties, Root, RootContent } from 'hast'
import { find, html, type Info } from 'property-information'
import { guarded } from './element'

/** Elements without an end tag (WHATWG HTML, 13.1.2). */
export const voidElements: ReadonlySet<string> = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
])

/** Elements whose text is printed as it is (WHATWG HTML, 13.1.2: raw text). */
const rawText = new Set(['style', 'script'])

/** Elements between whose children white space changes nothing: each child may stand on a line of its own. */
const structural = new Set(['html', 'head', 'body', 'table', 'thead', 'tbody', 'tr', 'ul', 'ol', 'picture'])

/** The outermost elements of a document, whose children stand on lines of their own in every form. */
const outermost = new Set(['html', 'body'])

/** Where a marked element stands in a printed text: lines counted from 0, the last one included. */
export interface Lines {
  id: string
  from: number
  to: number
}

export interface PrintOptions {
  /** Spaces for each depth, on lines that begin where they change nothing; null: all in one line, but for the outermost elements. */
  indent: number | null
  /** Keeps `data-m`, the mark of bands, cells and tiles. */
  marks: boolean
}

/** A printed text with where its marked elements stand. */
export interface Printed {
  html: string
  lines: number
  places: Lines[]
}

/** Text between tags (WHATWG HTML, 13.3: what must be escaped there). */
const escapeText = (value: string): string => value.replace(/[&<]/g, (c) => (c === '&' ? '&amp;' : '&lt;'))

/** An attribute's value between double quotes, where a single quote needs no escape. */
const escapeValue = (value: string): string =>
  value.replace(/[&"\0]/g, (c) => (c === '&' ? '&amp;' : c === '"' ? '&quot;' : '&#x0;'))

const escapeName = (name: string): string =>
  name.replace(/[\0\t\n\f\r "&'/<=>]/g, (c) => `&#x${c.charCodeAt(0).toString(16).toUpperCase()};`)

/** What a property comes to as an attribute: some stand for themselves, without a value. */
function settled(value: NonNullable<Properties[string]>, info: Info): NonNullable<Properties[string]> {
  const bare = value === '' || value === info.attribute
  if (info.overloadedBoolean && bare) return true
  return (info.boolean || info.overloadedBoolean) && (typeof value !== 'string' || bare)
    ? Boolean(value)
    : value
}

/** Attributes as they stand in a start tag, with a space before each. @param escape of values */
function attributes(properties: Properties, escape: (value: string) => string, marks: boolean): string {
  let out = ''
  for (const [key, value] of Object.entries(properties)) {
    if (value === null || value === undefined || value === false || Number.isNaN(value)) continue
    if (key === 'dataM' && !marks) continue
    const info = find(html, key)
    const shown = settled(value, info)
    if (shown === false) continue
    out += ` ${escapeName(info.attribute)}`
    if (shown === true) continue
    const text = Array.isArray(shown) ? shown.join(info.commaSeparated ? ', ' : ' ') : String(shown)
    out += `="${escape(text)}"`
  }
  return out
}

/** @param word for the Word engine, inside a comment */
export const startTag = (
  node: Pick<Element, 'tagName' | 'properties' | 'hints'>,
  word = false,
  marks = false,
): string =>
  `<${node.tagName}${attributes(node.properties, word || node.hints?.guarded ? guarded : escapeValue, marks)}>`

export const endTag = (node: Pick<Element, 'tagName'>): string => `</${node.tagName}>`

/** Content for the Word engine: all in one line, and nothing in it that could end the comment around it. */
export const printWord = (nodes: readonly ElementContent[], raw = false): string =>
  nodes
    .map((n) => {
      if (n.type === 'text') return raw ? n.value : guarded(n.value)
      if (n.type === 'verbatim') return n.value
      if (n.type !== 'element') return ''
      const content = printWord(n.children, rawText.has(n.tagName))
      return startTag(n, true) + content + (voidElements.has(n.tagName) && !content ? '' : endTag(n))
    })
    .join('')

/**
 * True for an element that holds only elements and comments, at least one of them a layout element: its
 * children get lines of their own.
 */
function opens(node: Element): boolean {
  if (structural.has(node.tagName)) return true
  if (node.tagName !== 'td' && node.tagName !== 'div') return false
  return node.children.every(
    (c) =>
      c.type === 'comment' ||
      c.type === 'slot' ||
      (c.type === 'element' && c.tagName !== 'span' && c.tagName !== 'img'),
  )
}

/** Writes nodes one after the other, and knows at every point which line it stands on. */
class Printer {
  readonly places: Lines[] = []
  readonly parts: string[] = []
  /** How many parts stand before the slot. */
  slot = -1
  line = 0
  constructor(private readonly o: PrintOptions) {}

  write(text: string): void {
    this.parts.push(text)
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) this.line++
  }

  /** What stands before a line. */
  margin(depth: number): string {
    return ' '.repeat((this.o.indent ?? 0) * depth)
  }

  node(node: ElementContent | RootContent, depth: number, raw: boolean): void {
    if (node.type === 'element') this.element(node, depth)
    else if (node.type === 'text') this.write(raw ? node.value : escapeText(node.value))
    else if (node.type === 'comment')
      this.write(`<!--${node.value.replace(/^>|^->|<!--|-->|--!>|<!-$/g, escapeComment)}-->`)
    else if (node.type === 'doctype') this.write('<!DOCTYPE html>')
    else if (node.type === 'slot') this.slot = this.parts.length
    else if (node.type === 'verbatim') this.write(node.value)
  }

  private element(node: Element, depth: number): void {
    const id = node.properties.dataM
    // An element may mark several things, the outermost first.
    const ids = id === undefined || id === null ? [] : String(id).split(' ')
    const places = ids.map((of) => ({ id: of, from: this.line, to: this.line }))
    this.places.push(...places)
    this.write(startTag(node, false, this.o.marks))
    const holdsSlot = node.children.some((c) => c.type === 'slot')
    const lined =
      node.children.length > 0 &&
      (holdsSlot || outermost.has(node.tagName) || (this.o.indent !== null && opens(node)))
    // What an html element holds stands as far left as it does.
    const inner = node.tagName === 'html' ? depth : depth + 1
    for (const child of node.children) {
      // What is put into a slot brings its own indentation and line end.
      if (lined) this.write(child.type === 'slot' ? '\n' : `\n${this.margin(inner)}`)
      this.node(child, inner, rawText.has(node.tagName))
    }
    if (lined) this.write(holdsSlot ? this.margin(depth) : `\n${this.margin(depth)}`)
    if (!voidElements.has(node.tagName) || node.children.length) this.write(endTag(node))
    for (const place of places) place.to = this.line
  }
}

const escapeComment = (s: string): string => s.replace(/[<>]/g, (c) => (c === '<' ? '&lt;' : '&gt;'))

/**
 * Trees as HTML text, one below the other, with the lines of every marked element. Attributes stand in double quotes, void elements without a
 * slash. What is for the Word engine alone has to be comments by now (`toComments`). @param depth of indentation
 */
export function printMapped(nodes: readonly ElementContent[], depth: number, o: PrintOptions): Printed {
  const printer = new Printer(o)
  nodes.forEach((n, i) => {
    if (o.indent !== null) printer.write((i ? '\n' : '') + printer.margin(depth))
    printer.node(n, depth, false)
  })
  return { html: printer.parts.join(''), lines: printer.line + 1, places: printer.places }
}

/** What stands around a slot as HTML text, in the two parts before and after it. @param depth of indentation */
export function printAround(root: Root, o: PrintOptions, depth = 0): [before: string, after: string] {
  const printer = new Printer(o)
  for (const node of root.children) {
    if (o.indent !== null) printer.write(printer.margin(depth))
    printer.node(node, depth, false)
    printer.write('\n')
  }
  return [printer.parts.slice(0, printer.slot).join(''), printer.parts.slice(printer.slot).join('')]
}
