import { elementsOf } from '../html/elements'
import { edgeOf, paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import type { Cell, Item, Row } from '../email/schema'
import type { TileOf } from '../email/tile'
import { sides, type Sides } from '../email/styles'
import { frameOf, groundPictureOf, handDown, isFramed, ownGround, type Inherited } from './css'
import { asFooter } from './footer'
import { withSpace } from '../email/richtext'
import { boxButton, codeTile, lettersOf, NORMAL, specialItems, wordsTile } from './leaves'
import { clamp, clampInt, percent, plus } from './measures'
import { gapAfter } from '../tiles/words/html'
import { heightOf, hidden, isData, isElement, isText, layout, meaningful } from './source'
import { isOn, parted, stripsOf, type Strip } from './strips'
import { dataTable } from './tables'
import type { Taking } from './taking'
import { blockOf, isInline } from './words'

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
      ...frameOf(e),
      valign: valign === 'middle' || valign === 'bottom' ? valign : 'top',
      ...(isBounded(e) ? { narrow: { keepsWidth: true as const } } : {}),
    }
  })
}

/** Whether a column has a greatest width on narrow too: it wraps by itself, and no class of a sheet could widen it. */
const isBounded = (e: Element): boolean => {
  const s = styleOfElement(e)
  return s.display === 'inline-block' && pxOf(s['max-width']) !== undefined && !e.properties.className
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
  const out = new Gathering(taking, inherited)
  let loose: ElementContent[] = []
  const flushLoose = () => {
    const parts = partedAtPictures(loose, room)
    loose = []
    for (const line of parts) sayLine(line)
  }
  const sayLine = (line: ElementContent[]) => {
    if (!meaningful(line).length) return
    const special = specialItems(taking, line, inherited, room)
    const p: Element = { type: 'element', tagName: 'p', properties: {}, children: line }
    if (special) out.put(special)
    else if (blockOf(p)) out.say(p)
    else out.put([codeTile(taking, { ...p, tagName: 'div' }, inherited)])
  }
  for (const node of nodes) {
    if (isLoose(node)) {
      if (!(isElement(node) && hidden(node))) loose.push(node)
      continue
    }
    if (!isElement(node) || hidden(node) || node.tagName === 'style' || node.tagName === 'map') continue
    flushLoose()
    const special = isParagraph(node) && specialItems(taking, node.children, handDown(node, inherited), room)
    const boxed = node.tagName === 'div' && isBox(node, inherited)
    if (!special && !boxed && isWords(node) && blockOf(node)) out.say(node)
    else if (special) out.put(special, marginsOf(node, handDown(node, inherited).size))
    else out.put(blockItems(taking, node, inherited, room))
  }
  flushLoose()
  return padded(out.end(), padding)
}

/**
 * Items one after the other. Blocks of words are one tile as long as they are set alike, with the spaces that they have; margins of
 * neighbours lie in each other (CSS 2.2, 8.3.1).
 */
class Gathering {
  private readonly items: Item[] = []
  private words: Element[] = []
  /** Space above each of the words, px. */
  private between: number[] = []
  /** Above the first of the words, and beneath the last, px. */
  private above = 0
  private below = 0
  constructor(
    private readonly taking: Taking,
    private readonly inherited: Inherited,
  ) {}

  /** Adds a block of words. */
  say(e: Element): void {
    const margin = marginsOf(e, handDown(e, this.inherited).size)
    const between = Math.max(this.below, margin.top)
    if (!this.isLikeTheRest(e)) this.flush()
    if (!this.words.length) this.above = between
    this.words.push(e)
    this.between.push(between)
    this.below = margin.bottom
  }

  /** Adds what is no words. @param margin of the paragraph that held it, px */
  put(items: readonly Item[], margin = { top: 0, bottom: 0 }): void {
    const more = Math.max(0, margin.top - this.below)
    const [first, ...rest] = items
    const placed = first && more ? [spacedOff(first, more), ...rest] : items
    this.end().push(...placed)
    this.below = margin.bottom
  }

  /** Ends the words. @returns all items */
  end(): Item[] {
    this.flush()
    const last = this.items.at(-1)
    if (this.below && last && last.kind !== 'row')
      last.padding = clamp(plus(last.padding, { ...sides(0), bottom: this.below }))
    this.below = 0
    return this.items
  }

  /** Whether a block is set as those of its sort before it, so that one tile can say how. */
  private isLikeTheRest(e: Element): boolean {
    const isHeading = (x: Element) => /^h[1-6]$/.test(x.tagName)
    const setAs = (x: Element) => JSON.stringify(lettersOf(x, this.inherited))
    const aligned = (x: Element) => handDown(x, this.inherited).align ?? 'left'
    const [any] = this.words
    const [first] = this.words.filter((x) => isHeading(x) === isHeading(e))
    return (!any || aligned(any) === aligned(e)) && (!first || setAs(first) === setAs(e))
  }

  private flush(): void {
    if (!this.words.length) return
    const tile = asFooter(this.spaced(wordsTile(this.taking, this.words, this.inherited)))
    this.items.push({ ...tile, padding: { ...tile.padding, top: clampInt(this.above, 0, 400) } })
    this.words = []
    this.between = []
  }

  /** Words whose blocks have the space that stands under them, where it is not what such a tile has. */
  private spaced(tile: TileOf<'words'>): TileOf<'words'> {
    const { content } = tile.text
    if (content.length !== this.words.length) return tile
    const spaced = content.map((block, i) => {
      const under = this.between[i + 1]
      return under === undefined || Math.abs(under - gapUnder(this.words[i]!, this.inherited)) <= LIKE
        ? block
        : withSpace(block, clampInt(under, 0, 200))
    })
    return { ...tile, text: { type: 'doc', content: spaced } }
  }
}

/** A tile that keeps so much more off what stands above it. @param by px */
const spacedOff = (item: Item, by: number): Item =>
  item.kind === 'row' ? item : { ...item, padding: clamp(plus(item.padding, { ...sides(0), top: by })) }

/** Margins alike within this are the same, px. */
const LIKE = 2

/** Margins of blocks of words where nothing is said, in heights of their letters (WHATWG HTML, 15.3.3 and 15.3.7). */
const usual: Record<string, number> = {
  p: 1,
  ul: 1,
  ol: 1,
  blockquote: 1,
  h1: 0.67,
  h2: 0.83,
  h3: 1,
  h4: 1.33,
  h5: 1.67,
  h6: 2.33,
}

/** Margins above and beneath, px. Lines without an element of their own have none. */
function marginsOf(e: Element, size = 16): { top: number; bottom: number } {
  const s = styleOfElement(e)
  // What was loose in its cell is a paragraph of ours.
  const said = e.position || Object.keys(e.properties).length > 0
  const own = said ? (usual[e.tagName] ?? 0) * size : 0
  const parts = (s.margin ?? '').split(/\s+/)
  const top = s.margin === undefined ? own : (pxOf(parts[0], size) ?? 0)
  const bottom = s.margin === undefined ? own : (pxOf(parts[2] ?? parts[0], size) ?? 0)
  const inside = paddingOf(s)
  return {
    top: inside.top + Math.max(0, pxOf(s['margin-top'], size) ?? top),
    bottom: inside.bottom + Math.max(0, pxOf(s['margin-bottom'], size) ?? bottom),
  }
}

/** The space that the compiler leaves under a block of words, px. */
function gapUnder(e: Element, inherited: Inherited): number {
  const { size = 16, line } = handDown(e, inherited)
  return gapAfter({ line: line ?? size * NORMAL }, /^h[1-6]$/.test(e.tagName) ? 1 : 0)
}

/** A picture takes a line of its own where it is as wide as this part of its room. */
const WIDE = 0.4

/** The picture that a node of a line is, linked or not. */
function pictureIn(node: ElementContent): Element | null {
  if (!isElement(node)) return null
  if (node.tagName === 'img') return node
  const held = node.tagName === 'a' ? meaningful(node.children) : []
  return held.length === 1 && isElement(held[0]!) && held[0].tagName === 'img' ? held[0] : null
}

const isBreak = (node: ElementContent | undefined): boolean =>
  !!node && isElement(node) && node.tagName === 'br'

/** A line parted at pictures that stand above or beneath words: wide ones, and those that a line break parts from them. */
function partedAtPictures(line: ElementContent[], room: number): ElementContent[][] {
  const shown = line.filter((n) => !(n.type === 'text' && !n.value.trim()))
  const parts: ElementContent[][] = [[]]
  for (const node of line) {
    const img = pictureIn(node)
    const at = shown.indexOf(node)
    const width = img && (pxOf(img.properties.width) ?? pxOf(styleOfElement(img).width) ?? 0)
    const alone =
      img &&
      (width! >= WIDE * room ||
        (isBreak(shown[at + 1]) && (at === 0 || isBreak(shown[at - 1]))) ||
        (isBreak(shown[at - 1]) && at === shown.length - 1))
    if (alone) parts.push([node], [])
    else parts.at(-1)!.push(node)
  }
  return parts.length > 1 ? parts.map(withoutBreaks) : [line]
}

/** Without the breaks at its ends, which parted it from pictures. */
function withoutBreaks(line: ElementContent[]): ElementContent[] {
  const empty = (n: ElementContent | undefined) =>
    !!n && (isBreak(n) || (n.type === 'text' && !n.value.trim()))
  const out = [...line]
  while (empty(out[0])) out.shift()
  while (empty(out.at(-1))) out.pop()
  return out
}

/** What stands in a line with others. */
const isLoose = (node: ElementContent): boolean =>
  node.type === 'text' ||
  (isElement(node) && (isInline(node) || node.tagName === 'img' || node.tagName === 'a'))

/** Whether an element draws a box: by a ground of its own, or by edges. */
function isBox(e: Element, inherited: Inherited): boolean {
  const ground = ownGround(e)
  return isFramed(e) || (ground !== undefined && ground !== inherited.background)
}

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

/** An element that draws a box as a row of one cell. Null where it holds columns, or other grounds. */
function boxRow(taking: Taking, e: Element, inside: Inherited, room: number): Item | null {
  const strips = parted(taking, e, inside, sides(0), undefined)
  if (strips.some((s) => s.columns || s.picture || s.content[0] === e || !isOn(s, inside.background)))
    return null
  const items = strips.flatMap((s) => itemsOf(taking, s.content, s.inherited, room, sides(0)))
  const [first, last] = [strips[0]?.padding ?? sides(0), strips.at(-1)?.padding ?? sides(0)]
  return {
    id: taking.id(),
    kind: 'row',
    gap: 0,
    narrow: 'stack',
    cells: [
      {
        id: taking.id(),
        width: Math.max(1, Math.min(1200, room)),
        padding: clamp({ ...first, bottom: last.bottom }),
        align: inside.align ?? 'left',
        valign: 'top',
        ...(inside.background ? { background: inside.background } : {}),
        ...frameOf(e),
        items: items.slice(0, 200),
      },
    ],
  }
}

/** A strip of columns as a row; the space around them is that of a cell that holds it. @param room px */
function columnsRow(taking: Taking, { columns, inherited, gap = 0, padding }: Strip, room: number): Row {
  const { left, right, top, bottom } = clamp(padding)
  const inside = Math.max(40, room - left - right)
  const cells = cellsOf(taking, columns!, inherited, inside - gap * (columns!.length - 1))
  const row: Row = { id: taking.id(), kind: 'row', gap, narrow: 'stack', cells }
  if (!(left || right || top || bottom)) return row
  const held = {
    id: taking.id(),
    width: room,
    padding: clamp(padding),
    align: 'left',
    valign: 'top',
    items: [row],
  } as const
  return { id: taking.id(), kind: 'row', gap: 0, narrow: 'stack', cells: [{ ...held, items: [row] }] }
}

/** A line that an empty block draws with an edge of its own or of what is in it. */
function lineIn(e: Element): Pick<TileOf<'divider'>, 'color' | 'thickness' | 'line'> | null {
  for (const x of elementsOf(e)) {
    const s = styleOfElement(x)
    const edge = edgeOf(s['border-top']) ?? edgeOf(s['border-bottom'])
    if (!edge) continue
    const line = edge.line === 'solid' ? {} : { line: edge.line as TileOf<'divider'>['line'] }
    return { color: edge.color, thickness: clampInt(edge.width, 1, 40), ...line }
  }
  return null
}

/** A block that is neither words nor a picture: a rule, space, a wrapper, a row of columns, or code. */
function blockItems(taking: Taking, e: Element, inherited: Inherited, room: number): Item[] {
  if (e.tagName === 'hr')
    return [{ ...taking.base(), kind: 'divider', color: '#cccccc', thickness: 1, padding: sides(8, 0) }]
  if (!meaningful(e.children).length) {
    const line = lineIn(e)
    if (line) return [{ ...taking.base(), kind: 'divider', ...line }]
    const height = heightOf(e)
    return height >= 1 ? [{ ...taking.base(), kind: 'gap', height: clampInt(height, 1, 2000) }] : []
  }
  const data = e.tagName === 'table' && isData(e) ? dataTable(taking, e, inherited, room) : null
  if (data) return [data]
  if (taking.opaque.has(e) || !layout.has(e.tagName) || isData(e) || groundPictureOf(e))
    return [codeTile(taking, e, inherited)]
  const button = boxButton(taking, e, handDown(e, inherited), inherited)
  if (button) return [button]
  const ground = ownGround(e)
  if (isBox(e, inherited)) {
    const row = boxRow(taking, e, { ...inherited, ...(ground ? { background: ground } : {}) }, room)
    if (row) return [row]
  }
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
        ? [codeTile(taking, e, inherited)]
        : itemsOf(taking, x.content, x.inherited, room, clamp(x.padding)),
    )
  }
  const [strip] = strips
  if (strips.length === 1 && strip!.columns && strip!.columns.length <= 5)
    return [columnsRow(taking, strip!, room)]
  return [codeTile(taking, e, inherited)]
}
