import { newId, type NewId } from '../email/defaults'
import type { Size, Side } from './edits'
import { withCuts, replace, others, setCut, moveSide, moveCut, freePart, addCut, splitCut } from './edits'
import type { Cut, CutPlan } from './plan'
import { around, type Rect } from './raster'

/** Cuts that are locked stay where they are. */
export const unlocked = (plan: CutPlan, ids: readonly string[]): string[] =>
  ids.filter((id) => !plan.cuts.find((c) => c.id === id)?.locked)

/** Puts a cut at a place and size, as far as its neighbours and the design let it. */
export function placeCut(plan: CutPlan, id: string, to: Rect, size: Size): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut || cut.locked) return plan
  const rest = withCuts(plan, others(plan, id))
  const free = freePart(rest, to, size)
  return free ? replace(plan, { ...cut, ...free }) : plan
}

/** A copy of a cut right below it, where there is room; else the plan as it is. */
export function duplicateCut(
  plan: CutPlan,
  id: string,
  size: Size,
  newCutId: NewId = newId,
): { plan: CutPlan; id: string | null } {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return { plan, id: null }
  const rect = freePart(plan, { ...cut, y: cut.y + cut.h }, size)
  if (!rect) return { plan, id: null }
  const copy = { ...cut, ...rect, id: newCutId(), locked: false }
  return {
    plan: withCuts(
      plan,
      [...plan.cuts, copy].sort((a, b) => a.y - b.y || a.x - b.x),
    ),
    id: copy.id,
  }
}

export type Alignment = 'left' | 'center' | 'right' | 'top' | 'middle' | 'bottom'

/** Lines cuts up by the edge or the middle of the box around them. None is moved over another. */
export function alignCuts(plan: CutPlan, ids: readonly string[], by: Alignment, size: Size): CutPlan {
  const group = plan.cuts.filter((c) => ids.includes(c.id))
  if (group.length < 2) return plan
  const box = around(group)
  return group.reduce((p, c) => {
    if (c.locked) return p
    const x =
      by === 'left'
        ? box.x
        : by === 'right'
          ? box.x + box.w - c.w
          : by === 'center'
            ? Math.round(box.x + (box.w - c.w) / 2)
            : c.x
    const y =
      by === 'top'
        ? box.y
        : by === 'bottom'
          ? box.y + box.h - c.h
          : by === 'middle'
            ? Math.round(box.y + (box.h - c.h) / 2)
            : c.y
    return moveCut(p, c.id, x - c.x, y - c.y, size)
  }, plan)
}

/** Gives three or more cuts equal spaces between them; the first and the last stay. */
export function distributeCuts(
  plan: CutPlan,
  ids: readonly string[],
  way: 'across' | 'down',
  size: Size,
): CutPlan {
  const [at, length] = way === 'across' ? (['x', 'w'] as const) : (['y', 'h'] as const)
  const group = plan.cuts.filter((c) => ids.includes(c.id)).sort((a, b) => a[at] - b[at])
  if (group.length < 3) return plan
  const [firstCut, last] = [group[0]!, group.at(-1)!]
  const space =
    (last[at] + last[length] - firstCut[at] - group.reduce((s, c) => s + c[length], 0)) / (group.length - 1)
  if (space < 0) return plan
  let next = plan,
    from = firstCut[at] + firstCut[length] + space
  const wanted = new Map<string, number>()
  for (const c of group.slice(1, -1)) {
    wanted.set(c.id, Math.round(from))
    from += c[length] + space
  }
  // Those that move back go first to last, those that move on last to first, so that none stands in another's
  // way.
  const moves = group
    .slice(1, -1)
    .map((c) => ({ c, by: wanted.get(c.id)! - c[at] }))
    .filter(({ c }) => !c.locked)
  for (const { c, by } of [...moves.filter((m) => m.by < 0), ...moves.filter((m) => m.by > 0).reverse()])
    next = moveCut(next, c.id, way === 'across' ? by : 0, way === 'down' ? by : 0, size)
  return next
}

/**
 * Extends a cut on all four sides until it meets a neighbour, the design's edge, or the given limits (such as
 * the middle of a gutter).
 */
export function extendCut(
  plan: CutPlan,
  id: string,
  size: Size,
  limits: Rect = { x: 0, y: 0, w: size.width, h: size.height },
): CutPlan {
  const sides: [Side, number][] = [
    ['left', limits.x],
    ['right', limits.x + limits.w],
    ['top', limits.y],
    ['bottom', limits.y + limits.h],
  ]
  return plan.cuts.find((c) => c.id === id)?.locked
    ? plan
    : sides.reduce((p, [side, to]) => moveSide(p, id, side, to, size), plan)
}

/** Cuts everything that no cut covers, each area as a cut of its own. */
export function fillUncovered(
  plan: CutPlan,
  areas: readonly { rect: Rect; kind: Cut['kind']; ground: string | null }[],
  size: Size,
  id: NewId = newId,
): CutPlan {
  return areas.reduce((p, { rect, kind, ground }) => {
    const added = addCut(p, rect, size, kind, id)
    return added.id ? setCut(added.plan, added.id, { ground }) : p
  }, plan)
}

/** Moves a cut to another place in the reading order. @param to counted from 0 */
export function reorderCut(plan: CutPlan, order: readonly string[], id: string, to: number): CutPlan {
  const rest = order.filter((x) => x !== id)
  rest.splice(Math.max(0, Math.min(rest.length, to)), 0, id)
  return { ...plan, order: rest }
}

/**
 * A picture with two links side by side becomes two pictures that meet without a seam.
 * @param at share of the width that the first link takes, 0 to 1
 */
export function splitLinks(
  plan: CutPlan,
  id: string,
  links: readonly [string, string],
  at = 0.5,
  newCutId: NewId = newId,
): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return plan
  const known = new Set(plan.cuts.map((c) => c.id))
  const parted = splitCut(plan, id, 'down', cut.x + cut.w * at, newCutId)
  return withCuts(
    parted,
    parted.cuts.map((c) =>
      c.id === id ? { ...c, link: links[0] } : known.has(c.id) ? c : { ...c, link: links[1] },
    ),
  )
}
