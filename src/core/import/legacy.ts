import type { Element, ElementContent, Root, RootContent } from 'hast'
import { paddingOf, pxOf } from '../html/values'
import { readStyle, styleText } from '../html/stylesheet'
import { isElement } from './source'

/*
 * What old markup says by attributes and by elements of its own, as the CSS that it stands for (WHATWG HTML, 15: Rendering): the rest
 * of the taking in reads CSS alone.
 */

/** Letter sizes of `<font size>`, px (WHATWG HTML, 15.3.4: `font-size` keywords of a medium of 16 px). */
const fontSizes = [10, 13, 16, 18, 24, 32, 48]

/** A picture of at most so many px in one direction keeps room and shows nothing. */
const SPACER = 2

/** What files of such pictures are called (common practice, no source). */
const spacerNames = ['spacer', 'blank', 'clear', 'transparent', 'pixel', 'shim']

const styleOf = (e: Element): string => String(e.properties.style ?? '')

/** Declarations that count unless the element has them itself. */
const under = (e: Element, css: string): void => {
  if (css) e.properties.style = `${css};${styleOf(e)}`
}

/** `font` as its longhands (CSS Fonts 4, 2.7): weight and slant, size, line height, family. */
export function longhands(font: string): string {
  const words = font.replaceAll(' /', '/').replaceAll('/ ', '/').trim().split(/\s+/)
  const at = words.findIndex((w) => /^[\d.]+(?:px|pt|em|rem|%)/.test(w))
  const family = words.slice(at + 1).join(' ')
  if (at < 0 || !family) return ''
  const before = words.slice(0, at)
  const [size, line] = words[at]!.split('/')
  return [
    `font-weight:${before.some((w) => w === 'bold' || Number(w) >= 600) ? 'bold' : 'normal'}`,
    before.some((w) => w === 'italic' || w === 'oblique') ? 'font-style:italic' : '',
    `font-size:${size}`,
    `line-height:${line ?? 'normal'}`,
    `font-family:${family}`,
  ]
    .filter(Boolean)
    .join(';')
}

const attribute = (e: Element, name: string): string => String(e.properties[name] ?? '').trim()

function fontElement(e: Element): string {
  const size = attribute(e, 'size')
  const at = /^[+-]\d$/.test(size) ? 3 + Number(size) : Number(size)
  const color = attribute(e, 'color')
  const face = attribute(e, 'face')
  return [
    face && `font-family:${face}`,
    at >= 1 && at <= 7 ? `font-size:${fontSizes[Math.round(at) - 1]}px` : '',
    color && `color:${color}`,
  ]
    .filter(Boolean)
    .join(';')
}

/** Room that a picture without a look keeps: its height where it has one. */
function spacer(e: Element): ElementContent[] | null {
  if (attribute(e, 'alt')) return null
  const style = Object.fromEntries(readStyle(styleOf(e)).map((d) => [d.property, d.value]))
  const width = pxOf(e.properties.width) ?? pxOf(style.width)
  const height = pxOf(e.properties.height) ?? pxOf(style.height)
  const file = attribute(e, 'src').split('/').at(-1)!.toLowerCase()
  const named = spacerNames.some((n) => file.startsWith(n)) && /\.(?:gif|png)$/.test(file)
  if (!named && !(width !== undefined && width <= SPACER) && !(height !== undefined && height <= SPACER))
    return null
  return (height ?? 0) > SPACER
    ? [{ type: 'element', tagName: 'div', properties: { style: `height:${height}px` }, children: [] }]
    : []
}

/** @param cellpadding of the table around, px */
function turned(node: ElementContent, cellpadding: number): ElementContent[] {
  if (!isElement(node)) return [node]
  // Elements of an office program's own stand around words.
  if (node.tagName.includes(':')) return node.children.flatMap((c) => turned(c, cellpadding))
  if (node.tagName === 'img') return spacer(node) ?? [node]
  const font = readStyle(styleOf(node)).find((d) => d.property === 'font')
  if (font) under(node, longhands(font.value))
  if (node.tagName === 'font') {
    under(node, fontElement(node))
    node.tagName = 'span'
  }
  const picture = attribute(node, 'background')
  if (picture) under(node, `background-image:url('${picture.replace(/'/g, '%27')}')`)
  const padded = Object.values(
    paddingOf(Object.fromEntries(readStyle(styleOf(node)).map((d) => [d.property, d.value]))),
  ).some(Boolean)
  if ((node.tagName === 'td' || node.tagName === 'th') && cellpadding && !padded)
    under(node, `padding:${cellpadding}px`)
  const inside = node.tagName === 'table' ? (pxOf(node.properties.cellPadding) ?? 1) : cellpadding
  node.children = node.children.flatMap((c) => turned(c, inside > 1 ? inside : 0))
  return [node]
}

const opposite: Record<string, string> = { left: 'right', right: 'left' }
const swapped = (word: string): string => opposite[word] ?? word

/** Left and right of a style changed for each other. */
function mirrored(style: string): string {
  return styleText(
    readStyle(style).map((d) => {
      const property = d.property.replace(/\b(left|right)\b/, swapped)
      const parts = d.value.split(/\s+/)
      if (/^(padding|margin)$/.test(property) && parts.length === 4)
        return { ...d, value: [parts[0], parts[3], parts[2], parts[1]].join(' ') }
      if (/^(text-align|float)$/.test(property)) return { ...d, value: swapped(d.value) }
      return { ...d, property }
    }),
  )
}

/** In a document "left" is the side where lines begin: one that runs from right to left is turned round. */
function mirror(node: Root | ElementContent): void {
  if (node.type === 'element') {
    if (node.properties.style) node.properties.style = mirrored(String(node.properties.style))
    if (node.properties.align) node.properties.align = swapped(String(node.properties.align))
  }
  if ('children' in node) node.children.forEach((c) => mirror(c as ElementContent))
}

/** A tree whose old markup says in CSS what it says; it is changed in place. */
export function modernised(tree: Root): Root {
  tree.children = tree.children.flatMap((n): RootContent[] => (n.type === 'doctype' ? [n] : turned(n, 0)))
  if (directionOf(tree) === 'rtl') mirror(tree)
  return tree
}

/** How deep a direction is looked for: on the root, the body, or what alone stands in it. */
const DEEP = 8

/** The direction of all of an email, wherever around it that is said. */
export function directionOf(tree: Root): 'ltr' | 'rtl' {
  const inner = (e: Root | Element): Element[] =>
    (e.children as ElementContent[]).filter(
      (n): n is Element => n.type === 'element' && !['head', 'style'].includes(n.tagName),
    )
  let at = inner(tree)
  for (let deep = 0; deep < DEEP && at.length === 1; deep++) {
    const [e] = at as [Element]
    const direction = readStyle(styleOf(e)).find((d) => d.property === 'direction')?.value
    if (attribute(e, 'dir') === 'rtl' || direction === 'rtl') return 'rtl'
    if (attribute(e, 'dir') === 'ltr') return 'ltr'
    at = inner(e)
  }
  return 'ltr'
}
