import * as csstree from 'css-tree'
import { tagsOf } from '../html/tags'
import { elementFeature, propertyFeature } from './features'
import { lacking, type SupportData } from './support'

/** What some reader does not support, where it stands in code that a person wrote. */
export interface Hint {
  of: 'html' | 'css'
  /** Counted from 1. */
  line: number
  /** Counted from 0. */
  col: number
  /** As the open data set calls it. */
  title: string
  /** Major readers without it. */
  readers: string[]
}

/** Where an offset stands in a text. */
function placeAt(text: string, offset: number): { line: number; col: number } {
  const before = text.slice(0, offset)
  const start = before.lastIndexOf('\n') + 1
  return { line: before.split('\n').length, col: offset - start }
}

/** What major readers lack of a piece of code, by the open data set, at the line where it first stands. */
export function hintsOf(html: string, css: string, data: SupportData): Hint[] {
  const by = new Map(data.data.map((f) => [f.slug, f]))
  const known = (slug: string) => by.has(slug)
  const seen = new Set<string>()
  const hints: Hint[] = []
  const see = (slug: string, of: Hint['of'], text: string, offset: number) => {
    const feature = by.get(slug)
    if (!feature || seen.has(slug)) return
    seen.add(slug)
    const readers = lacking(data, slug)
    if (readers.length) hints.push({ of, ...placeAt(text, offset), title: feature.title, readers })
  }
  // Values that the data set looks at by themselves have names of their own.
  const slugsOf = (name: string, value: string) => [
    propertyFeature(name, known),
    `css-${name}-${value.trim()}`,
  ]
  for (const tag of tagsOf(html)) {
    if (tag.closing) continue
    see(elementFeature(tag.name, known), 'html', html, tag.from)
    const style = tag.attributes.find((a) => a.name === 'style')
    for (const d of style?.value.split(';') ?? []) {
      const [name = '', value = ''] = d.split(':', 2).map((s) => s.trim().toLowerCase())
      for (const slug of slugsOf(name, value)) see(slug, 'html', html, style!.from)
    }
  }
  const sheet = csstree.parse(css, { positions: true, parseValue: false, onParseError: () => undefined })
  csstree.walk(sheet, (node) => {
    const at = node.loc?.start.offset ?? 0
    if (node.type === 'Declaration')
      for (const slug of slugsOf(node.property, csstree.generate(node.value))) see(slug, 'css', css, at)
    if (node.type === 'Atrule') see(`css-at-${node.name}`, 'css', css, at)
    if (node.type === 'PseudoClassSelector') see(`css-pseudo-class-${node.name}`, 'css', css, at)
  })
  return hints
}
