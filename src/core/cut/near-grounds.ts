import { colorDifference } from '../color/difference'
import type { Cut, CutPlan } from './plan'

/**
 * Two neighbouring cuts whose grounds are nearly, but not quite, the same: a seam would show between them.
 */
export interface NearGrounds {
  a: Cut
  b: Cut
  /** CIEDE2000. */ difference: number
}

/** Under this difference two grounds are taken for one that was drawn twice. */
export const NEARLY = 2

const touching = (a: Cut, b: Cut, reach: number): boolean => {
  const apart = (fromA: number, toA: number, fromB: number, toB: number) =>
    Math.max(fromA, fromB) - Math.min(toA, toB)
  const x = apart(a.x, a.x + a.w, b.x, b.x + b.w),
    y = apart(a.y, a.y + a.h, b.y, b.y + b.h)
  return x <= reach && y <= reach && (x < 0 || y < 0)
}

/**
 * Every pair of neighbours, live words or flat colour, whose grounds look nearly alike.
 * @param reach how far apart neighbours may lie, design px
 */
export function nearGrounds(plan: Pick<CutPlan, 'cuts'>, reach = 8): NearGrounds[] {
  const grounded = plan.cuts.filter((c) => c.kind !== 'picture' && c.ground)
  return grounded.flatMap((a, i) =>
    grounded.slice(i + 1).flatMap((b): NearGrounds[] => {
      if (a.ground === b.ground || !touching(a, b, reach)) return []
      const difference = colorDifference(a.ground!, b.ground!)
      return difference < NEARLY ? [{ a, b, difference }] : []
    }),
  )
}
