import { paddingOf, pxOf, styleOfElement } from '../html/values'
import { type Tile } from '../email/tile'
import type { Element, ElementContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { inlineDocument } from '../compile/by-hand'
import { print } from '../html/print'
import { elementsOf, readSheet } from '../html/stylesheet'
import { newId, type NewId } from '../email/defaults'
import type { Band, Cell, Email, Item } from '../email/schema'
import { sides, type Sides, type TextStyleOverride } from '../email/styles'
import type { Block } from '../email/richtext'
import { eachInline } from '../email/richtext'
import type { PictureRef } from '../picture/ref'
import { ownGround, handDown, type Inherited } from './css'
import { blockOf, isInline } from './words'

/** What could be made of an email's HTML. */
export interface ImportedBands extends Pick<
  Email,
  'bands' | 'width' | 'lang' | 'dir' | 'title' | 'preheader'
> {
  /** What the person should know, a sentence each. */ notes: string[]
}

/** A horizontal strip of the source: a row of columns or a single stretch, with what its wrappers gave it. */
interface Strip {
  columns: Element[] | null
  /** Between columns, px. */ gap?: number
  content: ElementContent[]
  inherited: Inherited
  padding: Sides
}

const layout = new Set([
  'table',
  'tbody',
  'thead',
  'tfoot',
  'tr',
  'td',
  'th',
  'div',
  'center',
  'section',
  'article',
  'main',
  'header',
  'footer',
  'body',
])
const isElement = (n: ElementContent): n is Element => n.type === 'element'
const hidden = (e: Element) => {
  const s = styleOfElement(e)
  return (
    s.display === 'none' || s['mso-hide'] === 'all' || (s['max-height'] === '0' && s.overflow === 'hidden')
  )
}
/** Invisible characters pad preheaders and empty cells. */
const visible = (s: string) => s.replace(/\u034f|[\s\u00a0\u200b\u200c\ufeff]|\u200d/g, '') !== ''
const meaningful = (nodes: readonly ElementContent[]) =>
  nodes.filter((n) =>
    n.type === 'text' ? visible(n.value) : isElement(n) && !hidden(n) && n.tagName !== 'style',
  )
const plus = (a: Sides, b: Sides): Sides => ({
  top: a.top + b.top,
  right: a.right + b.right,
  bottom: a.bottom + b.bottom,
  left: a.left + b.left,
})
const clamp = (p: Sides): Sides => ({
  top: Math.min(400, p.top),
  right: Math.min(400, p.right),
  bottom: Math.min(400, p.bottom),
  left: Math.min(400, p.left),
})
/** An element and all in it that is seen. */
function* shownIn(e: Element): Generator<Element> {
  if (!hidden(e)) {
    yield e
    for (const c of e.children) if (isElement(c)) yield* shownIn(c)
  }
}
const cellsOfRow = (tr: Element) =>
  tr.children.filter((c): c is Element => isElement(c) && (c.tagName === 'td' || c.tagName === 'th'))
const rowsOf = (table: Element): Element[] =>
  table.children.flatMap((c) =>
    !isElement(c)
      ? []
      : c.tagName === 'tr'
        ? [c]
        : ['tbody', 'thead', 'tfoot'].includes(c.tagName)
          ? rowsOf(c)
          : [],
  )
/** A table of data has header cells or a caption of its own; one further inside says nothing of it. */
const isData = (table: Element) =>
  table.properties.role !== 'presentation' &&
  (table.children.some((c) => isElement(c) && c.tagName === 'caption') ||
    rowsOf(table).some((r) => cellsOfRow(r).some((c) => c.tagName === 'th')))

/** Blocks beside each other without a table: inline blocks, or blocks that float. */
const beside = (e: Element) => {
  const s = styleOfElement(e)
  return (
    s.display === 'inline-block' ||
    s.float === 'left' ||
    s.float === 'right' ||
    (e.tagName === 'table' && (e.properties.align === 'left' || e.properties.align === 'right'))
  )
}
const isText = (e: Element) => /^(p|h[1-6]|ul|ol|blockquote)$/.test(e.tagName)

class Reader {
  readonly notes = new Set<string>()
  /** What can only become code. */
  private readonly opaque = new WeakSet<Element>()
  codes = 0
  constructor(
    private readonly css: string,
    private readonly pictures: Readonly<Record<string, PictureRef>>,
    private readonly id: NewId,
  ) {}

  strips(node: Element, inherited: Inherited, padding: Sides): Strip[] {
    const own = handDown(node, inherited)
    const whole: Strip = { columns: null, content: [node], inherited, padding }
    // A button is one thing, however many boxes it is drawn with; so is space of a settled height.
    if (!meaningful(node.children).length) return heightOf(node) >= 1 ? [whole] : []
    if (node.tagName !== 'body' && this.boxButton(node, own)) return [whole]
    if (node.tagName === 'table') {
      if (isData(node)) return [whole]
      const inside = plus(padding, paddingOf(styleOfElement(node)))
      const rows = rowsOf(node).filter((r) => !hidden(r))
      return rows.flatMap((r, i) =>
        this.row(r, handDown(r, own), {
          ...inside,
          top: i ? 0 : inside.top,
          bottom: i < rows.length - 1 ? 0 : inside.bottom,
        }),
      )
    }
    const inside = plus(padding, paddingOf(styleOfElement(node)))
    const children = meaningful(node.children)
    const elements = children.filter(isElement)
    if (elements.length > 1 && elements.length === children.length && elements.every(beside)) {
      const filled = elements.filter((e) => meaningful(e.children).length || ownGround(e))
      const between = elements.find((e) => !filled.includes(e))
      if (filled.length > 1 && filled.length <= 5)
        return [
          {
            columns: filled,
            gap: Math.min(200, (between && pxOf(styleOfElement(between).width)) ?? 0),
            content: [],
            inherited: own,
            padding: inside,
          },
        ]
    }
    if (
      elements.length &&
      elements.length === children.length &&
      elements.every((e) => layout.has(e.tagName))
    ) {
      return elements.flatMap((e, i) =>
        this.strips(e, own, {
          ...inside,
          top: i ? 0 : inside.top,
          bottom: i < elements.length - 1 ? 0 : inside.bottom,
        }),
      )
    }
    return [{ columns: null, content: node.children, inherited: own, padding: inside }]
  }

  private row(tr: Element, inherited: Inherited, padding: Sides): Strip[] {
    const all = cellsOfRow(tr)
    // An empty cell between others is the gap between them.
    const cells = all.length > 1 ? all.filter((c) => meaningful(c.children).length || ownGround(c)) : all
    if (cells.length === 1) return this.strips(cells[0]!, inherited, padding)
    if (!cells.length) return []
    if (cells.length > 5) {
      const table: Element = {
        type: 'element',
        tagName: 'table',
        properties: { role: 'presentation', width: '100%' },
        children: [tr],
      }
      this.opaque.add(table)
      return [{ columns: null, content: [table], inherited, padding }]
    }
    const between = all
      .slice(all.indexOf(cells[0]!), all.indexOf(cells.at(-1)!))
      .filter((c) => !cells.includes(c))
    const gap = between.length
      ? (pxOf(styleOfElement(between[0]!).width) ?? pxOf(between[0]!.properties.width) ?? 0)
      : 0
    return [{ columns: cells, gap: Math.min(200, gap), content: [], inherited, padding }]
  }

  band(strip: Strip, index: number, width: number): Band {
    const { columns, inherited } = strip
    const padding = clamp(strip.padding)
    const room = Math.max(40, width - padding.left - padding.right)
    const cells = columns
      ? this.columns(columns, inherited, room)
      : [this.cell(strip.content, inherited, room, sides(0))]
    const items = cells.flatMap((c) => c.items)
    const said = items
      .flatMap((i) =>
        i.kind === 'words'
          ? [firstWords(i)]
          : i.kind === 'picture'
            ? [i.alt ?? '']
            : i.kind === 'button'
              ? [i.label]
              : [],
      )
      .find((s) => s.trim())
    return {
      id: this.id(),
      name: (said ?? `Band ${index + 1}`).trim().split(/\s+/).slice(0, 3).join(' ').slice(0, 40),
      role: 'main',
      ...(inherited.background ? { background: inherited.background } : {}),
      padding,
      gap: strip.gap ?? 0,
      narrow: 'stack',
      show: 'all',
      cells,
    }
  }

  private columns(columns: Element[], inherited: Inherited, room: number): Cell[] {
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
      const cell = this.cell(
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

  private cell(content: readonly ElementContent[], inherited: Inherited, room: number, padding: Sides): Cell {
    return {
      id: this.id(),
      width: Math.max(1, Math.min(1200, room)),
      padding,
      align: inherited.align ?? 'left',
      valign: 'top',
      items: this.items(content, inherited, room, sides(0)).slice(0, 200),
    }
  }

  /** What a stretch of content comes to, tile by tile. */
  private items(
    nodes: readonly ElementContent[],
    inherited: Inherited,
    room: number,
    padding: Sides,
  ): Item[] {
    const out: Item[] = []
    let words: Element[] = []
    let loose: ElementContent[] = []
    const flushWords = () => {
      if (words.length) {
        out.push(this.words(words, inherited))
        words = []
      }
    }
    const flushLoose = () => {
      if (meaningful(loose).length) {
        const special = this.special(loose, inherited, room)
        if (special) {
          flushWords()
          out.push(...special)
        } else words.push({ type: 'element', tagName: 'p', properties: {}, children: loose })
      }
      loose = []
    }
    for (const node of nodes) {
      if (node.type === 'comment') continue
      if (
        node.type === 'text' ||
        (isElement(node) && (isInline(node) || node.tagName === 'img' || node.tagName === 'a'))
      ) {
        if (!(isElement(node) && hidden(node))) loose.push(node)
        continue
      }
      if (!isElement(node) || hidden(node) || node.tagName === 'style') continue
      flushLoose()
      if (
        isText(node) ||
        (node.tagName === 'div' && meaningful(node.children).length > 0 && node.children.every(isInline))
      ) {
        const special = /^(ul|ol|blockquote)$/.test(node.tagName)
          ? null
          : this.special(node.children, handDown(node, inherited), room)
        if (special) {
          flushWords()
          out.push(...special)
          continue
        }
        if (blockOf(node)) {
          words.push(node)
          continue
        }
      }
      flushWords()
      out.push(...this.block(node, inherited, room))
    }
    flushLoose()
    flushWords()
    const [first, last] = [out[0], out.at(-1)]
    const pad = (item: Item | undefined, p: Partial<Sides>) => {
      if (item && item.kind !== 'row') item.padding = clamp(plus(item.padding, { ...sides(0), ...p }))
    }
    pad(first, { top: padding.top })
    pad(last, { bottom: padding.bottom })
    for (const item of out) pad(item, { left: padding.left, right: padding.right })
    return out
  }

  private base = () => ({ id: this.id(), padding: sides(0), show: 'all' as const })

  /** A block that is neither words nor a picture: a rule, space, a wrapper, a row of columns, or code. */
  private block(e: Element, inherited: Inherited, room: number): Item[] {
    if (e.tagName === 'hr')
      return [{ ...this.base(), kind: 'divider', color: '#cccccc', thickness: 1, padding: sides(8, 0) }]
    if (!meaningful(e.children).length) {
      const height = heightOf(e)
      return height >= 1 ? [{ ...this.base(), kind: 'gap', height: Math.min(2000, height) }] : []
    }
    if (
      this.opaque.has(e) ||
      !layout.has(e.tagName) ||
      isData(e) ||
      /background(-image)?\s*:[^;]*url\(/i.test(String(e.properties.style ?? ''))
    )
      return [this.code(e)]
    const button = this.boxButton(e, handDown(e, inherited))
    if (button) return [button]
    const strips = this.strips(e, inherited, sides(0))
    const plain = strips.every(
      (x) =>
        !x.columns &&
        !(x.inherited.background !== undefined && x.inherited.background !== inherited.background),
    )
    if (plain) {
      // A strip that is the element itself would go round in circles.
      return strips.flatMap((x) =>
        x.content.length === 1 && x.content[0] === e
          ? [this.code(e)]
          : this.items(x.content, x.inherited, room, clamp(x.padding)),
      )
    }
    if (strips.length === 1 && strips[0]!.columns && strips[0]!.columns.length <= 5)
      return [
        {
          id: this.id(),
          kind: 'row',
          gap: strips[0]!.gap ?? 0,
          narrow: 'stack',
          cells: this.columns(strips[0]!.columns, strips[0]!.inherited, room),
        },
      ]
    return [this.code(e)]
  }

  /** A table of one coloured cell that holds nothing but a link is a button. */
  private boxButton(e: Element, inherited: Inherited): Tile | null {
    const all = [...shownIn(e)]
    const links = all.filter((x) => x.tagName === 'a')
    const box = all.find((x) => ownGround(x))
    if (
      links.length !== 1 ||
      !box ||
      all.some((x) => x.tagName === 'img' || (isText(x) && x.tagName !== 'p'))
    )
      return null
    const words = textOf(e).trim()
    if (!words || words !== textOf(links[0]!).trim() || words.length > 80) return null
    return this.buttonTile(links[0]!, box, inherited, words)
  }

  private buttonTile(a: Element, box: Element, inherited: Inherited, label: string): Tile {
    const letters = handDown(a, inherited)
    const s = styleOfElement(box),
      own = styleOfElement(a)
    const inside = [paddingOf(own), paddingOf(s)].reduce((x, y) => (x.left + x.top >= y.left + y.top ? x : y))
    const radius = pxOf(s['border-radius']) ?? pxOf(own['border-radius'])
    return {
      ...this.base(),
      kind: 'button',
      label,
      link: String(a.properties.href ?? '').slice(0, 4000),
      align: inherited.align ?? 'left',
      fullNarrow: false,
      style: {
        background: ownGround(box)!,
        ...(letters.color ? { color: letters.color } : {}),
        ...(letters.size ? { size: clampInt(letters.size, 8, 60) } : {}),
        ...(letters.font ? { font: letters.font } : {}),
        bold: !!letters.bold,
        ...(radius !== undefined ? { radius: clampInt(radius, 0, 60) } : {}),
        padX: clampInt(inside.left, 0, 120),
        padY: clampInt(inside.top, 0, 60),
      },
    }
  }

  /** A line that is a picture, linked or not, or a link drawn as a button. */
  private special(nodes: readonly ElementContent[], inherited: Inherited, room: number): Item[] | null {
    const inner = meaningful(nodes)
    const out: Item[] = []
    for (const node of inner) {
      if (!isElement(node)) return null
      const held = node.tagName === 'a' ? meaningful(node.children) : [node]
      const img = held.length === 1 && isElement(held[0]!) && held[0]!.tagName === 'img' ? held[0]! : null
      if (img) {
        out.push(
          this.picture(
            img,
            node.tagName === 'a' ? String(node.properties.href ?? '') : '',
            inherited,
            room,
            node,
          ),
        )
        continue
      }
      const s = styleOfElement(node)
      if (
        node.tagName === 'a' &&
        ownGround(node) &&
        /block/.test(s.display ?? '') &&
        node.children.every(isInline)
      ) {
        out.push(this.buttonTile(node, node, inherited, textOf(node).trim().slice(0, 200)))
        continue
      }
      return this.mixed(nodes)
    }
    return out.length ? out : null
  }

  /** Words with pictures among them say more than words can hold: they stay markup. */
  private mixed(nodes: readonly ElementContent[]): Item[] | null {
    const root: Element = { type: 'element', tagName: 'div', properties: {}, children: [...nodes] }
    return [...elementsOf(root)].some((e) => e.tagName === 'img') || !nodes.every((n) => isInline(n))
      ? [this.code(root)]
      : null
  }

  private picture(img: Element, link: string, inherited: Inherited, room: number, outer: Element): Item {
    const src = String(img.properties.src ?? '')
    const picture = Object.hasOwn(this.pictures, src) ? this.pictures[src] : undefined
    if (!picture) {
      this.notes.add(
        'Pictures at addresses outside the file stay where they are, as markup. Bring them in, and they can be cut and weighed.',
      )
      return this.code(outer)
    }
    const s = styleOfElement(img)
    const width =
      pxOf(img.properties.width) ?? pxOf(s['max-width']) ?? pxOf(s.width) ?? Math.min(room, picture.width)
    return {
      ...this.base(),
      kind: 'picture',
      picture,
      alt: img.properties.alt === undefined ? null : String(img.properties.alt).slice(0, 2000),
      link: link.slice(0, 4000),
      width: Math.max(1, Math.min(2000, width)),
      align: inherited.align ?? 'left',
    }
  }

  private words(elements: Element[], inherited: Inherited): Tile {
    const blocks = elements.flatMap((e): Block[] => blockOf(e) ?? [])
    const of = (headings: boolean): TextStyleOverride | undefined => {
      const e = elements.find((x) => /^h[1-6]$/.test(x.tagName) === headings)
      if (!e) return undefined
      const l = handDown(e, inherited)
      const style: TextStyleOverride = {
        ...(l.font ? { font: l.font } : {}),
        ...(l.size ? { size: clampInt(l.size, 6, 120) } : {}),
        ...(l.line
          ? { line: clampInt(l.line, 6, 200) }
          : l.size
            ? { line: clampInt(l.size * 1.4, 6, 200) }
            : {}),
        ...(l.color ? { color: l.color } : {}),
        ...(l.bold !== undefined ? { bold: l.bold } : {}),
        ...(l.italic ? { italic: true } : {}),
      }
      return Object.keys(style).length ? style : undefined
    }
    const link = elements.flatMap((e) => [...elementsOf(e)]).find((e) => e.tagName === 'a')
    const linkColor = link && handDown(link, {}).color
    return {
      ...this.base(),
      kind: 'words',
      text: { type: 'doc', content: blocks.length ? blocks : [{ type: 'paragraph' }] },
      align: handDown(elements[0]!, inherited).align ?? 'left',
      style: of(false),
      headings: of(true),
      ...(linkColor ? { link: { color: linkColor } } : {}),
    }
  }

  private code(e: Element): Tile {
    this.codes++
    const classes = new Set(
      [...elementsOf(e)].flatMap((x) => (x.properties.className as string[] | undefined) ?? []),
    )
    const html = print(e)
    // Pictures that came with the file stand in the markup by their addresses.
    const pictures = Object.fromEntries(
      Object.entries(this.pictures).filter(([address]) => html.includes(address)),
    )
    const css = this.css && [...classes].some((n) => this.css.includes(`.${n}`)) ? this.css : ''
    return {
      ...this.base(),
      kind: 'code',
      html: html.slice(0, 200_000),
      css: css.slice(0, 100_000),
      ...(Object.keys(pictures).length ? { pictures } : {}),
    }
  }
}

/** The greatest height that an empty element or anything in it says it has, px. */
const heightOf = (e: Element): number =>
  [...elementsOf(e)].reduce(
    (most, x) =>
      Math.max(
        most,
        pxOf(styleOfElement(x).height) ??
          pxOf(x.properties.height) ??
          pxOf(styleOfElement(x)['line-height']) ??
          0,
      ),
    0,
  )

const clampInt = (n: number, least: number, most: number) => Math.max(least, Math.min(most, Math.round(n)))
const percent = (value: string, room: number) => {
  const m = /^([\d.]+)%$/.exec(value.trim())
  return m ? (parseFloat(m[1]!) * room) / 100 : undefined
}
const textOf = (n: ElementContent): string =>
  n.type === 'text'
    ? n.value.replace(/\s+/g, ' ')
    : n.type === 'element' && !hidden(n)
      ? n.children.map(textOf).join('')
      : ''
function firstWords(tile: Extract<Tile, { kind: 'words' }>): string {
  let out = ''
  eachInline(tile.text, (r) => {
    if (r.type === 'text') out += `${r.text} `
  })
  return out
}

/**
 * An email's HTML as bands: tables that part it in strips and columns become bands and cells, plain content
 * becomes tiles, and what is not understood becomes code tiles with its own markup, so that nothing that is
 * seen is lost.
 * @param pictures addresses in the HTML that stand for pictures kept here
 */
export function bandsFromHtml(
  html: string,
  pictures: Readonly<Record<string, PictureRef>> = {},
  id: NewId = newId,
): ImportedBands {
  const tree = fromHtml(inlineDocument(html))
  const all = [...elementsOf(tree)]
  // A page of frames has no body of its own.
  const body = all.find((e) => e.tagName === 'body') ?? {
    type: 'element',
    tagName: 'body',
    properties: {},
    children: [],
  }
  const root = all.find((e) => e.tagName === 'html')!
  const sheets = all
    .filter((e) => e.tagName === 'style')
    .map(sheetText)
    .join('\n')
  const dynamic = readSheet(sheets).dynamics
  const css = dynamic
    .map((r) => {
      const rule = `${r.selector}{${r.declarations.map((d) => `${d.property}:${d.value}`).join(';')}}`
      return r.media ? `@media ${r.media}{${rule}}` : rule
    })
    .join('\n')
  const reader = new Reader(css, pictures, id)
  const width = clampInt(widthOf(all) ?? 600, 320, 900)
  const strips = reader
    .strips(body, {}, sides(0))
    .filter((s) => s.columns || meaningful(s.content).length || spaceOf(s))
  const bands = strips.slice(0, 400).map((s, i) => reader.band(s, i, width))
  const lang = String(root.properties.lang ?? '')
  const notes = [
    ...reader.notes,
    ...(reader.codes
      ? [
          `${reader.codes === 1 ? 'One part was' : `${reader.codes} parts were`} not understood as bands and tiles and became code.`,
        ]
      : []),
  ]
  return {
    bands,
    width,
    lang: /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(lang) ? lang : 'en',
    dir: root.properties.dir === 'rtl' ? 'rtl' : 'ltr',
    title: (all.filter((e) => e.tagName === 'title').map(textOf)[0] ?? '').trim().slice(0, 200),
    preheader: preheaderOf(body),
    notes,
  }
}

const spaceOf = (s: Strip) => s.padding.top + s.padding.bottom > 0
const sheetText = (e: Element) => e.children.map((c) => (c.type === 'text' ? c.value : '')).join('')

/** The width that most tables of a settled width have. */
function widthOf(all: Element[]): number | undefined {
  const count = new Map<number, number>()
  for (const e of all) {
    const s = styleOfElement(e)
    const w =
      pxOf(s['max-width']) ??
      (e.tagName === 'table' ? (pxOf(e.properties.width) ?? pxOf(s.width)) : undefined)
    if (w && w >= 480 && w <= 900) count.set(w, (count.get(w) ?? 0) + 1)
  }
  return [...count].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0]
}

/** The first hidden words of the body, as long as nothing is seen before them. */
function preheaderOf(body: Element): string {
  let first: Element | undefined
  for (const e of elementsOf(body)) {
    if (hidden(e)) {
      first = e
      break
    }
    if (e.tagName === 'img' || e.children.some((c) => c.type === 'text' && visible(c.value))) break
  }
  return first
    ? textOf({ ...first, properties: {} })
        .replace(/\u034f|[\u00a0\u200b\u200c\ufeff]|\u200d/g, ' ')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, 500)
    : ''
}
