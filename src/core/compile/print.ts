import type { Element, ElementContent, Root, RootContent } from 'hast'
import { toHtml } from 'hast-util-to-html'

/**
 * Elements between whose children white space changes nothing, so that each child may stand on a line of its
 * own.
 */
const structural = new Set(['html', 'head', 'body', 'table', 'thead', 'tbody', 'tr', 'ul', 'ol', 'picture'])

/**
 * True for an element that holds only elements and comments, at least one of them a layout element: its
 * children get lines of their own.
 */
function opens(node: Element): boolean {
  if (structural.has(node.tagName)) return true
  if (node.tagName !== 'td' && node.tagName !== 'div') return false
  return (
    node.children.length > 0 &&
    node.children.every(
      (c) => c.type === 'comment' || (c.type === 'element' && c.tagName !== 'span' && c.tagName !== 'img'),
    )
  )
}

/** Where a marked element stands in a printed text: lines counted from 0, the last one included. */
export interface Lines {
  id: string
  from: number
  to: number
}

// Characters that no document holds (element.ts leaves them out of every text) stand for the begin and the
// end of a marked element while it is printed.
const BEGIN = '\u0001',
  END = '\u0002',
  STOP = '\u0003'

/**
 * The tree made ready for printing: line ends and indentation where they change nothing, and marks where
 * marked elements begin and end. The tree itself stays as it is.
 */
function prepared(node: ElementContent, depth: number, o: PrintOptions): ElementContent[] {
  if (node.type !== 'element') return [node]
  const { dataM, ...properties } = node.properties
  const id = dataM === undefined ? undefined : String(dataM)
  const lines = o.indent && node.children.length > 0 && opens(node)
  const inner = lines ? [{ type: 'text' as const, value: `\n${'  '.repeat(depth + 1)}` }] : []
  const children = node.children.flatMap((child) => [...inner, ...prepared(child, depth + 1, o)])
  if (lines) children.push({ type: 'text', value: `\n${'  '.repeat(depth)}` })
  const element: Element = { ...node, properties: o.marks ? node.properties : properties, children }
  if (!o.classes) delete element.properties.className
  return id === undefined
    ? [element]
    : [
        { type: 'comment', value: `${BEGIN}${id}${STOP}` },
        element,
        { type: 'comment', value: `${END}${id}${STOP}` },
      ]
}

export interface PrintOptions {
  indent: boolean
  /** Keeps `data-m`. */
  marks: boolean
  /** Keeps class names. */
  classes: boolean
}

/**
 * A tree as HTML text. Void elements stand without a slash, attributes always in double quotes (so that a
 * single one in them needs no escape).
 */
export const print = (node: RootContent | Root): string =>
  toHtml(node, {
    quote: '"',
    allowDangerousCharacters: true,
    characterReferences: { useNamedReferences: true, omitOptionalSemicolons: false },
  })

/**
 * Trees as HTML text, one below the other, with the lines of every marked element.
 * @param depth of indentation
 */
export function printMapped(
  nodes: readonly ElementContent[],
  depth: number,
  o: PrintOptions,
): { html: string; lines: number; places: Lines[] } {
  const pad = o.indent ? '  '.repeat(depth) : ''
  const raw = nodes
    .map(
      (n) =>
        pad +
        prepared(n, depth, o)
          .map((x) => print(x))
          .join(''),
    )
    .join(o.indent ? '\n' : '')
  const places: Lines[] = []
  const open = new Map<string, Lines>()
  let html = '',
    line = 0
  // Split by a pattern of two groups: text, which mark, whose, text, ...
  const parts = raw.split(marks)
  parts.forEach((part, i) => {
    if (i % 3 === 0) {
      html += part
      for (let at = part.indexOf('\n'); at >= 0; at = part.indexOf('\n', at + 1)) line++
    } else if (i % 3 === 2) {
      if (parts[i - 1] === BEGIN) {
        const place = { id: part, from: line, to: line }
        open.set(part, place)
        places.push(place)
      } else open.get(part)!.to = line
    }
  })
  return { html, lines: line + 1, places }
}
const marks = new RegExp(`<!--([${BEGIN}${END}])([^${STOP}]*)${STOP}-->`)
