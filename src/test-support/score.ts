import type { Autocut } from '@/core/cut/autocut'
import { colorDifference } from '@/core/color/difference'
import { toRgb } from '@/core/color/hex'
import { plainOf } from '@/core/email/richtext'
import { partition, type Layout } from '@/core/cut/partition'
import type { Cut } from '@/core/cut/plan'
import { around, overlap, type Rect } from '@/core/cut/raster'
import type { Scene, SceneKind } from './scenes'

/** How well an autocut knows a scene: counts of what was right, of how many. */
export interface Score {
  bands: [number, number]
  columns: [number, number]
  parts: [number, number]
  grounds: [number, number]
  radii: number[]
  misses: string[]
}

const kindOf = (c: Cut): SceneKind | 'flat' =>
  c.seen?.part === 'icons'
    ? 'icons'
    : c.kind === 'picture'
      ? 'picture'
      : c.kind === 'nothing'
        ? 'flat'
        : c.kind
const area = (r: Rect) => r.w * r.h
const widest = (n: Layout<Cut>): number =>
  n.kind === 'leaf' || n.kind === 'knot'
    ? 1
    : n.kind === 'panel'
      ? widest(n.inner)
      : Math.max(n.kind === 'columns' ? n.parts.length : 1, ...n.parts.map(widest))

/** Icons as one row each, as the scenes count them. */
function withRows(cuts: Cut[]): Cut[] {
  const icons = cuts.filter((c) => c.seen?.part === 'icons')
  return icons.length
    ? [...cuts.filter((c) => c.seen?.part !== 'icons'), { ...icons[0]!, ...around(icons) }]
    : cuts
}

/** @param tolerance channel difference a ground may have, 0 on PNG */
export function scoreOf(scene: Scene, found: Autocut, scale: number, tolerance: number): Score {
  const misses: string[] = []
  const score: Score = { bands: [0, 0], columns: [0, 0], parts: [0, 0], grounds: [0, 0], radii: [], misses }
  const truth = scene.bands.slice(1).map((b) => b.y * scale)
  // Where two bands have one ground, any row of the empty space between them parts them.
  const spans = scene.bands.slice(1).map((b, i) => {
    const above = scene.bands[i]!
    return above.ground === b.ground
      ? ([
          Math.max(...above.parts.map((p) => p.y + p.h)) * scale,
          Math.min(...b.parts.map((p) => p.y)) * scale,
        ] as const)
      : ([b.y * scale - 2 * scale, b.y * scale + 2 * scale] as const)
  })
  // A rule parts what stands above from what stands below: it may be taken for the edge of a band or for a
  // part of one.
  const rules = scene.bands.flatMap((b) =>
    b.parts.filter((p) => p.kind === 'rule').map((p) => [(p.y - 24) * scale, (p.y + 24) * scale] as const),
  )
  const edges = found.edges.map((e) => e.y)
  const within = (e: number, [from, to]: readonly [number, number]) => e >= from && e <= to
  const right = truth.filter((_, i) => edges.some((e) => within(e, spans[i]!)))
  const wrong = edges.filter((e) => ![...spans, ...rules].some((s) => within(e, s)))
  score.bands = [right.length, truth.length + wrong.length]
  if (wrong.length || right.length < truth.length)
    misses.push(`bands: missed ${truth.filter((t) => !right.includes(t))}, wrong ${wrong}`)
  for (const band of scene.bands) {
    const cuts = withRows(
      found.cuts.filter((c) => c.y + c.h / 2 >= band.y * scale && c.y + c.h / 2 < (band.y + band.h) * scale),
    )
    const columns = cuts.length ? widest(partition(cuts)) : 0
    score.columns[1]++
    if (columns === band.columns) score.columns[0]++
    else misses.push(`columns at ${band.y}: ${columns} for ${band.columns}`)
    const used = new Set<Cut>()
    for (const part of band.parts) {
      const rect = { x: part.x * scale, y: part.y * scale, w: part.w * scale, h: part.h * scale }
      const same = cuts.filter((c) => kindOf(c) === part.kind && overlap(c, rect))
      const covered = same.reduce((s, c) => s + area(overlap(c, rect)!), 0) / area(rect)
      const best = [...same].sort((a, b) => area(overlap(b, rect)!) - area(overlap(a, rect)!))[0]
      const fits =
        part.kind === 'words'
          ? covered >= 0.7
          : part.kind === 'rule'
            ? !!best
            : !!best &&
              area(overlap(best, rect)!) / (area(best) + area(rect) - area(overlap(best, rect)!)) >= 0.7
      score.parts[1]++
      // Words may be cut paragraph by paragraph; anything else is one cut.
      for (const c of part.kind === 'words' ? same : best ? [best] : []) used.add(c)
      if (fits) score.parts[0]++
      else
        misses.push(
          `${part.kind} at ${part.x.toFixed(0)},${part.y.toFixed(0)} ${part.w.toFixed(0)}x${part.h.toFixed(0)} covered ${covered.toFixed(2)}; there: ${cuts
            .filter((c) => overlap(c, rect))
            .map((c) => `${c.seen?.part} ${[c.x, c.y, c.w, c.h].map((v) => v / scale)}`)
            .join(' | ')}`,
        )
      if (fits && part.kind !== 'picture' && best?.ground) {
        score.grounds[1]++
        const [a, b] = [toRgb(best.ground), toRgb(part.ground)]
        if (a.every((v, i) => Math.abs(v - b[i]!) <= tolerance)) score.grounds[0]++
        else
          misses.push(
            `ground of ${part.kind} at ${part.y}: ${best.ground} for ${part.ground} (${colorDifference(best.ground, part.ground).toFixed(1)})`,
          )
      }
      if (fits && part.kind === 'button' && best?.box)
        score.radii.push(Math.abs(best.box.radius - Math.min(part.button!.radius, part.h / 2)))
    }
    const extra = cuts.filter((c) => !used.has(c))
    score.parts[1] += extra.length
    extra.forEach((c) => misses.push(`extra ${c.seen?.part} ${[c.x, c.y, c.w, c.h].map((v) => v / scale)}`))
  }
  return score
}

/** Scores taken together. */
export const together = (scores: Score[]) =>
  Object.fromEntries(
    (['bands', 'columns', 'parts', 'grounds'] as const).map((k) => [
      k,
      scores.reduce((s, x) => s + x[k][0], 0) /
        Math.max(
          1,
          scores.reduce((s, x) => s + x[k][1], 0),
        ),
    ]),
  ) as Record<'bands' | 'columns' | 'parts' | 'grounds', number>

/** All that the words and buttons of an autocut say, in order, with single spaces. */
export const saidIn = (found: Autocut): string =>
  found.cuts
    .filter((c) => c.kind === 'words' || c.kind === 'button')
    .map((c) => (c.words ? plainOf(c.words).replace(/\s+/g, ' ') : ''))
    .join(' ')
