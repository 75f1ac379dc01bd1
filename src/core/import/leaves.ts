import { edgeOf, paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Tile, TileOf } from '../email/tile'
import type { Mark } from '../tiles/marks/schema'
import type { Element, ElementContent } from 'hast'
import { print } from '../html/print-foreign'
import { fontStacks } from '../email/fonts'
import { css } from '../html/element'
import { elementsOf } from '../html/elements'
import type { Item } from '../email/schema'
import { sides, type TextStyleOverride } from '../email/styles'
import { lineWidth } from '../email/widths'
import type { Block } from '../email/richtext'
import { handDown, ownGround, type Inherited } from './css'
import { gradientOf } from './gradient'
import { clampInt, percent } from './measures'
import { isElement, isText, meaningful, shownIn, textOf } from './source'
import type { Taking } from './taking'
import { blockOf, isInline } from './words'

/** The elements from one down to one in it, both included. */
function chain(from: Element, to: Element): Element[] | null {
  if (from === to) return [to]
  for (const c of from.children) {
    const rest = isElement(c) ? chain(c, to) : null
    if (rest) return [from, ...rest]
  }
  return null
}

/**
 * A table of one coloured cell that holds nothing but a link is a button. What stands around it in another colour is no
 * part of it.
 * @param around what the element itself inherits: where the button stands
 */
export function boxButton(taking: Taking, e: Element, inherited: Inherited, around: Inherited): Tile | null {
  const all = [...shownIn(e)]
  const links = all.filter((x) => x.tagName === 'a')
  if (links.length !== 1 || all.some((x) => x.tagName === 'img' || (isText(x) && x.tagName !== 'p')))
    return null
  const words = textOf(e).trim()
  if (!words || words !== textOf(links[0]!).trim() || words.length > 80) return null
  const held = chain(e, links[0]!)!
  const grounds = new Set(held.flatMap((x) => ownGround(x) ?? []))
  const box = held.findLast((x) => ownGround(x))
  if (!box || grounds.size > 1) return null
  // Space around the box is no part of it either.
  const outside = held.slice(0, held.indexOf(box))
  if (outside.some((x) => Object.values(paddingOf(styleOfElement(x))).some(Boolean))) return null
  const letters = held.reduce((from, x) => handDown(x, from), inherited)
  const tile = buttonTile(taking, links[0]!, box, { ...letters, align: placed(held, around) }, words)
  return { ...tile, fullNarrow: held.some((x) => fillsOnNarrow(taking, x)) } as Tile
}

/** Whether a rule of the head gives an element the whole width. */
const fillsOnNarrow = (taking: Taking, e: Element): boolean =>
  ((e.properties.className as string[] | undefined) ?? []).some((name) =>
    new RegExp(`\\.${name.replace(/[^\w-]/g, '')}\\{[^}]*\\bwidth:\\s*100%`).test(taking.css),
  )

/** Where the innermost table of a chain is put: by its own attribute, else by what it stands in. */
function placed(held: readonly Element[], around: Inherited): Inherited['align'] {
  let from = around
  let at: Inherited['align'] | undefined
  for (const e of held) {
    const { align } = e.properties
    const own = align === 'center' || align === 'right' || align === 'left' ? align : undefined
    if (e.tagName === 'table') at = own ?? from.align ?? 'left'
    from = handDown(e, from)
  }
  return at ?? from.align
}

/** The edge of a button, where it has one all around. */
function buttonEdge(e: Element): { borderWidth: number; borderColor: string } | null {
  const edge = edgeOf(styleOfElement(e).border)
  return edge && { borderWidth: clampInt(edge.width, 1, 12), borderColor: edge.color }
}

function buttonTile(
  taking: Taking,
  a: Element,
  box: Element,
  inherited: Inherited,
  label: string,
): TileOf<'button'> {
  const inner = meaningful(a.children)
  const said = inner.length === 1 && isElement(inner[0]!) ? inner[0]! : null
  // Its ink may stand on its words.
  const letters = said ? handDown(said, handDown(a, inherited)) : handDown(a, inherited)
  const s = styleOfElement(box),
    own = styleOfElement(a)
  const inside = [paddingOf(own), paddingOf(s)].reduce((x, y) => (x.left + x.top >= y.left + y.top ? x : y))
  const radius = pxOf(s['border-radius']) ?? pxOf(own['border-radius'])
  const gradient = gradientOf(box)
  return {
    ...taking.base(),
    kind: 'button',
    label,
    link: String(a.properties.href ?? '').slice(0, 4000),
    align: inherited.align ?? 'left',
    fullNarrow: false,
    style: {
      background: ownGround(box) ?? inherited.background ?? '#ffffff',
      ...(gradient ? { gradient } : {}),
      ...(buttonEdge(box) ?? {}),
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
export function specialItems(
  taking: Taking,
  nodes: readonly ElementContent[],
  inherited: Inherited,
  room: number,
): Item[] | null {
  const inner = meaningful(nodes)
  const row = marksOf(taking, inner, inherited)
  if (row) return [row]
  const out: Item[] = []
  for (const node of inner) {
    if (!isElement(node)) return mixedItems(taking, nodes, inherited)
    const held = node.tagName === 'a' ? meaningful(node.children) : [node]
    const img = held.length === 1 && isElement(held[0]!) && held[0]!.tagName === 'img' ? held[0]! : null
    if (img) {
      out.push(
        pictureItem(
          taking,
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
      (ownGround(node) || buttonEdge(node)) &&
      /block/.test(s.display ?? '') &&
      node.children.every(isInline)
    ) {
      const button = buttonTile(taking, node, node, inherited, textOf(node).trim().slice(0, 200))
      out.push(s.display === 'block' ? asWideAs(button, inherited, pxOf(s.width) ?? room) : button)
      continue
    }
    return mixedItems(taking, nodes, inherited)
  }
  if (!out.length) return null
  const buttons = out.flatMap((t) => (t.kind === 'button' ? [t] : []))
  return buttons.length > 1 && buttons.length === out.length && buttons.length <= 5
    ? [buttonRow(taking, buttons, inherited, room)]
    : out
}

/** A button of a settled width. @param width px */
function asWideAs(button: TileOf<'button'>, { font }: Inherited, width: number): TileOf<'button'> {
  const { size = 16, bold = false, padX = 0 } = button.style ?? {}
  const words = lineWidth(button.label, fontStacks[font ?? 'sans'], size, bold)
  return {
    ...button,
    fullNarrow: true,
    style: { ...button.style, padX: clampInt(Math.max(padX, (width - words) / 2), 0, 400) },
  }
}

/** Between buttons of one line: what a space and usual margins come to, px (common practice, no source). */
const BUTTON_GAP = 12

/** Buttons of one line as a row: those of the middle lean on each other. */
function buttonRow(
  taking: Taking,
  buttons: readonly TileOf<'button'>[],
  inherited: Inherited,
  room: number,
): Item {
  const gaps = BUTTON_GAP * (buttons.length - 1)
  const wide = buttons.map(({ label, style }) => {
    const font = fontStacks[inherited.font ?? 'sans']
    return lineWidth(label, font, style?.size ?? 16, !!style?.bold) + 2 * (style?.padX ?? 0) + 4
  })
  const sum = wide.reduce((a, b) => a + b, 0)
  const rest = Math.max(0, room - gaps - sum)
  const last = buttons.length - 1
  const extra = (at: number) =>
    inherited.align === 'center'
      ? at === 0 || at === last
        ? rest / 2
        : 0
      : at === (inherited.align === 'right' ? 0 : last)
        ? rest
        : 0
  const side = (at: number) =>
    (inherited.align === 'center' && at === 0) || (inherited.align === 'right' && at === 0) ? 'right' : 'left'
  return {
    id: taking.id(),
    kind: 'row',
    gap: BUTTON_GAP,
    narrow: sum + gaps > PHONE ? 'stack' : 'keep',
    cells: buttons.map((b, at) => ({
      id: taking.id(),
      width: Math.max(1, Math.min(1200, Math.round(wide[at]! + extra(at)))),
      padding: sides(0),
      align: 'left',
      valign: 'top',
      items: [{ ...b, align: side(at) }],
    })),
  }
}

/** What a phone leaves a row, px (common practice, no source). */
const PHONE = 320

/** Pictures of one line are marks where they are no larger than this, px. */
const LARGEST_MARK = { width: 160, height: 72 }

/** Space beside a thing by its margin, px (CSS Box Model 3, 3.2: top, right, bottom, left). */
function marginBeside(style: Record<string, string>): number {
  const sides = (style.margin ?? '').split(/\s+/)
  const [right, left] = [sides[1] ?? sides[0], sides[3] ?? sides[1] ?? sides[0]]
  return (pxOf(style['margin-right'] ?? right) ?? 0) + (pxOf(style['margin-left'] ?? left) ?? 0)
}

/** Several small pictures in one line, linked or not, as one row of marks; null where something else stands there. */
function marksOf(taking: Taking, nodes: readonly ElementContent[], inherited: Inherited): Tile | null {
  if (nodes.length < 2) return null
  const gaps: number[] = []
  const marks = nodes.flatMap((node): Mark[] => {
    if (!isElement(node)) return []
    const held = node.tagName === 'a' ? meaningful(node.children) : [node]
    const img = held.length === 1 && isElement(held[0]!) && held[0]!.tagName === 'img' ? held[0]! : null
    const src = String(img?.properties.src ?? '')
    const picture = img && Object.hasOwn(taking.pictures, src) ? taking.pictures[src] : undefined
    if (!img || !picture || /^block$/.test(styleOfElement(node).display ?? '')) return []
    const width = pxOf(img.properties.width) ?? pxOf(styleOfElement(img).width) ?? picture.width
    if (width > LARGEST_MARK.width || (width * picture.height) / picture.width > LARGEST_MARK.height)
      return []
    const { left, right } = paddingOf(styleOfElement(node))
    gaps.push(left + right || marginBeside(styleOfElement(node)))
    return [
      {
        picture,
        alt: img.properties.alt === undefined ? null : String(img.properties.alt).slice(0, 2000),
        link: node.tagName === 'a' ? String(node.properties.href ?? '').slice(0, 4000) : '',
        width: clampInt(width, 4, 300),
      },
    ]
  })
  if (marks.length < nodes.length || marks.length > 24) return null
  const align = inherited.align ?? 'left'
  return { ...taking.base(), kind: 'marks', marks, gap: clampInt(Math.max(...gaps), 0, 80), align }
}

/** Words with pictures among them say more than words can hold: they stay markup. */
function mixedItems(taking: Taking, nodes: readonly ElementContent[], inherited: Inherited): Item[] | null {
  const root: Element = { type: 'element', tagName: 'div', properties: {}, children: [...nodes] }
  return [...elementsOf(root)].some((e) => e.tagName === 'img') || !nodes.every((n) => isInline(n))
    ? [codeTile(taking, root, inherited)]
    : null
}

/** Pictures of at most so many pixels are dots. */
const DOT = 16

function pictureItem(
  taking: Taking,
  img: Element,
  link: string,
  inherited: Inherited,
  room: number,
  outer: Element,
): Item {
  const src = String(img.properties.src ?? '')
  const map = taking.maps.get(String(img.properties.useMap ?? '').replace(/^#/, ''))
  if (map) {
    taking.notes.add(
      'A picture with several links (an image map) became code, so that each keeps its place. As cuts in Cut, its parts become pictures of their own.',
    )
    return codeTile(taking, { type: 'element', tagName: 'div', properties: {}, children: [outer, map] })
  }
  const picture = Object.hasOwn(taking.pictures, src) ? taking.pictures[src] : undefined
  if (!picture) {
    taking.notes.add(
      'Pictures at addresses outside the file stay where they are, as markup. Bring them in, and they can be cut and weighed.',
    )
    return codeTile(taking, outer)
  }
  const s = styleOfElement(img)
  // A dot that is drawn out keeps room.
  const height = pxOf(img.properties.height) ?? pxOf(s.height)
  if (picture.width * picture.height <= DOT && height !== undefined)
    return { ...taking.base(), kind: 'gap', height: clampInt(height, 1, 2000) }
  // A share of its cell prevails over the attribute, which is for the Word engine.
  const width =
    percent(s.width ?? '', room) ??
    pxOf(img.properties.width) ??
    pxOf(s['max-width']) ??
    pxOf(s.width) ??
    Math.min(room, picture.width)
  const radius = pxOf(s['border-radius']?.split(/[\s/]/)[0])
  return {
    ...taking.base(),
    kind: 'picture',
    picture,
    alt: img.properties.alt === undefined ? null : String(img.properties.alt).slice(0, 2000),
    link: link.slice(0, 4000),
    width: clampInt(width, 1, 2000),
    ...(radius ? { radius: clampInt(radius, 0, 200) } : {}),
    align: inherited.align ?? 'left',
  }
}

/** The letters of a block of words: where all of them stand in one span, that span's. */
export function lettersOf(e: Element, from: Inherited): Inherited {
  const own = handDown(e, from)
  const inside = meaningful(e.children)
  const only = inside.length === 1 ? inside[0]! : undefined
  return only && isElement(only) && only.tagName === 'span' ? lettersOf(only, own) : own
}

/** Line height where nothing is said, in sizes: about what the common fonts say of themselves (common practice, no source). */
export const NORMAL = 1.15

export function wordsTile(taking: Taking, elements: Element[], inherited: Inherited): TileOf<'words'> {
  const blocks = elements.flatMap((e): Block[] => blockOf(e) ?? [])
  const of = (headings: boolean): TextStyleOverride | undefined => {
    const e = elements.find((x) => /^h[1-6]$/.test(x.tagName) === headings)
    if (!e) return undefined
    const l = lettersOf(e, inherited)
    const style: TextStyleOverride = {
      ...(l.font ? { font: l.font } : {}),
      ...(l.size ? { size: clampInt(l.size, 6, 120) } : {}),
      ...(l.line
        ? { line: clampInt(l.line, 6, 200) }
        : l.size
          ? { line: clampInt(l.size * NORMAL, 6, 200) }
          : {}),
      ...(l.color ? { color: l.color } : {}),
      ...(l.bold !== undefined ? { bold: l.bold } : {}),
      ...(l.italic ? { italic: true } : {}),
      ...(l.spacing ? { spacing: Math.max(-5, Math.min(30, l.spacing)) } : {}),
      ...(l.capitals ? { capitals: true } : {}),
    }
    // A house's narrow size is that of its own headings: one of another size keeps it on phones, as where it came from.
    const onPhones = headings && style.size ? { narrowSize: style.size, narrowLine: style.line } : {}
    return Object.keys(style).length ? { ...style, ...onPhones } : undefined
  }
  const all = elements.flatMap((e) => [...elementsOf(e)])
  const link = all.find((e) => e.tagName === 'a')
  const item = all.find((e) => e.tagName === 'li')
  const linkColor = link && handDown(link, {}).color
  return {
    ...taking.base(),
    kind: 'words',
    text: { type: 'doc', content: blocks.length ? blocks : [{ type: 'paragraph' }] },
    align: handDown(elements[0]!, inherited).align ?? 'left',
    style: of(false),
    headings: of(true),
    ...(linkColor ? { link: { color: linkColor } } : {}),
    ...(item ? { itemSpace: spaceUnderItem(item) } : {}),
  }
}

/** Space under an item of a list, px: none unless told. */
function spaceUnderItem(item: Element): number {
  const s = styleOfElement(item)
  const { bottom } = paddingOf(s)
  const margins = (s.margin ?? '').split(/\s+/)
  return clampInt(bottom + (pxOf(s['margin-bottom'] ?? margins[2] ?? margins[0]) ?? 0), 0, 60)
}

/** A part of a table with a table around it, without which it is none (WHATWG HTML, 13.2.6.4.7). */
function inTable(e: Element): Element {
  const around = { td: 'tr', th: 'tr', tr: 'tbody', tbody: 'table', thead: 'table', tfoot: 'table' }[
    e.tagName
  ]
  if (!around) return e
  const properties =
    around === 'table' ? { role: 'presentation', width: '100%', cellPadding: '0', cellSpacing: '0' } : {}
  return inTable({ type: 'element', tagName: around, properties, children: [e] })
}

/** Letters as markup that stands alone has to say them. */
function lettersStyle({ font, size, line, color, bold, italic, align }: Inherited): string {
  return css({
    'font-family': font && fontStacks[font].css,
    'font-size': size,
    'line-height': line,
    'font-weight': bold && 'bold',
    'font-style': italic && 'italic',
    color,
    'text-align': align,
  })
}

/** @param inherited letters that words in it have from what stood around */
export function codeTile(taking: Taking, source: Element, inherited?: Inherited): Tile {
  taking.codes++
  const style = inherited && textOf(source).trim() ? lettersStyle(inherited) : ''
  const e: Element = style
    ? { type: 'element', tagName: 'div', properties: { style }, children: [inTable(source)] }
    : source
  const classes = new Set(
    [...elementsOf(e)].flatMap((x) => (x.properties.className as string[] | undefined) ?? []),
  )
  const html = print(inTable(e))
  // Pictures that came with the file stand in the markup by their addresses.
  const pictures = Object.fromEntries(
    Object.entries(taking.pictures).filter(([address]) => html.includes(address)),
  )
  const css = taking.css && [...classes].some((n) => taking.css.includes(`.${n}`)) ? taking.css : ''
  return {
    ...taking.base(),
    kind: 'code',
    html: html.slice(0, 200_000),
    css: css.slice(0, 100_000),
    ...(Object.keys(pictures).length ? { pictures } : {}),
  }
}
