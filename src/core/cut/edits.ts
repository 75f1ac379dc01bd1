import { newId, type NewId } from '../email/defaults'
import type { Cut, CutPlan } from './plan'
import { around, overlap, type Rect } from './raster'

/**
 * Changes of a cut plan, as pure functions. Whatever is asked, cuts never overlap and never leave the design.
 */
export interface Size {
  width: number
  height: number
}

/** The least side of a cut, design px. */
export const LEAST = 4

export type Side = 'top' | 'right' | 'bottom' | 'left'

export const withCuts = (plan: CutPlan, cuts: Cut[]): CutPlan => ({ ...plan, cuts })
export const replace = (plan: CutPlan, cut: Cut): CutPlan =>
  withCuts(
    plan,
    plan.cuts.map((c) => (c.id === cut.id ? cut : c)),
  )
export const others = (plan: CutPlan, id: string): Cut[] => plan.cuts.filter((c) => c.id !== id)

/** The value of the nearest edge within reach, else the value itself. @param reach design px */
export function snap(value: number, edges: readonly number[], reach: number): number {
  let best = value,
    distance = reach + 1
  for (const e of edges)
    if (Math.abs(e - value) < distance) {
      best = e
      distance = Math.abs(e - value)
    }
  return Math.round(best)
}

/** Sets what a cut becomes or says. */
export function setCut(
  plan: CutPlan,
  id: string,
  set: Partial<Omit<Cut, 'id' | 'x' | 'y' | 'w' | 'h'>>,
): CutPlan {
  return withCuts(
    plan,
    plan.cuts.map((c) => (c.id === id ? { ...c, ...set } : c)),
  )
}

/** Moves one side of a cut to a place, as far as its neighbours and the design let it. @param to design px */
export function moveSide(plan: CutPlan, id: string, side: Side, to: number, size: Size): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return plan
  const vertical = side === 'top' || side === 'bottom'
  const limit = { low: 0, high: vertical ? size.height : size.width }
  for (const o of others(plan, id)) {
    const beside = vertical
      ? o.x < cut.x + cut.w && o.x + o.w > cut.x
      : o.y < cut.y + cut.h && o.y + o.h > cut.y
    if (!beside) continue
    if (vertical) {
      if (o.y + o.h <= cut.y) limit.low = Math.max(limit.low, o.y + o.h)
      else limit.high = Math.min(limit.high, o.y)
    } else if (o.x + o.w <= cut.x) limit.low = Math.max(limit.low, o.x + o.w)
    else limit.high = Math.min(limit.high, o.x)
  }
  const [from, length] = vertical ? [cut.y, cut.h] : [cut.x, cut.w]
  const end = from + length
  const wanted = Math.round(to)
  const [a, b] =
    side === 'top' || side === 'left'
      ? [Math.max(limit.low, Math.min(wanted, end - LEAST)), end]
      : [from, Math.min(limit.high, Math.max(wanted, from + LEAST))]
  return replace(plan, vertical ? { ...cut, y: a, h: b - a } : { ...cut, x: a, w: b - a })
}

/**
 * Moves one side of a cut, and with it the neighbour that shares the whole of that side, so that no gap opens
 * between the two; a neighbour that only touches part of it stands in the way. @param to design px
 */
export function moveEdge(plan: CutPlan, id: string, side: Side, to: number, size: Size): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return plan
  const opposite = ({ top: 'bottom', bottom: 'top', left: 'right', right: 'left' } as const)[side]
  const at = (c: Rect, s: Side) =>
    s === 'top' ? c.y : s === 'bottom' ? c.y + c.h : s === 'left' ? c.x : c.x + c.w
  const vertical = side === 'top' || side === 'bottom'
  const neighbour = others(plan, id).find(
    (o) =>
      at(o, opposite) === at(cut, side) &&
      (vertical ? o.x === cut.x && o.w === cut.w : o.y === cut.y && o.h === cut.h),
  )
  if (!neighbour) return moveSide(plan, id, side, to, size)
  // The one that gives way goes first; how far it can, the other follows.
  const growing = side === 'top' || side === 'left' ? to < at(cut, side) : to > at(cut, side)
  const [first, firstSide, second, secondSide] = growing
    ? [neighbour.id, opposite, id, side]
    : [id, side, neighbour.id, opposite]
  const moved = moveSide(plan, first, firstSide, to, size)
  return moveSide(
    moved,
    second,
    secondSide,
    at(
      moved.cuts.find((c) => c.id === first)!,
      firstSide,
    ),
    size,
  )
}

/** Moves a whole cut, sliding along its neighbours. @param dx, dy design px */
export function moveCut(plan: CutPlan, id: string, dx: number, dy: number, size: Size): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return plan
  const rest = others(plan, id)
  const slide = (from: Rect, ax: number, ay: number): Rect => {
    const to = {
      ...from,
      x: Math.max(0, Math.min(size.width - from.w, from.x + Math.round(ax))),
      y: Math.max(0, Math.min(size.height - from.h, from.y + Math.round(ay))),
    }
    // The way there is blocked by whatever the swept box meets first.
    const path = around([from, to])
    for (const o of rest) {
      if (!overlap(path, o)) continue
      if (to.y > from.y) to.y = Math.min(to.y, Math.max(from.y, o.y - from.h))
      else if (to.y < from.y) to.y = Math.max(to.y, Math.min(from.y, o.y + o.h))
      if (to.x > from.x) to.x = Math.min(to.x, Math.max(from.x, o.x - from.w))
      else if (to.x < from.x) to.x = Math.max(to.x, Math.min(from.x, o.x + o.w))
    }
    return to
  }
  return replace(plan, { ...cut, ...slide(slide(cut, dx, 0), 0, dy) })
}

/** The part of a drawn rectangle that is free of cuts, or null where next to nothing is left. */
export function freePart(plan: CutPlan, drawn: Rect, size: Size): Rect | null {
  let r: Rect | null = overlap(drawn, { x: 0, y: 0, w: size.width, h: size.height })
  for (const c of plan.cuts) {
    if (!r) return null
    const o = overlap(r, c)
    if (!o) continue
    // Of the four parts beside the obstacle, the largest stays.
    const options: Rect[] = [
      { ...r, h: o.y - r.y },
      { ...r, y: o.y + o.h, h: r.y + r.h - o.y - o.h },
      { ...r, w: o.x - r.x },
      { ...r, x: o.x + o.w, w: r.x + r.w - o.x - o.w },
    ]
    r = options.reduce((a, b) => (b.w * b.h > a.w * a.h ? b : a))
    if (r.w < LEAST || r.h < LEAST) return null
  }
  return r && r.w >= LEAST && r.h >= LEAST
    ? { x: Math.round(r.x), y: Math.round(r.y), w: Math.round(r.w), h: Math.round(r.h) }
    : null
}

/** Adds a cut where there is room for it; the plan stays as it is where there is none. */
export function addCut(
  plan: CutPlan,
  drawn: Rect,
  size: Size,
  kind: Cut['kind'] = 'picture',
  id: NewId = newId,
): { plan: CutPlan; id: string | null } {
  const rect = freePart(plan, drawn, size)
  if (!rect) return { plan, id: null }
  const cut: Cut = { id: id(), ...rect, kind, alt: null, link: '', words: null, ground: null }
  return {
    plan: withCuts(
      plan,
      [...plan.cuts, cut].sort((a, b) => a.y - b.y || a.x - b.x),
    ),
    id: cut.id,
  }
}

/** Takes a cut out. */
export const removeCut = (plan: CutPlan, id: string): CutPlan => withCuts(plan, others(plan, id))

/**
 * Makes one cut of several: the box around them, and around whatever else lies in that box. The first keeps
 * its id; alt texts and words are joined in order, the first link stays.
 */
export function mergeCuts(plan: CutPlan, ids: readonly string[]): CutPlan {
  let group = plan.cuts.filter((c) => ids.includes(c.id))
  if (group.length < 2) return plan
  for (;;) {
    const box = around(group)
    const inside = plan.cuts.filter((c) => overlap(c, box))
    if (inside.length === group.length) break
    group = inside
  }
  const ordered = [...group].sort((a, b) => a.y - b.y || a.x - b.x)
  const first = ordered[0]!
  const alts = ordered.map((c) => c.alt).filter((a): a is string => !!a)
  const texts = ordered.flatMap((c) => c.words?.content ?? [])
  const merged: Cut = {
    ...first,
    ...around(group),
    alt: alts.length ? alts.join(' ') : first.alt,
    link: ordered.find((c) => c.link)?.link ?? '',
    words: texts.length ? { type: 'doc', content: texts } : null,
    ground: first.ground ?? ordered.find((c) => c.ground)?.ground ?? null,
  }
  const gone = new Set(group.map((c) => c.id))
  return withCuts(
    plan,
    [...plan.cuts.filter((c) => !gone.has(c.id)), merged].sort((a, b) => a.y - b.y || a.x - b.x),
  )
}

/**
 * Parts a cut in two at a line. What it says stays with the first part.
 * @param at design px, inside the cut
 */
export function splitCut(
  plan: CutPlan,
  id: string,
  way: 'across' | 'down',
  at: number,
  newCutId: NewId = newId,
): CutPlan {
  const whole = plan.cuts.find((c) => c.id === id)
  if (!whole) return plan
  // What phones show instead was of the whole.
  const { narrow: _, ...cut } = whole
  const where = Math.round(at) - (way === 'across' ? cut.y : cut.x)
  const length = way === 'across' ? cut.h : cut.w
  if (where < LEAST || length - where < LEAST) return plan
  const [one, two] =
    way === 'across'
      ? [
          { ...cut, h: where },
          { ...cut, y: cut.y + where, h: length - where },
        ]
      : [
          { ...cut, w: where },
          { ...cut, x: cut.x + where, w: length - where },
        ]
  return withCuts(
    plan,
    plan.cuts.flatMap((c) =>
      c.id === id ? [one, { ...two, id: newCutId(), alt: null, words: null, link: cut.link }] : [c],
    ),
  )
}

/**
 * Parts a cut into so many equal parts; what does not divide goes to the first ones, a pixel each. What it
 * says stays with the first.
 */
export function splitEqually(
  plan: CutPlan,
  id: string,
  way: 'across' | 'down',
  parts: number,
  newCutId: NewId = newId,
): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut || parts < 2) return plan
  const [from, length] = way === 'across' ? [cut.y, cut.h] : [cut.x, cut.w]
  if (length / parts < LEAST) return plan
  // From the far end, so that the first part keeps the id.
  let next = plan
  for (let i = parts - 1; i > 0; i--)
    next = splitCut(next, id, way, from + Math.ceil((length * i) / parts), newCutId)
  return next
}

/** What no cut covers, as rectangles that do not overlap, from the top. */
export function uncovered(cuts: readonly Rect[], size: Size): Rect[] {
  const ys = [...new Set([0, size.height, ...cuts.flatMap((c) => [c.y, c.y + c.h])])].sort((a, b) => a - b)
  const done: Rect[] = []
  let open: Rect[] = []
  for (let i = 0; i + 1 < ys.length; i++) {
    const [top, bottom] = [ys[i]!, ys[i + 1]!]
    const taken = cuts.filter((c) => c.y < bottom && c.y + c.h > top).sort((a, b) => a.x - b.x)
    const free: Rect[] = []
    let x = 0
    for (const c of taken) {
      if (c.x > x) free.push({ x, y: top, w: c.x - x, h: bottom - top })
      x = Math.max(x, c.x + c.w)
    }
    if (x < size.width) free.push({ x, y: top, w: size.width - x, h: bottom - top })
    // A free part as wide as the one above it goes on with it.
    open = free
      .map((f) => {
        const up = open.find((o) => o.x === f.x && o.w === f.w && o.y + o.h === f.y)
        return up ? { ...up, h: up.h + f.h } : f
      })
      .map((f) => {
        const at = done.findIndex((d) => d.x === f.x && d.y === f.y && d.w === f.w)
        if (at >= 0) done.splice(at, 1)
        done.push(f)
        return f
      })
  }
  return done.sort((a, b) => a.y - b.y || a.x - b.x)
}
