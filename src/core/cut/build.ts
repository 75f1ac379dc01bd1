import { type Tile } from '../email/tile'
import type { Band, Cell, Email, Item, Row } from '../email/schema'
import { emptyText, plainOf, type RichText } from '../email/richtext'
import { sides, type Edges, type HouseStyle, type Sides, type TextStyleOverride } from '../email/styles'
import { newEmail } from '../email/defaults'
import type { PictureRef } from '../picture/ref'
import { buttonHeight, buttonLine } from '../tiles/button/html'
import { LIST_INDENT, LIST_SPACE } from '../tiles/words/html'
import { carry, deletedCuts, harvest } from './carry'
import type { Ground } from './ground'
import { alignmentOf, type Ink, type InkBlock, type InkLine } from './ink'
import { Lettering, TITLE_SIZE } from './lettering'
import { bearing } from './typeface'
import { leavesOf, partition, type Layout } from './partition'
import type { Cut, CutPlan, Panel } from './plan'
import { around, type Rect } from './raster'

/**
 * What "build the email" works from. The pixels come in as two questions, so that this stays a matter of
 * rectangles.
 */
export interface BuildInput {
  plan: CutPlan
  /** The design, px. */
  size: { width: number; height: number }
  /** px */
  emailWidth: number
  /** The encoded crop of each picture cut. */
  pictures: ReadonlyMap<string, PictureRef>
  /** And of the part that phones show instead, where there is one. */
  narrowPictures?: ReadonlyMap<string, PictureRef>
  groundOf: (rect: Rect) => Ground
  readInk: (rect: Rect, ground: string) => Ink
  previous: Email | null
  /** What letters inherit: how tall they are for their size depends on the font. */
  house: HouseStyle
}

export interface BuildResult {
  email: Email
  /** The plan with what was written in the email since the last build, and with this build remembered. */
  plan: CutPlan
  /** What the person should know, one sentence each. */
  notes: string[]
}

/**
 * Turns a cut plan into bands and tiles at their measured places. Built again, it keeps the words, alt texts
 * and links already written, wherever they were written last, and everything added by hand.
 */
export function buildEmail(input: BuildInput): BuildResult {
  const plan = input.previous ? harvest(input.plan, input.previous) : input.plan
  const maker = new Maker({ ...input, plan })
  const bands = plan.cuts.length ? maker.bands() : []
  const base = input.previous ?? newEmail(input.emailWidth)
  const taken = base.way !== 'bands' && plan.cuts.length > 0
  if (taken)
    maker.notes.push(
      `The email is composed from bands again. ${base.way === 'hand' ? 'The HTML written by hand' : 'The plain text'} is kept: it can be taken up in Compose.`,
    )
  const email: Email = {
    ...base,
    ...(taken ? { way: 'bands' as const } : {}),
    width: input.emailWidth,
    bands: input.previous ? carry(input.previous, bands, plan) : bands,
  }
  const left = input.previous ? deletedCuts(input.previous, plan).size : 0
  if (left)
    maker.notes.push(
      `${left === 1 ? 'One cut stays' : `${left} cuts stay`} out of the email, since what was made of ${left === 1 ? 'it' : 'them'} was deleted there. Change a cut's kind or place to bring it back.`,
    )
  const built = Object.fromEntries(
    plan.cuts.map(({ id, x, y, w, h, kind, alt, link, words, narrow }) => [
      id,
      { x, y, w, h, kind, alt, link, words, ...(narrow ? { narrow } : {}) },
    ]),
  )
  return { email, plan: { ...plan, built }, notes: maker.notes }
}

type Node = Layout<Cut, Panel>

/** A stretch of the design that becomes one band. */
interface Strip {
  y: number
  bottom: number
  node: Node
  own: boolean
}

/**
 * What was placed, and the design rows that its edges come to: letters stand on lines taller than their ink.
 */
interface Placed<T> {
  made: T
  top: number
  bottom: number
}

class Maker {
  readonly notes: string[] = []
  private readonly scale: number
  private readonly cuts: Cut[]
  private readonly lettering: Lettering
  constructor(private readonly input: BuildInput) {
    this.scale = input.size.width / input.emailWidth
    this.cuts = input.plan.cuts.filter((c) => c.kind !== 'nothing')
    this.lettering = new Lettering({
      cuts: this.cuts,
      scale: this.scale,
      house: input.house,
      readInk: input.readInk,
    })
  }

  /** Design pixels to whole px of the email, never below 0. */
  private px(v: number): number {
    return Math.max(0, Math.round(v / this.scale))
  }

  bands(): Band[] {
    const { size } = this.input
    if (!this.cuts.length) return []
    const strips = this.strips()
    const bands = strips.map((s, i) => this.band(s, i, strips.length))
    // What lies between bands becomes padding of the neighbour of its colour, else a band of its own.
    const out: Band[] = []
    let y = 0
    const space = (to: number, next: Band | undefined) => {
      const height = to - y
      if (height < this.scale / 2) return
      const color = this.input.groundOf({ x: 0, y, w: size.width, h: height }).color
      const last = out.at(-1)
      if (last?.background === color)
        last.padding = { ...last.padding, bottom: last.padding.bottom + this.px(height) }
      else if (next?.background === color)
        next.padding = { ...next.padding, top: next.padding.top + this.px(height) }
      else out.push(this.gapBand(color, height, `gap-${y}`))
    }
    strips.forEach((s, i) => {
      space(s.y, bands[i])
      out.push(bands[i]!)
      y = Math.max(y, s.bottom)
    })
    space(size.height, undefined)
    return out.map((b) => ({ ...b, narrowPadding: narrower(b.padding) }))
  }

  /**
   * Rows of cuts, those between two edges taken together; where nothing tells of bands, each row is a strip.
   */
  private strips(): Strip[] {
    const tree = partition(this.cuts, this.input.plan.panels)
    const rows = tree.kind === 'rows' ? tree.parts : [tree]
    const { edges, panels } = this.input.plan
    if (!edges.length && !panels.length)
      return rows.map((node) => ({ y: node.box.y, bottom: node.box.y + node.box.h, node, own: false }))
    const at = (node: Node) => edges.filter((e) => e <= node.box.y + node.box.h / 2).length
    const tops = [0, ...edges, this.input.size.height]
    const out: Strip[] = []
    for (const node of rows) {
      const k = at(node),
        last = out.at(-1)
      if (last && k === at(last.node)) {
        last.node = partition([...leavesOf(last.node), ...leavesOf(node)], panels)
        continue
      }
      // A row of cuts that crosses an edge takes the room it needs from its neighbour.
      const y = Math.max(last?.bottom ?? 0, Math.min(tops[k]!, node.box.y))
      if (last && last.bottom > node.box.y) last.bottom = node.box.y
      out.push({
        y: last ? Math.max(y, last.bottom) : y,
        bottom: Math.max(tops[k + 1]!, node.box.y + node.box.h),
        node,
        own: true,
      })
    }
    return out
  }

  private gapBand(color: string, height: number, id: string): Band {
    const { emailWidth } = this.input
    return {
      id,
      name: 'Space',
      role: 'main',
      background: color,
      padding: sides(0),
      gap: 0,
      narrow: 'stack',
      show: 'all',
      cells: [
        {
          id: `${id}-c`,
          width: emailWidth,
          padding: sides(0),
          align: 'left',
          valign: 'top',
          items: [
            {
              id: `${id}-t`,
              kind: 'gap',
              padding: sides(0),
              show: 'all',
              height: Math.max(1, height / this.scale),
            },
          ],
        },
      ],
    }
  }

  private band({ node, y, bottom }: Strip, index: number, count: number): Band {
    const { size } = this.input
    const first = leavesOf(node)[0]!
    const whole: Rect = { x: 0, y, w: size.width, h: bottom - y }
    const background = this.background(node, whole)
    const role: Band['role'] =
      index === 0 && count > 2 && whole.h / this.scale < 140
        ? 'header'
        : index === count - 1 && count > 2
          ? 'footer'
          : 'main'
    // Words of the last column may run a little wider than the design's.
    const grown =
      node.kind === 'columns' && node.parts.at(-1)!.kind !== 'panel'
        ? Math.min(16 * this.scale, 0.5 * (size.width - node.box.x - node.box.w))
        : 0
    // So may those of rows: on both sides, so that what is centred stays so.
    const spread =
      node.kind === 'rows'
        ? Math.floor(
            Math.max(
              0,
              Math.min(16 * this.scale, 0.5 * node.box.x, 0.5 * (size.width - node.box.x - node.box.w)),
            ),
          )
        : 0
    const outer = { ...node.box, x: node.box.x - spread, w: node.box.w + grown + 2 * spread }
    const left = this.px(outer.x),
      right = this.px(size.width - outer.x - outer.w)
    const {
      made,
      top: begin,
      bottom: end,
    } = node.kind === 'columns'
      ? this.row(node, outer, background)
      : this.single(node, outer, background, `c-${first.id}`)
    // Whole px in place of the design's own heights must not add up from band to band: what one is too high,
    // the next makes good.
    const above = this.px(begin - y - this.drift)
    const shift = y + this.drift + above * this.scale - begin
    const below = this.px(bottom - end - shift)
    this.drift = end + shift + below * this.scale - bottom
    return {
      id: `b-${first.id}`,
      name: this.bandName(node, role, index),
      role,
      background,
      padding: { top: above, bottom: below, left, right },
      show: 'all',
      ...made,
    }
  }

  /** An id that nothing else has: what lies one in the other may begin with the same cut. */
  private only(id: string): string {
    let n = 1,
      own = id
    while (this.ids.has(own)) own = `${id}-${++n}`
    this.ids.add(own)
    return own
  }
  private readonly ids = new Set<string>()

  /** By how much what was built so far is higher than the design, design px. */
  private drift = 0

  private single(
    node: Node,
    rect: Rect,
    behind: string,
    id: string,
  ): Placed<Pick<Row, 'gap' | 'narrow' | 'cells'>> {
    const lift = this.liftOf(node, rect)
    const { made, top, bottom } = this.cell(node, { ...rect, y: rect.y - lift, h: rect.h + lift }, behind, id)
    return { made: { gap: 0, narrow: 'stack', cells: [made] }, top, bottom }
  }

  /**
   * How far above a rectangle the line of its topmost words begins, design px; 0 where something else comes
   * first or a panel holds it.
   */
  private liftOf(node: Node, rect: Rect): number {
    return Math.max(
      0,
      ...loose(node)
        .filter((c) => c.kind === 'words')
        .map((c) => rect.y - this.lettering.of(c, c.ground ?? '#ffffff').top),
    )
  }

  /**
   * A single words or flat cut lends the band its colour; elsewhere it is the commonest colour at the band's
   * own edge.
   */
  private background(node: Node, whole: Rect): string {
    if (
      node.kind === 'leaf' &&
      (node.cut.kind === 'words' || node.cut.kind === 'flat') &&
      node.cut.ground &&
      node.cut.w >= 0.98 * whole.w
    )
      return node.cut.ground
    const ground = this.input.groundOf(
      node.kind === 'leaf' && node.cut.kind === 'picture' && node.cut.w >= 0.98 * whole.w ? node.cut : whole,
    )
    // Of a ring that says little, what the words of the band stand on says more, unless they stand on a panel
    // of their own.
    const stood = loose(node).find((c) => c.kind === 'words' && c.ground)
    return ground.share < 0.5 && stood && node.kind !== 'leaf' ? stood.ground! : ground.color
  }

  private bandName(node: Node, role: Band['role'], index: number): string {
    if (role === 'header') return 'Header'
    if (role === 'footer') return 'Footer'
    for (const cut of leavesOf(node)) {
      const said =
        cut.words && (cut.kind === 'words' || cut.kind === 'button')
          ? plainOf(cut.words)
          : cut.kind === 'picture'
            ? (cut.alt ?? '')
            : ''
      const words = said
        .trim()
        .split(/\s+/)
        .slice(0, 3)
        .join(' ')
        .replace(/[.,;:!?]+$/, '')
      if (words) return words.slice(0, 40)
    }
    const kinds = new Set(leavesOf(node).map((c) => c.kind))
    return `${kinds.size > 1 ? 'Mixed' : { picture: 'Picture', words: 'Words', flat: 'Flat', button: 'Button', rule: 'Rule', nothing: 'Space' }[first(kinds)]} ${index + 1}`
  }

  private row(
    node: Extract<Node, { kind: 'columns' }>,
    rect: Rect,
    ground: string,
  ): Placed<Pick<Row, 'gap' | 'narrow' | 'cells'>> {
    const parts = this.atMostFive(node.parts)
    const boxes = parts.map((p) => p.box)
    const gaps = boxes.slice(1).map((b, i) => b.x - (boxes[i]!.x + boxes[i]!.w))
    // A wide space between columns is room that their words may grow into, not a gap.
    const even = gaps.every((g) => Math.abs(g - gaps[0]!) <= this.scale) && gaps[0]! <= 40 * this.scale
    const right = rect.x + rect.w
    const top = rect.y - Math.max(0, ...parts.map((p) => this.liftOf(p, { ...p.box, y: rect.y })))
    // Half of a gap is given to the words on its left, which may run a little wider than the design's.
    const lent =
      even &&
      parts.some((p) => leavesOf(p).some((c) => c.kind === 'words')) &&
      !parts.some((p) => p.kind === 'panel')
        ? Math.floor(gaps[0]! / 2)
        : 0
    this.heldRight(parts, boxes)
    const placed = parts.map((part, i) => {
      const from = i === 0 ? rect.x : even ? boxes[i]!.x : boxes[i]!.x - gaps[i - 1]! / 2
      const to =
        i === parts.length - 1
          ? right
          : even
            ? boxes[i]!.x + boxes[i]!.w + lent
            : boxes[i]!.x + boxes[i]!.w + gaps[i]! / 2
      return this.cell(
        part,
        { x: from, y: top, w: to - from, h: rect.y + rect.h - top },
        ground,
        `c-${leavesOf(part)[0]!.id}`,
      )
    })
    const slices =
      gaps.every((g) => g === 0) && parts.every((p) => leavesOf(p).every((c) => c.kind !== 'words'))
    const icons = parts.every((p) => leavesOf(p).every((c) => c.seen?.part === 'icons'))
    // Even with unequal heights the row is as tall as its tallest cell.
    return {
      made: {
        gap: even ? Math.max(0, (gaps[0] ?? 0) - lent) / this.scale : 0,
        narrow: slices || icons ? 'keep' : 'stack',
        cells: placed.map((p) => p.made),
      },
      top,
      bottom: Math.max(...placed.map((p) => p.bottom)),
    }
  }

  /**
   * Short words far to the right of the only other column, as far from the right edge as that is from the
   * left: they are held by the right edge.
   */
  private heldRight(parts: readonly Node[], boxes: readonly Rect[]): void {
    const [first, last] = boxes
    if (
      parts.length !== 2 ||
      last!.x - first!.x - first!.w < 0.2 * this.input.size.width ||
      Math.abs(this.input.size.width - last!.x - last!.w - first!.x) > 6 * this.scale
    )
      return
    for (const c of loose(parts[1]!)) if (c.kind === 'words') this.right.add(c.id)
  }
  private readonly right = new Set<string>()

  /** More than five side by side are taken together from the fifth on. */
  private atMostFive(parts: Node[]): Node[] {
    if (parts.length <= 5) return parts
    const rest = parts.slice(4)
    return [...parts.slice(0, 4), { kind: 'columns', box: around(rest.map((p) => p.box)), parts: rest }]
  }

  private cell(node: Node, rect: Rect, ground: string, id: string): Placed<Cell> {
    const base = {
      id: this.only(id),
      width: Math.max(1, rect.w / this.scale),
      align: 'left' as const,
      valign: 'top' as const,
    }
    if (node.kind === 'panel') {
      const { panel } = node
      // Where its cell reaches further, the panel stands in a row of its own inside.
      if (Math.max(panel.x - rect.x, rect.x + rect.w - panel.x - panel.w) >= this.scale) {
        const { made, bottom } = this.nested(node, rect, rect.y, ground)
        return { made: { ...base, padding: sides(0), items: made }, top: rect.y, bottom }
      }
      const edges = this.edgesOf(panel)
      const { made, bottom } = this.items(
        node.inner,
        { x: panel.x, y: rect.y, w: panel.w, h: rect.h },
        panel.color,
      )
      const below = Math.max(0, panel.y + panel.h - bottom)
      const look = {
        background: panel.color,
        ...(panel.radius >= this.scale / 2 ? { radius: Math.min(100, this.px(panel.radius)) } : {}),
        ...(edges ? { edges } : {}),
      }
      return {
        made: {
          ...base,
          ...look,
          padding: {
            top: 0,
            right: 0,
            bottom: Math.max(0, this.px(below) - (edges?.bottom?.width ?? 0)),
            left: 0,
          },
          items: edges ? this.inside(made, edges) : made,
        },
        top: rect.y,
        bottom: Math.max(bottom, panel.y + panel.h),
      }
    }
    const { made, bottom } = this.items(node, rect, ground)
    const flat =
      node.kind === 'leaf' && node.cut.kind === 'flat' && node.cut.ground && node.cut.ground !== ground
        ? { background: node.cut.ground }
        : {}
    return { made: { ...base, ...flat, padding: sides(0), items: made }, top: rect.y, bottom }
  }

  /** The border of a panel, or the strip along one of its sides. */
  private edgesOf({ borderWidth, borderColor, borderStyle, color, bar }: Panel): Edges | undefined {
    const width = (w: number) => Math.max(1, Math.min(20, Math.round(w / this.scale)))
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
  private inside(items: Item[], edges: Edges): Item[] {
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

  private items(node: Node, rect: Rect, ground: string): Placed<Item[]> {
    if (node.kind === 'leaf') {
      const { made, bottom } = this.tile(node.cut, rect, rect.y, ground)
      return { made: [made], top: rect.y, bottom }
    }
    if (node.kind === 'columns' || node.kind === 'panel') return this.nested(node, rect, rect.y, ground)
    if (node.kind === 'knot')
      this.notes.push(
        `${node.cuts.length} cuts interlock so that no straight line parts them; they were stacked. Merge them, or move their edges into line.`,
      )
    const parts: Node[] =
      node.kind === 'knot' ? node.cuts.map((cut) => ({ kind: 'leaf', box: cut, cut })) : node.parts
    let y = rect.y
    const made = parts.flatMap((part): Item[] => {
      const placed =
        part.kind === 'leaf' ? this.tile(part.cut, rect, y, ground) : this.nested(part, rect, y, ground)
      y = placed.bottom
      return Array.isArray(placed.made) ? placed.made : [placed.made]
    })
    return { made, top: rect.y, bottom: y }
  }

  /**
   * Columns or a panel inside a cell: the space above and beside them becomes a gap and the room of cells.
   */
  private nested(node: Node, rect: Rect, top: number, ground: string): Placed<Item[]> {
    const { box } = node,
      id = leavesOf(node)[0]!.id
    if (node.kind === 'columns') {
      const { made, top: begins, bottom } = this.row(node, { ...rect, y: box.y, h: box.h }, ground)
      const gap = this.gap(node, begins - top)
      return {
        made: [...gap.made, { id: this.only(`r-${id}`), kind: 'row', ...made }],
        top,
        bottom: bottom + gap.over,
      }
    }
    if (node.kind !== 'panel') return this.items(node, { ...rect, y: top }, ground)
    const { made, bottom } = this.cell(node, box, ground, `c-${id}`)
    const room = (side: 'left' | 'right', w: number): Cell[] =>
      w >= this.scale
        ? [
            {
              id: this.only(`c-${id}-${side}`),
              width: w / this.scale,
              padding: sides(0),
              align: 'left',
              valign: 'top',
              items: [],
            },
          ]
        : []
    const cells = [...room('left', box.x - rect.x), made, ...room('right', rect.x + rect.w - box.x - box.w)]
    const gap = this.gap(node, box.y - top)
    return {
      made: [...gap.made, { id: this.only(`r-${id}`), kind: 'row', gap: 0, narrow: 'stack', cells }],
      top,
      bottom: bottom + gap.over,
    }
  }

  /** Space above columns or a panel, and by how many design px its whole px are more than that. */
  private gap(node: Node, space: number): { made: Item[]; over: number } {
    const height = this.px(space)
    return {
      made: height
        ? [
            {
              id: this.only(`g-${leavesOf(node)[0]!.id}`),
              kind: 'gap',
              padding: sides(0),
              show: 'all',
              height,
            },
          ]
        : [],
      over: height * this.scale - Math.max(0, space),
    }
  }

  /** A tile, with its place in the cell as padding. @param top where the space above it begins, design px */
  private tile(cut: Cut, rect: Rect, top: number, behind: string): Placed<Tile> {
    const padding: Sides = {
      top: this.px(cut.y - top),
      bottom: 0,
      left: this.px(cut.x - rect.x),
      right: this.px(rect.x + rect.w - cut.x - cut.w),
    }
    const base = { id: `t-${cut.id}`, cut: cut.id, show: 'all' as const, padding }
    /** Where a tile of a height ends. @param height px */
    const under = (height: number) => top + (padding.top + height) * this.scale
    const [w, h] = [Math.max(1, Math.round(cut.w / this.scale)), Math.max(1, Math.round(cut.h / this.scale))]
    if (cut.kind === 'flat') return { made: { ...base, kind: 'gap', height: h }, top, bottom: under(h) }
    if (cut.kind === 'rule') {
      const thickness = Math.max(1, Math.min(40, Math.round(cut.h / this.scale)))
      return {
        made: { ...base, kind: 'divider', color: this.ruleColor(cut, behind), thickness },
        top,
        bottom: under(thickness),
      }
    }
    if (cut.kind === 'words') return this.words(cut, rect, top, behind)
    if (cut.kind === 'button') return this.button(cut, base, rect, top)
    const narrowPicture = cut.narrow && this.input.narrowPictures?.get(cut.id)
    return {
      made: {
        ...base,
        kind: 'picture',
        ...(narrowPicture ? { narrowPicture } : {}),
        picture: cut.own ?? this.input.pictures.get(cut.id) ?? null,
        alt: cut.alt,
        link: cut.link,
        width: w,
        align: 'left',
      },
      top,
      bottom: under((w * cut.h) / cut.w),
    }
  }

  /** A rule's own colour: it mostly fills its cut, else it is what stands off the ground there. */
  private ruleColor(cut: Cut, behind: string): string {
    const ground = cut.ground ?? behind,
      own = this.input.groundOf(cut).color
    return own !== ground ? own : (this.input.readInk(cut, ground).color ?? '#cccccc')
  }

  private button(
    cut: Cut,
    base: Pick<Tile, 'id' | 'cut' | 'show' | 'padding'>,
    rect: Rect,
    top: number,
  ): Placed<Tile> {
    const s = this.scale
    const box = cut.box ?? { background: this.input.groundOf(cut).color, radius: 0 }
    const { color, font, stack, size, bold, width } = this.lettering.label(cut, box)
    const border = box.borderWidth ?? 0
    // One that reaches to the side of its column must not be a hair wider, whatever its letters measure
    // elsewhere.
    const spare =
      rect.x + rect.w - cut.x - cut.w < 4 * s || cut.w / s > 400
        ? stack.matched
          ? 1
          : Math.ceil(0.02 * width)
        : 0
    // What whole px of padding make it too low, the next thing makes good.
    const line = buttonLine({ size }),
      padY = Math.max(0, Math.min(60, Math.ceil((cut.h / s - line) / 2 - border - 0.5)))
    const centred = Math.abs(cut.x - rect.x - (rect.x + rect.w - cut.x - cut.w)) <= 4 * s
    return {
      made: {
        ...base,
        padding: {
          ...base.padding,
          left: centred ? 0 : base.padding.left,
          right: centred ? 0 : Math.min(base.padding.right, base.padding.left),
        },
        kind: 'button',
        label: cut.words ? plainOf(cut.words).replace(/\s+/g, ' ').slice(0, 200) : '',
        link: cut.link,
        align: centred ? 'center' : 'left',
        fullNarrow: true,
        style: {
          background: box.background,
          color: cut.lettering?.color ?? color ?? '#ffffff',
          size,
          radius: Math.min(60, Math.round(box.radius)),
          bold,
          ...((cut.lettering?.font ?? font) ? { font: cut.lettering?.font ?? font } : {}),
          padX: Math.max(0, Math.min(400, Math.round((cut.w / s - width) / 2 - border) - spare)),
          padY,
          ...(border ? { borderWidth: border, borderColor: box.borderColor } : { borderWidth: 0 }),
        },
      },
      top: cut.y,
      bottom: top + (base.padding.top + buttonHeight({ size, padY, borderWidth: border })) * s,
    }
  }

  private words(cut: Cut, rect: Rect, top: number, behind: string): Placed<Tile> {
    const {
      ink,
      blocks,
      size,
      line,
      bold,
      italic,
      font,
      stack,
      spacing,
      top: begins,
      bottom,
    } = this.lettering.of(cut, behind)
    const own = cut.lettering
    const box = ink.lines.length ? around(ink.lines) : cut
    // One line that fills its cut says nothing there; in its cell it may.
    const align =
      own?.align ??
      (ink.lines.length === 1 && box.w > 0.8 * cut.w
        ? (this.lettering.alignedBeside(cut, box) ?? (this.right.has(cut.id) ? 'right' : null))
        : null) ??
      alignmentOf(ink.lines, ink.lines.length === 1 && box.w > 0.8 * cut.w ? rect : cut)
    // Letters stand a little in from where their line begins.
    const by = ink.lines.length ? bearing(stack) * size * this.scale : 0
    const left = this.px(box.x - by - rect.x),
      right = this.px(rect.x + rect.w - box.x - box.w - by)
    const slack = Math.max(0, Math.round(slackOf(ink.lines, size * this.scale) / this.scale))
    const padding: Sides = {
      top: this.px(begins - top),
      bottom: 0,
      ...sideSpace(align, left, right, slack, ink.lines.length > 1),
    }
    const ground = cut.ground ?? behind
    const main = blocks.reduce<InkBlock | undefined>(
      (a, b) => (!a || b.lines.length > a.lines.length ? b : a),
      undefined,
    )
    const largest = blocks.reduce<InkBlock | undefined>((a, b) => (!a || b.size > a.size ? b : a), undefined)
    const colorOf = (lines: readonly InkLine[] | undefined) =>
      (lines?.length ? this.input.readInk(around(lines), ground).color : ink.color) ?? undefined
    const [color, headingColor] = [own?.color ?? colorOf(main?.lines), own?.color ?? colorOf(largest?.lines)]
    const sized = shapeText(
      cut.words ?? emptyText(),
      blocks.map((b) => Math.round(b.size / this.scale)),
      size,
    )
    const style: TextStyleOverride = {
      size,
      line,
      bold,
      ...(color ? { color } : {}),
      ...((own?.font ?? font) ? { font: own?.font ?? font } : {}),
      ...(italic ? { italic: true } : {}),
      ...(spacing ? { spacing } : {}),
    }
    const titled = this.titleLevel(cut, size, bold, ink.lines.length)
    // The marks of a list stand in from the side, and its items a little apart.
    const listed = sized.text.content.every((b) => b.type === 'bulletList' || b.type === 'orderedList')
    if (listed) {
      style.line = Math.max(size, line - LIST_SPACE)
      padding.left = Math.max(0, padding.left - Math.round(LIST_INDENT - 0.94 * size))
      padding.right = Math.min(padding.right, left)
    }
    const headings = sized.heading
      ? {
          ...style,
          bold: largest?.bold ?? true,
          size: sized.heading,
          line: Math.round(sized.heading * 1.2),
          ...(headingColor ? { color: headingColor } : {}),
        }
      : style
    const text = titled ? asHeading(sized.text, titled) : sized.text
    const under =
      !(cut.id in this.input.plan.built) && !own && ink.lines.length > 0 && ink.lines.every((l) => l.under)
    const made: Tile = {
      id: `t-${cut.id}`,
      cut: cut.id,
      show: 'all',
      padding,
      kind: 'words',
      text: under ? underlined(text) : text,
      align,
      narrow: { padding: narrower(padding) ?? padding },
      style,
      headings,
    }
    // Padding and lines are whole px high: that comes to a little more or less than the design has.
    const whole = cut.words?.content.length === 1 && !sized.heading && ink.lines.length
    return {
      made,
      top,
      bottom: whole
        ? top + (padding.top + ink.lines.length * line) * this.scale
        : Math.max(bottom, begins) + padding.top * this.scale - (begins - top),
    }
  }

  /**
   * Large or bold short words are a heading: its level, or null. The largest of the design are those of level
   * 1.
   */
  private titleLevel(cut: Cut, size: number, bold: boolean, lines: number): 1 | 2 | null {
    // What was built before has the structure that the person left it with.
    if (cut.id in this.input.plan.built || lines > 4 || !(size >= TITLE_SIZE || (bold && size >= 18)))
      return null
    const most = Math.max(
      ...this.cuts
        .filter((c) => c.kind === 'words')
        .map((c) => this.lettering.of(c, c.ground ?? '#ffffff').size),
    )
    return size >= 0.92 * most ? 1 : 2
  }
}

/**
 * By how much a line may be wider than the widest one without taking a word of the next line up, design px:
 * so that letters that run a little wider still break where the design breaks. @param size of the letters,
 * design px
 */
function slackOf(lines: readonly InkLine[], size: number): number {
  const widest = Math.max(0, ...lines.map((l) => l.w))
  // Where the next word would have fitted long since, the design breaks by will: it stays broken however wide
  // the line is.
  const room = lines
    .slice(1)
    .map((next, i) => lines[i]!.w + 0.28 * size + next.word - widest)
    .filter((r) => r > -0.5 * size)
  const least = Math.min(...room, 4 * size)
  // Where there is little to spare, most of it is taken: fonts are drawn a hair wider or narrower everywhere.
  return Math.max(0, Math.min(1.2 * size, Math.max(0.5 * least, Math.min(0.85 * least, 0.25 * size))))
}

/**
 * The space beside words that leaves them their measured width and some slack. A short single line needs no
 * wall on its loose side.
 */
function sideSpace(
  align: 'left' | 'center' | 'right',
  left: number,
  right: number,
  slack: number,
  broken: boolean,
): Pick<Sides, 'left' | 'right'> {
  if (align === 'center') {
    // A column may be wider on one side than the words are centred in.
    const [l, r] =
      Math.abs(left - right) <= 4 ? [Math.min(left, right), Math.min(left, right)] : [left, right]
    return { left: Math.max(0, l - Math.ceil(slack / 2)), right: Math.max(0, r - Math.ceil(slack / 2)) }
  }
  const loose = (held: number, space: number) =>
    Math.max(0, broken ? space - slack : Math.min(held, space - slack))
  return align === 'right' ? { left: loose(right, left), right } : { left, right: loose(left, right) }
}

/** Paragraphs as headings of a level. */
const asHeading = (text: RichText, level: 1 | 2): RichText => ({
  type: 'doc',
  content: text.content.map((b) =>
    b.type === 'paragraph' && b.content?.length
      ? { type: 'heading', attrs: { level, textAlign: b.attrs?.textAlign }, content: b.content }
      : b,
  ),
})

/** All words with a line under them. */
const underlined = (text: RichText): RichText => ({
  type: 'doc',
  content: text.content.map((b) =>
    b.type === 'paragraph' || b.type === 'heading'
      ? {
          ...b,
          content: b.content?.map((r) =>
            r.type === 'text' ? { ...r, marks: [...(r.marks ?? []), { type: 'underline' as const }] } : r,
          ),
        }
      : b,
  ),
})

/**
 * Paragraphs that the design sets plainly larger than the main text become headings: told only where the
 * design shows as many blocks as the text has paragraphs. @param sizes of the design's blocks, px
 */
export function shapeText(
  text: RichText,
  sizes: number[],
  main: number | undefined,
): { text: RichText; heading: number | undefined } {
  if (
    !main ||
    sizes.length !== text.content.length ||
    sizes.length < 2 ||
    text.content.some((b) => b.type !== 'paragraph')
  )
    return { text, heading: undefined }
  const heading = Math.max(...sizes)
  if (heading < 1.25 * main) return { text, heading: undefined }
  return {
    heading,
    text: {
      type: 'doc',
      content: text.content.map((b, i) =>
        b.type === 'paragraph' && sizes[i]! >= 1.25 * main
          ? {
              type: 'heading',
              attrs: { level: heading >= 26 ? 1 : heading >= 20 ? 2 : 3, textAlign: b.attrs?.textAlign },
              content: b.content,
            }
          : b,
      ),
    },
  }
}

/** On a phone wide side spaces are drawn in to 20 px (common practice, no source). */
const narrower = (p: Sides): Sides | undefined =>
  p.left > 20 || p.right > 20 ? { ...p, left: Math.min(20, p.left), right: Math.min(20, p.right) } : undefined

/** The cuts of a layout that stand on no panel. */
const loose = (n: Node): Cut[] =>
  n.kind === 'panel' ? [] : n.kind === 'rows' || n.kind === 'columns' ? n.parts.flatMap(loose) : leavesOf(n)
const first = <T>(s: Set<T>): T => [...s][0]!
