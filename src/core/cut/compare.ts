import type { CutPlan } from './plan'
import { packed, type Raster, type Rect } from './raster'

/**
 * What became of a rectangle in another version of the design: how far it moved, and how much of it is the
 * same, 0 to 1.
 */
export interface Fate {
  dy: number
  same: number
}

/** Rows hashed over the columns of a rectangle (FNV-1a over the pixels). */
function hashes(r: Raster, x: number, w: number, from: number, to: number): Int32Array {
  const px = packed(r)
  const out = new Int32Array(to - from)
  for (let y = from; y < to; y++) {
    let h = 0x811c9dc5 | 0
    for (let i = y * r.width + x, end = i + w; i < end; i++) h = Math.imul(h ^ px[i]!, 0x01000193)
    out[y - from] = h
  }
  return out
}

/**
 * Where a rectangle of one design lies in another of the same width: each row votes for the distance to the
 * rows like it. Rows that stand in many places (flat ones) have little to say.
 */
export function fateOf(before: Raster, after: Raster, rect: Rect): Fate {
  if (before.width !== after.width) return { dy: 0, same: 0 }
  const old = hashes(before, rect.x, rect.w, rect.y, rect.y + rect.h)
  const now = hashes(after, rect.x, rect.w, 0, after.height)
  const places = new Map<number, number[]>()
  now.forEach((h, y) => {
    const list = places.get(h)
    if (!list) places.set(h, [y])
    else if (list.length < 400) list.push(y)
  })
  const votes = new Map<number, number>()
  old.forEach((h, i) => {
    const list = places.get(h)
    for (const y of list ?? []) {
      const d = y - rect.y - i
      votes.set(d, (votes.get(d) ?? 0) + 1 / list!.length)
    }
  })
  const kept = (d: number) => {
    let n = 0
    for (let i = 0; i < old.length; i++) if (now[rect.y + i + d] === old[i]) n++
    return n / old.length
  }
  let best: Fate = { dy: 0, same: kept(0) }
  for (const [dy] of [...votes].sort((a, b) => b[1] - a[1]).slice(0, 6)) {
    if (rect.y + dy < 0 || rect.y + dy + rect.h > after.height) continue
    const same = kept(dy)
    if (same > best.same + 0.02) best = { dy, same }
  }
  return best
}

/** What became of a cut. */
type Fated = 'kept' | 'moved' | 'changed'

/** From this share of alike points on, a cut stands there still, if changed; and unchanged. */
const ROUGHLY = 0.5
const EXACTLY = 0.985

/** A place scaled to a design, within its right and lower edge; null where nothing is left. */
function scaled(r: Rect, ratio: number, design: Raster, dy: number): Rect | null {
  const x = Math.round(r.x * ratio),
    y = dy ? r.y + dy : Math.round(r.y * ratio)
  const w = Math.min(Math.round(r.w * ratio), design.width - x),
    h = Math.min(Math.round(r.h * ratio), design.height - y)
  return w < 1 || h < 1 ? null : { x, y, w, h }
}

/** What is left below others of a place that came to lie over them: the later one gives way. */
function clearOf(placed: readonly Rect[], place: Rect | null): Rect | null {
  if (!place) return null
  const r = { ...place }
  for (const p of placed)
    if (p.x < r.x + r.w && r.x < p.x + p.w && p.y < r.y + r.h && r.y < p.y + p.h) {
      const bottom = r.y + r.h
      r.y = Math.max(r.y, p.y + p.h)
      r.h = bottom - r.y
    }
  return r.h < 1 ? null : r
}

/** What phones show instead goes along with its cut; of the narrow design it stays where it is. */
const narrowScaled = <N extends Rect>(n: N, ratio: number, dy: number): N => ({
  ...n,
  x: Math.round(n.x * ratio),
  y: Math.max(0, dy ? n.y + dy : Math.round(n.y * ratio)),
  w: Math.max(1, Math.round(n.w * ratio)),
  h: Math.max(1, Math.round(n.h * ratio)),
})

/**
 * A plan on a new version of its design: cuts whose place still fits stay, those that moved go along, and
 * both moved and changed ones are flagged. A design of another width has its cuts scaled, all flagged as
 * changed.
 */
export function replan(
  plan: CutPlan,
  before: Raster,
  after: Raster,
): { plan: CutPlan; kept: number; moved: number; changed: number } {
  const count = { kept: 0, moved: 0, changed: 0 }
  const ratio = after.width / before.width
  const fates = plan.cuts.map((cut) => (ratio === 1 ? fateOf(before, after, cut) : { dy: 0, same: 0 }))
  const placed: Rect[] = []
  const cuts = plan.cuts.flatMap((cut, i) => {
    const { since: _, narrow, ...said } = cut
    const { dy, same } = fates[i]!
    const moved = same > ROUGHLY && dy !== 0
    const r = clearOf(placed, scaled(cut, ratio, after, moved ? dy : 0))
    if (!r) {
      count.changed++
      return []
    }
    placed.push(r)
    const fate: Fated = same <= EXACTLY ? 'changed' : moved ? 'moved' : 'kept'
    count[fate]++
    const part = narrow && {
      narrow: narrow.of === 'wide' ? narrowScaled(narrow, ratio, moved ? dy : 0) : narrow,
    }
    return [{ ...said, ...part, ...r, ...(fate !== 'kept' && { since: fate }) }]
  })
  const shift = (y: number) => {
    const near = plan.cuts
      .map((c, i) => ({ c, f: fates[i]! }))
      .filter(({ c }) => c.y >= y)
      .sort((a, b) => a.c.y - b.c.y)[0]
    return near && near.f.same > ROUGHLY ? near.f.dy : 0
  }
  const edges = [...new Set(plan.edges.map((e) => Math.round(e * ratio) + (ratio === 1 ? shift(e) : 0)))]
    .filter((e) => e > 0 && e < after.height)
    .sort((a, b) => a - b)
  const panels = plan.panels.map((p) => ({
    ...p,
    x: Math.round(p.x * ratio),
    w: Math.max(1, Math.round(p.w * ratio)),
    h: Math.max(1, Math.round(p.h * ratio)),
    y: Math.max(0, Math.round(p.y * ratio) + (ratio === 1 ? shift(p.y) : 0)),
  }))
  return { plan: { ...plan, cuts, edges, panels }, ...count }
}
