import { plainOf } from '../../email/richtext'
import { sides, type Edges } from '../../email/styles'
import type { Cell, Item, Row } from '../../email/schema'
import { leavesOf } from '../partition'
import type { Panel } from '../plan'
import { around, type Rect } from '../raster'
import { MARK } from '../../tiles/picture/html'
import type { Cut } from '../plan'
import { loose, type Building, type Node, type Placed } from './building'
import { boundsOfLine, LOW } from './one-line'
import { tileOf } from './tile'
import { fitsIn } from './words'

/** More cells than this do not fit a row of the document. */
const MOST_CELLS = 5
/** A wider space between columns is room that their words may grow into, px of the email. */
const WIDEST_GAP = 40
/** Columns at least this share of the design apart stand at its two edges. */
const FAR = 0.2
/** Margins on both sides that differ by no more than this are the same, px of the email. */
const SAME_MARGIN = 6
/** Widest edge of a cell, px of the email. */
const MOST_EDGE = 20
/** Least space between columns that stack, px of the email. */
const STACK_GAP = 16
/** What is no wider in all has room beside each other on the narrowest phone, px of the email. */
const NARROWEST = 290
/** A picture of at least this share of its column fills it. */
const FILLS = 0.8
/** Largest radius of a cell, px of the email. */
const MOST_RADIUS = 100

/**
 * How far above a rectangle the line of its topmost words begins, design px; 0 where something else comes
 * first or a panel holds it.
 */
export function liftOf(b: Building, node: Node, rect: Rect): number {
  return Math.max(
    0,
    ...loose(node)
      .filter((c) => c.kind === 'words')
      .map((c) => rect.y - b.lettering.of(c, c.ground ?? '#ffffff').top),
  )
}

export function rowOf(
  b: Building,
  node: Extract<Node, { kind: 'columns' }>,
  rect: Rect,
  ground: string,
): Placed<Pick<Row, 'gap' | 'narrow' | 'cells'>> {
  const parts = atMostFive(node.parts)
  const pitch = pitchOf(b, node)
  const boxes = parts.map((p, i) => (pitch ? { ...p.box, x: pitch.x + i * pitch.w, w: pitch.w } : p.box))
  const gaps = boxes.slice(1).map((box, i) => box.x - (boxes[i]!.x + boxes[i]!.w))
  // A wide space between columns is room that their words may grow into, not a gap.
  const line = pitch ? null : boundsOfLine(b, parts, rect)
  const even =
    !line && gaps.every((g) => Math.abs(g - gaps[0]!) <= b.scale) && gaps[0]! <= WIDEST_GAP * b.scale
  const right = rect.x + rect.w
  const top = rect.y - Math.max(0, ...parts.map((p) => liftOf(b, p, { ...p.box, y: rect.y })))
  // Half of a gap is given to the words on its left, which may run a little wider than the design's.
  const lent =
    even &&
    parts.some((p) => leavesOf(p).some((c) => c.kind === 'words' && !fitsIn(b, c, p.box.w / b.scale))) &&
    !parts.some((p) => p.kind === 'panel')
      ? Math.floor(gaps[0]! / 2)
      : 0
  holdRight(b, parts, boxes, line !== null)
  const kept = even || line ? 0 : stackGap(b, gaps)
  const midOf = (gap: number) => boxes[gap + 1]!.x - gaps[gap]! / 2
  b.columns++
  const placed = parts.map((part, i) => {
    const half = even ? 0 : kept / 2
    const from = i === 0 ? rect.x : (line?.[i - 1] ?? (even ? boxes[i]!.x : midOf(i - 1) + half))
    const to =
      i === parts.length - 1
        ? right
        : (line?.[i] ?? (even ? boxes[i]!.x + boxes[i]!.w + lent : midOf(i) - half))
    return cellOf(
      b,
      part,
      { x: from, y: top, w: to - from, h: rect.y + rect.h - top },
      ground,
      `c-${leavesOf(part)[0]!.id}`,
    )
  })
  b.columns--
  const leads = parts.length <= 3 && leadsIn(b, parts)
  const stays = line || leads || areOne(b, parts, gaps, pitch !== null) || staysBeside(b, parts)
  // Even with unequal heights the row is as tall as its tallest cell.
  return {
    made: {
      gap: even ? Math.max(0, (gaps[0] ?? 0) - lent) / b.scale : kept / b.scale,
      narrow: stays || arePair(b, parts) ? 'keep' : 'stack',
      cells: placed.map(({ made }, i) =>
        leads && i < placed.length - 1
          ? { ...made, narrow: { ...made.narrow, keepsWidth: true as const } }
          : made,
      ),
    },
    top,
    bottom: Math.max(...placed.map((p) => p.bottom)),
  }
}

/** Whether columns are slices of one picture, a row of icons, or figures. @param pitched whether their middles are evenly apart */
function areOne(b: Building, parts: readonly Node[], gaps: readonly number[], pitched: boolean): boolean {
  const slices =
    gaps.every((g) => g === 0) && parts.every((p) => leavesOf(p).every((c) => c.kind !== 'words'))
  const icons = parts.every((p) => leavesOf(p).every((c) => c.seen?.part === 'icons'))
  const room = NARROWEST / parts.length
  const figures = pitched && parts.every((p) => widestOf(b, p) <= (isFigure(p) ? WRAPS * room : room))
  return slices || icons || figures
}

/** Things no wider than this share of how far apart they are stand in the middle of columns. */
const SLIM = 0.75
/** Middles are evenly apart within this, px of the email. */
const EVEN = 3

/**
 * How far apart the middles of columns are and where the first column begins, design px, where each thing stands in the middle of one:
 * figures, or icons over their words; null where columns are told by their edges.
 */
export function pitchOf(b: Building, node: Node): { x: number; w: number } | null {
  if (node.kind !== 'columns' || node.parts.length < 3 || node.parts.length > MOST_CELLS) return null
  if (node.parts.some((p) => p.kind === 'panel' || loose(p).some((c) => b.groups.has(c.id)))) return null
  const boxes = node.parts.map((p) => around(leavesOf(p).map((c) => b.boxOf(c))))
  const middles = boxes.map(middleOf)
  // What begins at the left of its column stands in the middle of none.
  const centred = node.parts.every((p, i) =>
    leavesOf(p).every((c) => Math.abs(middleOf(b.boxOf(c)) - middles[i]!) <= EVEN * b.scale),
  )
  const w = (middles.at(-1)! - middles[0]!) / (middles.length - 1)
  const x = middles[0]! - w / 2
  const even = middles.every((m, i) => Math.abs(m - middles[0]! - i * w) <= EVEN * b.scale)
  const slim = boxes.every((box) => box.w <= SLIM * w)
  const symmetrical = Math.abs(x + (node.parts.length * w) / 2 - b.input.size.width / 2) <= 2 * EVEN * b.scale
  return centred && even && slim && symmetrical && x >= 0 ? { x, w } : null
}

const middleOf = ({ x, w }: Rect): number => x + w / 2

/** What stands under a figure may wrap: it is no wider than this many times the room. */
const WRAPS = 1.4

/** Whether a part is a figure over what it counts. */
function isFigure(part: Node): boolean {
  const [figure, ...rest] = leavesOf(part)
  return (
    !!figure?.words &&
    plainOf(figure.words).trim().length <= SHORT_LEAD &&
    rest.length > 0 &&
    rest.every((c) => c.kind === 'words')
  )
}

/** Width of what a part shows, px of the email. */
const widestOf = (b: Building, part: Node): number =>
  Math.max(...leavesOf(part).map((c) => b.boxOf(c).w)) / b.scale

/** The part of wide spaces between columns that is a gap, so that they stand apart once stacked; design px. */
const stackGap = (b: Building, gaps: readonly number[]): number =>
  Math.max(0, Math.min(STACK_GAP * b.scale, Math.floor(Math.min(...gaps) / 2)))

/** Whether things on one line have room beside each other on a phone: a logo and a menu, or a small picture and its words. */
function staysBeside(b: Building, parts: readonly Node[]): boolean {
  const cuts = parts.flatMap(leavesOf)
  if (cuts.some((c) => c.kind === 'button' || b.groups.get(c.id)?.kind === 'table')) return false
  const boxes = parts.map((p) => around(leavesOf(p).map((c) => b.boxOf(c))))
  const [first] = parts
  if (first!.kind === 'leaf' && isThumb(b, first!.cut) && parts.length <= 3)
    return parts.slice(1).every((p) => leavesOf(p).every((c) => c.kind === 'words'))
  if (parts.length !== 2 || parts.some((p) => p.kind !== 'leaf')) return false
  const low = boxes.every((r) => r.h <= LOW * b.scale)
  return low && boxes.reduce((sum, r) => sum + r.w, STACK_GAP * b.scale) <= NARROWEST * b.scale
}

/** What leads in is no wider than this, px of the email, and together than that: a time, a number, a dot. */
const LEAD = { each: 72, all: 130 } as const
const SHORT_LEAD = 8

/** Whether a time, a date or a mark leads in to words beside it: they belong together, as in a timeline. */
function leadsIn(b: Building, parts: readonly Node[]): boolean {
  const [leads, last] = [parts.slice(0, -1), parts.at(-1)!]
  if (!leavesOf(last).every((c) => c.kind === 'words')) return false
  const small = leads.every(
    (p) =>
      p.kind === 'leaf' &&
      b.boxOf(p.cut).w <= LEAD.each * b.scale &&
      (p.cut.kind === 'picture' || (p.cut.words && plainOf(p.cut.words).trim().length <= SHORT_LEAD)),
  )
  return small && last.box.x - parts[0]!.box.x <= LEAD.all * b.scale
}

/** Words of a thing shown beside another on a phone, characters: a name or a price, in a line or two of half a phone. */
const SHORT_NAME = 26

/** Two goods: equal columns, each a picture over a name and a price. Each keeps 140 px or more on a phone. */
function arePair(b: Building, parts: readonly Node[]): boolean {
  const [one, other] = parts.map((p) => p.box.w / b.scale)
  if (parts.length !== 2 || Math.abs(one! - other!) > SAME_MARGIN) return false
  return parts.every((part) => {
    const [first, ...rest] = leavesOf(part)
    const pictured = first!.kind === 'picture' && first!.w >= FILLS * part.box.w && !isThumb(b, first!)
    return pictured && rest.length > 0 && rest.every((c) => isShort(b, c))
  })
}

/** Whether a cut is words of a line or two in half a phone. */
const isShort = (b: Building, { id, kind, words }: Cut): boolean =>
  kind === 'words' &&
  !b.groups.has(id) &&
  !!words &&
  words.content.every((block) => plainOf({ type: 'doc', content: [block] }).length <= SHORT_NAME)

/** A picture no larger than a mark. */
const isThumb = (b: Building, { id, kind, w, h }: Cut): boolean =>
  kind === 'picture' && !b.groups.has(id) && w <= MARK * b.scale && h <= MARK * b.scale

/**
 * Short words far to the right of the only other column, or at the end of a line, as far from the right edge as the first is from the
 * left: they are held by the right edge.
 */
function holdRight(b: Building, parts: readonly Node[], boxes: readonly Rect[], line: boolean): void {
  const [first, last] = [boxes[0]!, boxes.at(-1)!]
  if (
    (parts.length !== 2 && !line) ||
    last.x - first.x - first.w < FAR * b.input.size.width ||
    Math.abs(b.input.size.width - last.x - last.w - first.x) > SAME_MARGIN * b.scale
  )
    return
  for (const c of loose(parts.at(-1)!)) if (c.kind === 'words') b.right.add(c.id)
}

/** More than five side by side are taken together from the fifth on. */
function atMostFive(parts: Node[]): Node[] {
  if (parts.length <= MOST_CELLS) return parts
  const rest = parts.slice(MOST_CELLS - 1)
  return [
    ...parts.slice(0, MOST_CELLS - 1),
    { kind: 'columns', box: around(rest.map((p) => p.box)), parts: rest },
  ]
}

export function cellOf(b: Building, node: Node, rect: Rect, ground: string, id: string): Placed<Cell> {
  const base = {
    id: b.only(id),
    width: Math.max(1, rect.w / b.scale),
    align: 'left' as const,
    valign: 'top' as const,
  }
  if (node.kind === 'panel') return panelCell(b, node, rect, ground, base)
  const { made, bottom } = itemsOf(b, node, rect, ground)
  const flat =
    node.kind === 'leaf' && node.cut.kind === 'flat' && node.cut.ground && node.cut.ground !== ground
      ? { background: node.cut.ground }
      : {}
  return { made: { ...base, ...flat, padding: sides(0), items: made }, top: rect.y, bottom }
}

type CellBase = Pick<Cell, 'id' | 'width' | 'align' | 'valign'>

/** A panel as a cell of its colour, with its border and radius. */
function panelCell(
  b: Building,
  node: Extract<Node, { kind: 'panel' }>,
  rect: Rect,
  ground: string,
  base: CellBase,
): Placed<Cell> {
  const { panel } = node
  // Where its cell reaches further, the panel stands in a row of its own inside.
  if (Math.max(panel.x - rect.x, rect.x + rect.w - panel.x - panel.w) >= b.scale) {
    const { made, bottom } = nestedItems(b, node, rect, rect.y, ground)
    return { made: { ...base, padding: sides(0), items: made }, top: rect.y, bottom }
  }
  const edges = edgesOf(b, panel)
  const { made, bottom } = itemsOf(
    b,
    node.inner,
    { x: panel.x, y: rect.y, w: panel.w, h: rect.h },
    panel.color,
  )
  const below = Math.max(0, panel.y + panel.h - bottom)
  const look = {
    ...b.groundAs(panel, panel.color, b.standingIn(panel), {
      edge: panel.borderWidth ?? 0,
      radius: panel.radius,
    }),
    ...(panel.radius >= b.scale / 2 ? { radius: Math.min(MOST_RADIUS, b.px(panel.radius)) } : {}),
    ...(edges ? { edges } : {}),
  }
  return {
    made: {
      ...base,
      ...look,
      padding: {
        top: 0,
        right: 0,
        bottom: Math.max(0, b.px(below) - (edges?.bottom?.width ?? 0)),
        left: 0,
      },
      items: edges ? movedIn(made, edges) : made,
    },
    top: rect.y,
    bottom: Math.max(bottom, panel.y + panel.h),
  }
}

/** The border of a panel, or the strip along one of its sides. */
function edgesOf(
  b: Building,
  { borderWidth, borderColor, borderStyle, color, bar }: Panel,
): Edges | undefined {
  const width = (w: number) => Math.max(1, Math.min(MOST_EDGE, Math.round(w / b.scale)))
  const line = borderWidth
    ? { width: width(borderWidth), style: borderStyle ?? ('solid' as const), color: borderColor ?? color }
    : undefined
  if (!line && !bar) return undefined
  return {
    ...(line ? { top: line, right: line, bottom: line, left: line } : {}),
    ...(bar ? { [bar.side]: { width: width(bar.width), style: 'solid', color: bar.color } } : {}),
  }
}

/** The border of a panel lies inside its rectangle: what stands in it is moved in by less. */
function movedIn(items: Item[], edges: Edges): Item[] {
  const [left, right, top] = [edges.left?.width ?? 0, edges.right?.width ?? 0, edges.top?.width ?? 0]
  return items.map((i, n) => {
    if (i.kind === 'row') return i
    const padding = {
      ...i.padding,
      left: Math.max(0, i.padding.left - left),
      right: Math.max(0, i.padding.right - right),
      ...(n ? {} : { top: Math.max(0, i.padding.top - top) }),
    }
    // What begins with columns has its space above as a gap.
    return n === 0 && i.kind === 'gap' && i.padding.top === 0
      ? { ...i, padding, height: Math.max(1, i.height - top) }
      : { ...i, padding }
  })
}

function itemsOf(b: Building, node: Node, rect: Rect, ground: string): Placed<Item[]> {
  if (node.kind === 'leaf') {
    const { made, bottom } = tileOf(b, node.cut, rect, rect.y, ground)
    return { made: [made], top: rect.y, bottom }
  }
  if (node.kind === 'columns' || node.kind === 'panel') return nestedItems(b, node, rect, rect.y, ground)
  if (node.kind === 'knot')
    b.notes.push(
      `${node.cuts.length} cuts interlock so that no straight line parts them; they were stacked. Merge them, or move their edges into line.`,
    )
  const parts: Node[] =
    node.kind === 'knot' ? node.cuts.map((cut) => ({ kind: 'leaf', box: cut, cut })) : node.parts
  let y = rect.y
  const made = parts.flatMap((part): Item[] => {
    const placed =
      part.kind === 'leaf' ? tileOf(b, part.cut, rect, y, ground) : nestedItems(b, part, rect, y, ground)
    y = placed.bottom
    return Array.isArray(placed.made) ? placed.made : [placed.made]
  })
  return { made, top: rect.y, bottom: y }
}

/**
 * Columns or a panel inside a cell: the space above and beside them becomes a gap and the room of cells.
 */
function nestedItems(b: Building, node: Node, rect: Rect, top: number, ground: string): Placed<Item[]> {
  const { box } = node,
    id = leavesOf(node)[0]!.id
  if (node.kind === 'columns') {
    const { made, top: begins, bottom } = rowOf(b, node, { ...rect, y: box.y, h: box.h }, ground)
    const gap = gapAbove(b, node, begins - top)
    return {
      made: [...gap.made, { id: b.only(`r-${id}`), kind: 'row', ...made }],
      top,
      bottom: bottom + gap.over,
    }
  }
  if (node.kind !== 'panel') return itemsOf(b, node, { ...rect, y: top }, ground)
  const { made, bottom } = cellOf(b, node, box, ground, `c-${id}`)
  const room = (side: 'left' | 'right', w: number): Cell[] =>
    w >= b.scale
      ? [
          {
            id: b.only(`c-${id}-${side}`),
            width: w / b.scale,
            padding: sides(0),
            align: 'left',
            valign: 'top',
            items: [],
          },
        ]
      : []
  const cells = [...room('left', box.x - rect.x), made, ...room('right', rect.x + rect.w - box.x - box.w)]
  const gap = gapAbove(b, node, box.y - top)
  return {
    made: [...gap.made, { id: b.only(`r-${id}`), kind: 'row', gap: 0, narrow: 'stack', cells }],
    top,
    bottom: bottom + gap.over,
  }
}

/** Space above columns or a panel, and by how many design px its whole px are more than that. */
function gapAbove(b: Building, node: Node, space: number): { made: Item[]; over: number } {
  const height = b.px(space)
  return {
    made: height
      ? [
          {
            id: b.only(`g-${leavesOf(node)[0]!.id}`),
            kind: 'gap',
            padding: sides(0),
            show: 'all',
            height,
          },
        ]
      : [],
    over: height * b.scale - Math.max(0, space),
  }
}
