import { plainOf } from '../../email/richtext'
import { asBuilt, type Cut, type Panel } from '../plan'
import { around, overlap, type Rect } from '../raster'
import { linesOf, type WordsOf } from './lines'
import { marksIn, type MarksGroup } from './marks'
import { menusIn, type MenuGroup } from './menus'
import { pricesIn } from './prices'
import { tablesIn, type TableGroup } from './tables'

/** Cuts that become one tile together, since the designer meant one thing by them. */
export type Group = TableGroup | MarksGroup | MenuGroup

/** What a plan means: cuts, with one for each group in place of those it is made of. */
export interface Intent {
  cuts: Cut[]
  /** By the id of the cut that stands for it. */
  groups: ReadonlyMap<string, Group>
  panels: Panel[]
  edges: number[]
}

/**
 * Reads from cuts what a designer meant by them.
 * @param wordsOf how words are set, measured in the pixels
 * @param scale design px for each px of the email
 * @param apart ids of cuts that have a tile of their own already: what was made of it there must not be lost
 */
export function intentOf(
  plan: { cuts: readonly Cut[]; panels: readonly Panel[]; edges: readonly number[] },
  wordsOf: (cut: Cut) => WordsOf,
  scale: number,
  apart: ReadonlySet<string>,
): Intent {
  const cuts = plan.cuts.filter((c) => c.kind !== 'nothing').map(asBuilt)
  const whole = (g: Group) => !membersOf(g).some((c) => apart.has(c.id))
  const marks = marksIn(cuts, scale).filter(whole)
  const words = cuts.filter((c) => c.kind === 'words')
  const others = cuts.filter((c) => c.kind !== 'words')
  const full = tablesIn(linesOf(words, wordsOf), others).filter(whole)
  const prices = pricesIn(linesOf(without(words, full), wordsOf), others, scale).filter(whole)
  const tables = [...full, ...prices]
  const free = without(words, tables)
  const under = [...others, ...tables.flatMap(membersOf)]
  const menus = menusIn(linesOf(free, wordsOf), under, scale).filter(whole)
  const groups = new Map<string, Group>()
  const standIns: Cut[] = []
  for (const group of [...marks, ...tables, ...menus]) {
    const members = membersOf(group)
    const first = members[0]!
    groups.set(first.id, group)
    const rest = cuts.filter((c) => !members.includes(c) && !linesIn(group).includes(c))
    const box = asWideAs(group.box, stripesOf(group, plan.panels))
    standIns.push(standIn(first, group, grown(box, leadingOf(group, scale), rest)))
  }
  const taken = new Set(
    [...groups.values()].flatMap((g) => [...membersOf(g), ...linesIn(g)].map((c) => c.id)),
  )
  return {
    cuts: [...cuts.filter((c) => !taken.has(c.id)), ...standIns].sort((a, b) => a.y - b.y || a.x - b.x),
    groups,
    // The rows of a table are no panels, and no bands.
    panels: plan.panels.filter((p) => !tables.some((t) => within(p, t.box))),
    edges: plan.edges.filter((e) => !tables.some((t) => e > t.box.y && e < t.box.y + t.box.h)),
  }
}

/** The cuts of a group in reading order. */
export const membersOf = (g: Group): Cut[] =>
  g.kind === 'marks'
    ? g.cuts
    : g.kind === 'menu'
      ? [...new Set(g.cells.map((c) => c.cut))]
      : [...new Set(g.rows.flat().flatMap((c) => (c ? [c.cut] : [])))]

/** The rules that a table draws itself. */
const linesIn = (g: Group): Cut[] => (g.kind === 'table' ? g.rules : [])

/** The stripes of a table's rows: they reach as far as it does, where its words do not. */
const stripesOf = (g: Group, panels: readonly Panel[]): Panel[] =>
  g.kind === 'table' ? panels.filter((p) => within(p, g.box)) : []

/** A box that reaches from the left to the right of all. */
function asWideAs(box: Rect, others: readonly Rect[]): Rect {
  const { x, w } = around([box, ...others])
  return { ...box, x, w }
}

const without = (cuts: readonly Cut[], groups: readonly Group[]): Cut[] => {
  const taken = new Set(groups.flatMap((g) => membersOf(g).map((c) => c.id)))
  return cuts.filter((c) => !taken.has(c.id))
}

/** Space above and below the ink of a link of a menu, in sizes of its letters and px of the email (see tiles/menu). */
const MENU_LEADING = 0.4
const MENU_SPACE = 4

/** Space that a group takes above and below its ink: rows of a table are as high as they are apart. Design px. */
function leadingOf(g: Group, scale: number): number {
  if (g.kind === 'marks') return 0
  if (g.kind === 'menu') return MENU_LEADING * g.cells[0]!.words.size + MENU_SPACE * scale
  const [first, second] = g.rows.map((r) => around(r.flatMap((c) => (c ? [c.words.box] : []))))
  return second ? Math.max(0, (second.y - first!.y - first!.h) / 2) : 0
}

/** A box that is so much taller on both sides, as far as nothing else is there. */
function grown(box: Rect, by: number, others: readonly Rect[]): Rect {
  const beside = others.filter((o) => o.x < box.x + box.w && o.x + o.w > box.x)
  const above = Math.max(0, ...beside.filter((o) => o.y + o.h <= box.y).map((o) => o.y + o.h))
  const below = Math.min(...beside.filter((o) => o.y >= box.y + box.h).map((o) => o.y), Infinity)
  const top = Math.max(above, box.y - by)
  return { ...box, y: top, h: Math.min(below, box.y + box.h + by) - top }
}

/** One cut in place of a group's. */
const standIn = (first: Cut, group: Group, box: Rect): Cut => ({
  id: first.id,
  ...integer(box),
  kind: 'picture',
  alt: first.words ? plainOf(first.words) : first.alt,
  link: '',
  words: null,
  ground: first.ground,
})

const integer = ({ x, y, w, h }: Rect): Rect => {
  const [left, top] = [Math.floor(x), Math.floor(y)]
  return { x: left, y: top, w: Math.ceil(x + w) - left, h: Math.ceil(y + h) - top }
}

/** A stripe of a table lies in it by this share of its area at least. */
const MOSTLY = 0.7

/** Whether most of a rectangle lies in another, and it holds no more than that. */
function within(inner: Rect, outer: Rect): boolean {
  const shared = overlap(inner, outer)
  const area = inner.w * inner.h
  return !!shared && inner.h < outer.h && shared.w * shared.h > MOSTLY * area * Math.min(1, outer.w / inner.w)
}
