import { paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import type { Cell, Item } from '../email/schema'
import { sides, type Sides } from '../email/styles'
import { handDown, ownGround, type Inherited } from './css'
import { boxButton, codeTile, specialItems, wordsTile } from './leaves'
import { clamp, percent, plus } from './measures'
import { heightOf, hidden, isData, isElement, isText, layout, meaningful } from './source'
import { stripsOf } from './strips'
import type { Taking } from './taking'
import { blockOf, isInline } from './words'

const hasBackgroundPicture = (e: Element): boolean => {
  const { background = '', 'background-image': image = '' } = styleOfElement(e)
  return /url\(/i.test(background + image)
}

/** Elements that stand beside each other as cells. @param room what they share, px */
export function cellsOf(taking: Taking, columns: Element[], inherited: Inherited, room: number): Cell[] {
  const widths = columns.map((e) => {
    const s = styleOfElement(e)
    return (
      pxOf(s['max-width']) ??
      pxOf(s.width) ??
      pxOf(e.properties.width) ??
      percent(String(e.properties.width ?? s.width ?? ''), room)
    )
  })
  const known = widths.reduce<number>((sum, w) => sum + (w ?? 0), 0)
  const unknown = widths.filter((w) => w === undefined).length
  return columns.map((e, i) => {
    const own = handDown(e, inherited)
    const padding = clamp(paddingOf(styleOfElement(e)))
    const ground = ownGround(e)
    const valign = styleOfElement(e)['vertical-align'] ?? e.properties.vAlign
    const cell = cellOf(
      taking,
      e.tagName === 'table' ? [{ ...e, properties: {} }] : e.children,
      own,
      Math.max(20, (widths[i] ?? room / columns.length) - padding.left - padding.right),
      padding,
    )
    return {
      ...cell,
      width: Math.max(1, Math.min(1200, widths[i] ?? Math.max(20, (room - known) / Math.max(1, unknown)))),
      ...(ground && ground !== inherited.background ? { background: ground } : {}),
      valign: valign === 'middle' || valign === 'bottom' ? valign : 'top',
    }
  })
}

/** A stretch of content as a cell. @param room its width, px */
export function cellOf(
  taking: Taking,
  content: readonly ElementContent[],
  inherited: Inherited,
  room: number,
  padding: Sides,
): Cell {
  return {
    id: taking.id(),
    width: Math.max(1, Math.min(1200, room)),
    padding,
    align: inherited.align ?? 'left',
    valign: 'top',
    items: itemsOf(taking, content, inherited, room, sides(0)).slice(0, 200),
  }
}

/** What a stretch of content comes to, tile by tile. */
function itemsOf(
  taking: Taking,
  nodes: readonly ElementContent[],
  inherited: Inherited,
  room: number,
  padding: Sides,
): Item[] {
  const out: Item[] = []
  let words: Element[] = []
  let loose: ElementContent[] = []
  const flushWords = () => {
    if (words.length) out.push(wordsTile(taking, words, inherited))
    words = []
  }
  const flushLoose = () => {
    if (meaningful(loose).length) {
      const special = specialItems(taking, loose, inherited, room)
      if (special) {
        flushWords()
        out.push(...special)
      } else words.push({ type: 'element', tagName: 'p', properties: {}, children: loose })
    }
    loose = []
  }
  for (const node of nodes) {
    if (isLoose(node)) {
      if (!(isElement(node) && hidden(node))) loose.push(node)
      continue
    }
    if (!isElement(node) || hidden(node) || node.tagName === 'style') continue
    flushLoose()
    const special = isParagraph(node) && specialItems(taking, node.children, handDown(node, inherited), room)
    if (!special && isWords(node) && blockOf(node)) words.push(node)
    else {
      flushWords()
      out.push(...(special || blockItems(taking, node, inherited, room)))
    }
  }
  flushLoose()
  flushWords()
  return padded(out, padding)
}

/** What stands in a line with others. */
const isLoose = (node: ElementContent): boolean =>
  node.type === 'text' ||
  (isElement(node) && (isInline(node) || node.tagName === 'img' || node.tagName === 'a'))

/** What may hold nothing but words. */
const isWords = (e: Element): boolean =>
  isText(e) || (e.tagName === 'div' && meaningful(e.children).length > 0 && e.children.every(isInline))

/** Words that may as well be a picture or a button in a line of its own. */
const isParagraph = (e: Element): boolean => isWords(e) && !/^(ul|ol|blockquote)$/.test(e.tagName)

/** Items with the padding of what held them. */
function padded(items: Item[], padding: Sides): Item[] {
  const pad = (item: Item | undefined, p: Partial<Sides>) => {
    if (item && item.kind !== 'row') item.padding = clamp(plus(item.padding, { ...sides(0), ...p }))
  }
  pad(items[0], { top: padding.top })
  pad(items.at(-1), { bottom: padding.bottom })
  for (const item of items) pad(item, { left: padding.left, right: padding.right })
  return items
}

/** A block that is neither words nor a picture: a rule, space, a wrapper, a row of columns, or code. */
function blockItems(taking: Taking, e: Element, inherited: Inherited, room: number): Item[] {
  if (e.tagName === 'hr')
    return [{ ...taking.base(), kind: 'divider', color: '#cccccc', thickness: 1, padding: sides(8, 0) }]
  if (!meaningful(e.children).length) {
    const height = heightOf(e)
    return height >= 1 ? [{ ...taking.base(), kind: 'gap', height: Math.min(2000, height) }] : []
  }
  if (taking.opaque.has(e) || !layout.has(e.tagName) || isData(e) || hasBackgroundPicture(e))
    return [codeTile(taking, e)]
  const button = boxButton(taking, e, handDown(e, inherited))
  if (button) return [button]
  const strips = stripsOf(taking, e, inherited, sides(0))
  const plain = strips.every(
    (x) =>
      !x.columns &&
      !(x.inherited.background !== undefined && x.inherited.background !== inherited.background),
  )
  if (plain) {
    // A strip that is the element itself would go round in circles.
    return strips.flatMap((x) =>
      x.content.length === 1 && x.content[0] === e
        ? [codeTile(taking, e)]
        : itemsOf(taking, x.content, x.inherited, room, clamp(x.padding)),
    )
  }
  if (strips.length === 1 && strips[0]!.columns && strips[0]!.columns.length <= 5)
    return [
      {
        id: taking.id(),
        kind: 'row',
        gap: strips[0]!.gap ?? 0,
        narrow: 'stack',
        cells: cellsOf(taking, strips[0]!.columns, strips[0]!.inherited, room),
      },
    ]
  return [codeTile(taking, e)]
}
