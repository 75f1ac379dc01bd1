import type { Edge } from './edges'
import type { Part, PartsFound } from './parts'
import type { Rect } from './raster'

/** What stands no further apart than this belongs together, px of the email (common practice, no source). */
const NEAR = 32
/** Words beside each other may be a row of a table, which has space inside: so many of them, and so far away, px of the email. */
const ROW = 3
const NEAR_ROW = 44
/** What reaches across this share of the design is a band of its own. */
const ACROSS = 0.98

/**
 * Whether two neighbours on one ground are one band after all: what stands at their edge is near, and nothing stands beside it, as in
 * a list of stories, the cells of a table or a picture across.
 * @param scale design px for each px of the email
 * @param width of the design, px
 */
export function isOneBand(
  above: PartsFound,
  { why }: Edge,
  below: PartsFound,
  { scale, width }: { scale: number; width: number },
): boolean {
  if (why === 'ground' || why === 'seam' || above.panels.length || below.panels.length) return false
  const last = rowAt(above.parts, 'bottom')
  const first = rowAt(below.parts, 'top')
  if (!last.length || !first.length || (last.length > 1 && first.length > 1)) return false
  const [rule] = first
  if (why === 'rule' && rule!.kind !== 'rule') return false
  const next =
    why === 'rule'
      ? rowAt(
          below.parts.filter((p) => p !== rule),
          'top',
        )
      : first
  if (!next.length || (last.length > 1 && next.length > 1)) return false
  if ([...last, ...next].some((p) => p.kind !== 'rule' && p.w >= ACROSS * width)) return false
  const near = (upper: readonly Rect[], lower: readonly Rect[]) =>
    Math.min(...lower.map((r) => r.y)) - Math.max(...upper.map((r) => r.y + r.h)) <=
    (Math.max(upper.length, lower.length) >= ROW ? NEAR_ROW : NEAR) * scale
  return why === 'rule' ? near(last, [rule!]) && near([rule!], next) : near(last, next)
}

/** The parts that stand beside each other at one end of a band. */
function rowAt(parts: readonly Part[], end: 'top' | 'bottom'): Part[] {
  const reach = (p: Part) => (end === 'top' ? -p.y : p.y + p.h)
  const outer = parts.reduce<Part | undefined>((a, p) => (!a || reach(p) > reach(a) ? p : a), undefined)
  return outer ? parts.filter((p) => p.y < outer.y + outer.h && p.y + p.h > outer.y) : []
}
