import type { Band, Cell, Email, Item, Row } from '../email/schema'
import { emptyText, plainOf, type RichText } from '../email/richtext'
import { sides, type Sides } from '../email/styles'
import { newEmail } from '../email/defaults'
import type { PictureRef } from '../tiles/picture/ref'
import type { Tile } from '../tiles/schema'
import { carry, deletedCuts, harvest } from './carry'
import type { Ground } from './ground'
import { alignmentOf, inkBlocks, type Ink, type InkLine } from './ink'
import { partition, type Layout } from './partition'
import type { Cut, CutPlan } from './plan'
import { around, type Rect } from './raster'

/** What "build the email" works from. The pixels come in as two questions, so that this stays a matter of rectangles. */
export interface BuildInput {
  plan: CutPlan
  /** The design, px. */
  size: { width: number; height: number }
  /** px */
  emailWidth: number
  /** The encoded crop of each picture cut. */
  pictures: ReadonlyMap<string, PictureRef>
  groundOf: (rect: Rect) => Ground
  readInk: (rect: Rect, ground: string) => Ink
  previous: Email | null
}

export interface BuildResult {
  email: Email
  /** The plan with what was written in the email since the last build, and with this build remembered. */
  plan: CutPlan
  /** What the person should know, one sentence each. */
  notes: string[]
}

/**
 * Turns a cut plan into bands and tiles at their measured places. Built again, it keeps the words, alt texts and links already written,
 * wherever they were written last, and everything added by hand.
 */
export function buildEmail(input: BuildInput): BuildResult {
  const plan = input.previous ? harvest(input.plan, input.previous) : input.plan
  const maker = new Maker({ ...input, plan })
  const bands = plan.cuts.length ? maker.bands() : []
  const base = input.previous ?? newEmail(input.emailWidth)
  const taken = base.way !== 'bands' && plan.cuts.length > 0
  if (taken) maker.notes.push(`The email is composed from bands again. ${base.way === 'hand' ? 'The HTML written by hand' : 'The plain text'} is kept: it can be taken up in Compose.`)
  const email: Email = { ...base, ...(taken ? { way: 'bands' as const } : {}), width: input.emailWidth, bands: input.previous ? carry(input.previous, bands, plan) : bands }
  const left = input.previous ? deletedCuts(input.previous, plan).size : 0
  if (left) maker.notes.push(`${left === 1 ? 'One cut stays' : `${left} cuts stay`} out of the email, since what was made of ${left === 1 ? 'it' : 'them'} was deleted there. Change a cut's kind or place to bring it back.`)
  const built = Object.fromEntries(plan.cuts.map(({ id, ground: _, ...said }) => [id, said]))
  return { email, plan: { ...plan, built }, notes: maker.notes }
}

type Node = Layout<Cut>

class Maker {
  readonly notes: string[] = []
  private readonly scale: number
  constructor(private readonly input: BuildInput) { this.scale = input.size.width / input.emailWidth }

  /** Design pixels to whole px of the email, never below 0. */
  private px(v: number): number { return Math.max(0, Math.round(v / this.scale)) }

  bands(): Band[] {
    const { size } = this.input
    const tree = partition(this.input.plan.cuts)
    const nodes = tree.kind === 'rows' ? tree.parts : [tree]
    const bands = nodes.map((n, i) => this.band(n, i, nodes.length))
    // What lies between bands becomes padding of the neighbour of its colour, else a band of its own.
    const out: Band[] = []
    let y = 0
    const space = (to: number, next: Band | undefined) => {
      const height = to - y
      if (height < this.scale / 2) return
      const color = this.input.groundOf({ x: 0, y, w: size.width, h: height }).color
      const last = out.at(-1)
      if (last?.background === color) last.padding = { ...last.padding, bottom: last.padding.bottom + this.px(height) }
      else if (next?.background === color) next.padding = { ...next.padding, top: next.padding.top + this.px(height) }
      else out.push(this.gapBand(color, height, `gap-${y}`))
    }
    nodes.forEach((n, i) => {
      space(n.box.y, bands[i])
      out.push(bands[i]!)
      y = n.box.y + n.box.h
    })
    space(size.height, undefined)
    return out.map((b) => ({ ...b, narrowPadding: narrower(b.padding) }))
  }

  private gapBand(color: string, height: number, id: string): Band {
    const { emailWidth } = this.input
    return {
      id, name: 'Space', role: 'main', background: color, padding: sides(0), gap: 0, narrow: 'stack', show: 'all',
      cells: [{ id: `${id}-c`, width: emailWidth, padding: sides(0), align: 'left', valign: 'top', items: [{ id: `${id}-t`, kind: 'gap', padding: sides(0), show: 'all', height: height / this.scale }] }],
    }
  }

  private band(node: Node, index: number, count: number): Band {
    const { size } = this.input
    const first = leaves(node)[0]!
    const whole: Rect = { x: 0, y: node.box.y, w: size.width, h: node.box.h }
    const background = this.background(node, whole)
    const left = this.px(node.box.x), right = this.px(size.width - node.box.x - node.box.w)
    const role: Band['role'] = index === 0 && count > 2 && node.box.h / this.scale < 140 ? 'header' : index === count - 1 && count > 2 ? 'footer' : 'main'
    const row = node.kind === 'columns' ? this.row(node, node.box, background) : { gap: 0, narrow: 'stack' as const, cells: [this.cell(node, node.box, background, `c-${first.id}`)] }
    return { id: `b-${first.id}`, name: this.bandName(node, role, index), role, background, padding: { top: 0, bottom: 0, left, right }, show: 'all', ...row }
  }

  /** A single words or flat cut lends the band its colour; elsewhere it is the commonest colour at the band's own edge. */
  private background(node: Node, whole: Rect): string {
    if (node.kind === 'leaf' && node.cut.kind !== 'picture' && node.cut.ground) return node.cut.ground
    return this.input.groundOf(node.kind === 'leaf' ? node.cut : whole).color
  }

  private bandName(node: Node, role: Band['role'], index: number): string {
    if (role === 'header') return 'Header'
    if (role === 'footer') return 'Footer'
    for (const cut of leaves(node)) {
      const said = cut.words && cut.kind === 'words' ? plainOf(cut.words) : cut.kind === 'picture' ? cut.alt ?? '' : ''
      const words = said.trim().split(/\s+/).slice(0, 3).join(' ').replace(/[.,;:!?]+$/, '')
      if (words) return words.slice(0, 40)
    }
    const kinds = new Set(leaves(node).map((c) => c.kind))
    return `${kinds.size > 1 ? 'Mixed' : { picture: 'Picture', words: 'Words', flat: 'Flat' }[first(kinds)]} ${index + 1}`
  }

  private row(node: Extract<Node, { kind: 'columns' }>, rect: Rect, ground: string): Pick<Row, 'gap' | 'narrow' | 'cells'> {
    const parts = this.atMostFive(node.parts)
    const gaps = parts.slice(1).map((p, i) => p.box.x - (parts[i]!.box.x + parts[i]!.box.w))
    const even = gaps.every((g) => Math.abs(g - gaps[0]!) <= this.scale)
    const right = rect.x + rect.w
    const cells = parts.map((part, i): Cell => {
      const from = i === 0 ? rect.x : even ? part.box.x : part.box.x - gaps[i - 1]! / 2
      const to = i === parts.length - 1 ? right : even ? part.box.x + part.box.w : part.box.x + part.box.w + gaps[i]! / 2
      return this.cell(part, { x: from, y: rect.y, w: to - from, h: rect.h }, ground, `c-${leaves(part)[0]!.id}`)
    })
    const slices = gaps.every((g) => g === 0) && parts.every((p) => leaves(p).every((c) => c.kind !== 'words'))
    return { gap: even ? Math.max(0, ...gaps.slice(0, 1)) / this.scale : 0, narrow: slices ? 'keep' : 'stack', cells }
  }

  /** More than five side by side are taken together from the fifth on. */
  private atMostFive(parts: Node[]): Node[] {
    if (parts.length <= 5) return parts
    const rest = parts.slice(4)
    return [...parts.slice(0, 4), { kind: 'columns', box: around(rest.map((p) => p.box)), parts: rest }]
  }

  private cell(node: Node, rect: Rect, ground: string, id: string): Cell {
    return { id, width: Math.max(1, rect.w / this.scale), padding: sides(0), align: 'left', valign: 'top', items: this.items(node, rect, ground) }
  }

  private items(node: Node, rect: Rect, ground: string): Item[] {
    if (node.kind === 'leaf') return [this.tile(node.cut, rect, rect.y, ground)]
    if (node.kind === 'columns') return [{ id: `r-${leaves(node)[0]!.id}`, kind: 'row', ...this.row(node, { ...rect, y: node.box.y, h: node.box.h }, ground) }]
    if (node.kind === 'knot') this.notes.push(`${node.cuts.length} cuts interlock so that no straight line parts them; they were stacked. Merge them, or move their edges into line.`)
    const parts: Node[] = node.kind === 'knot' ? node.cuts.map((cut) => ({ kind: 'leaf', box: cut, cut })) : node.parts
    let y = rect.y
    return parts.flatMap((part): Item[] => {
      const top = y
      y = part.box.y + part.box.h
      if (part.kind === 'leaf') return [this.tile(part.cut, rect, top, ground)]
      const space = part.box.y - top
      const gap: Item[] = space >= this.scale ? [{ id: `g-${leaves(part)[0]!.id}`, kind: 'gap', padding: sides(0), show: 'all', height: space / this.scale }] : []
      return [...gap, ...this.items(part, { ...rect, y: part.box.y, h: part.box.h }, ground)]
    })
  }

  /** A tile, with its place in the cell as padding. @param top where the space above it begins, design px */
  private tile(cut: Cut, rect: Rect, top: number, behind: string): Tile {
    const padding: Sides = { top: this.px(cut.y - top), bottom: 0, left: this.px(cut.x - rect.x), right: this.px(rect.x + rect.w - cut.x - cut.w) }
    const base = { id: `t-${cut.id}`, cut: cut.id, show: 'all' as const, padding }
    if (cut.kind === 'flat') return { ...base, kind: 'gap', height: Math.max(1, cut.h / this.scale) }
    if (cut.kind === 'words') return this.words(cut, base, behind)
    return { ...base, kind: 'picture', picture: this.input.pictures.get(cut.id) ?? null, alt: cut.alt, link: cut.link, width: Math.max(1, cut.w / this.scale), align: 'left' }
  }

  private words(cut: Cut, base: Pick<Tile, 'id' | 'cut' | 'show' | 'padding'>, behind: string): Tile {
    const ink = this.input.readInk(cut, cut.ground ?? behind)
    const box = ink.lines.length ? around(ink.lines) : cut
    const align = alignmentOf(ink.lines, cut)
    const blocks = inkBlocks(ink.lines)
    const main = blocks.reduce<(typeof blocks)[number] | undefined>((a, b) => (!a || b.lines.length > a.lines.length ? b : a), undefined)
    const size = main ? Math.max(10, Math.min(72, Math.round(main.size / this.scale))) : undefined
    const line = size && main ? (main.pitch ? Math.max(size, Math.min(size * 2, Math.round(main.pitch / this.scale))) : Math.round(size * 1.4)) : undefined
    const leading = size && line ? (line - size) / 2 : 0
    // Letters run wider in other fonts: the side that the lines do not hold on to keeps only as much space as the other side.
    const leftSpace = this.px(box.x - cut.x), rightSpace = this.px(cut.x + cut.w - box.x - box.w)
    const least = Math.min(leftSpace, rightSpace)
    const padding: Sides = {
      top: base.padding.top + Math.max(0, Math.round(this.px(box.y - cut.y) - leading)), bottom: Math.max(0, Math.round(this.px(cut.y + cut.h - box.y - box.h) - leading)),
      left: base.padding.left + (align === 'left' ? leftSpace : least), right: base.padding.right + (align === 'right' ? rightSpace : least),
    }
    const ground = cut.ground ?? behind
    const colorOf = (lines: readonly InkLine[] | undefined) => (lines?.length ? this.input.readInk(around(lines), ground).color : ink.color) ?? undefined
    const largest = blocks.reduce<(typeof blocks)[number] | undefined>((a, b) => (!a || b.size > a.size ? b : a), undefined)
    const [color, headingColor] = [colorOf(main?.lines), colorOf(largest?.lines)]
    const text = cut.words ?? emptyText()
    const sized = shapeText(text, blocks.map((b) => Math.round(b.size / this.scale)), size)
    return {
      ...base, padding, kind: 'words', text: sized.text, align, narrow: { padding: narrower(padding) ?? padding },
      style: { ...(size ? { size, line } : {}), ...(color ? { color } : {}) },
      headings: { ...(sized.heading ? { size: sized.heading, line: Math.round(sized.heading * 1.2) } : {}), ...(headingColor ? { color: headingColor } : {}) },
    }
  }
}

/**
 * Paragraphs that the design sets plainly larger than the main text become headings: told only where the design shows as many blocks as
 * the text has paragraphs. @param sizes of the design's blocks, px
 */
export function shapeText(text: RichText, sizes: number[], main: number | undefined): { text: RichText; heading: number | undefined } {
  if (!main || sizes.length !== text.content.length || sizes.length < 2 || text.content.some((b) => b.type !== 'paragraph')) return { text, heading: undefined }
  const heading = Math.max(...sizes)
  if (heading < 1.25 * main) return { text, heading: undefined }
  return {
    heading,
    text: {
      type: 'doc',
      content: text.content.map((b, i) => (b.type === 'paragraph' && sizes[i]! >= 1.25 * main ? { type: 'heading', attrs: { level: heading >= 26 ? 1 : heading >= 20 ? 2 : 3, textAlign: b.attrs?.textAlign }, content: b.content } : b)),
    },
  }
}

/** On a phone wide side spaces are drawn in to 20 px (common practice, no source). */
const narrower = (p: Sides): Sides | undefined => (p.left > 20 || p.right > 20 ? { ...p, left: Math.min(20, p.left), right: Math.min(20, p.right) } : undefined)

const leaves = (n: Node): Cut[] => (n.kind === 'leaf' ? [n.cut] : n.kind === 'knot' ? n.cuts : n.parts.flatMap(leaves))
const first = <T>(s: Set<T>): T => [...s][0]!
