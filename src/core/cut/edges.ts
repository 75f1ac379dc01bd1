import { difference, packed, type Raster } from './raster'
import { PLAIN, rowFacts, type RowFacts } from './rows'

/** A place where one band ends and the next begins. `y` is the first pixel row of the lower band. */
export interface Edge {
  y: number
  why: 'ground' | 'seam' | 'rule' | 'gutter'
}

/** Rows of constant margin asked for on both sides of a change of ground. */
const STEADY = 4
/** Lines up to this many px are one edge, not a band of their own. */
const HAIRLINE = 4
/** Up to this height, px of the email, a stretch between strong edges is taken for one band. */
const LOW = 360
/** An edge found by a weaker sign gives way to one found by a stronger. */
const strength = { seam: 3, ground: 3, rule: 2, gutter: 1 }

/**
 * Finds where bands meet. Four signs, strongest first: the ground changes at both margins; nearly the whole
 * row changes at once (pictures that touch, lines across); a thin rule with flat ground on both sides, which
 * stays whole in the lower band; a gutter, a run of flat rows between two contents on one ground, cut in its
 * middle.
 * @param scale design pixels for each px of the email
 */
export function findEdges(raster: Raster, scale: number, facts: RowFacts = rowFacts(raster)): Edge[] {
  const strong = withoutStripes(
    settleLines(
      [...groundEdges(facts), ...seamEdges(facts)].sort((a, b) => a.y - b.y),
      raster,
      facts,
    ),
    facts,
    scale,
  )
  const weak = weakEdges(facts, strong, scale)
  return thin(
    [...strong, ...weak].sort((a, b) => a.y - b.y || strength[b.why] - strength[a.why]),
    raster.height,
    scale,
  )
}

const flat = (f: RowFacts, y: number) => f.ink[y]! < 0.002

function groundEdges(f: RowFacts): Edge[] {
  const out: Edge[] = []
  const height = f.ink.length
  const both = [f.left, f.right]
  const step = (y: number) => Math.min(...both.map((s) => difference(s[y]!, s[y - 1]!)))
  const steady = (side: Int32Array, from: number, to: number) => {
    for (let y = Math.max(0, from); y <= Math.min(height - 1, to); y++)
      if (difference(side[y]!, side[from < 0 ? 0 : from]!) > 2) return false
    return true
  }
  for (let y = 3; y < height - 3; y++) {
    const here = step(y)
    if (
      here === 0 ||
      [-3, -2, -1].some((k) => y + k > 0 && step(y + k) >= here) ||
      [1, 2, 3].some((k) => step(y + k) > here)
    )
      continue
    // Small changes have to hold for longer than a block of JPEG (8 rows), or a slope of colour would be cut
    // into steps.
    const change = Math.min(...both.map((s) => difference(s[y + 2]!, s[y - 3]!)))
    const hold = change >= 24 ? STEADY : change >= 8 ? 12 : 28
    if (change >= 3 && both.every((s) => steady(s, y - 3 - hold, y - 3) && steady(s, y + 2, y + 2 + hold)))
      out.push({ y, why: 'ground' })
  }
  return out
}

function seamEdges(f: RowFacts): Edge[] {
  const out: Edge[] = []
  const height = f.ink.length
  for (let y = 2; y < height - 2; y++) {
    if (f.coverage[y]! < 0.5 || f.change[y]! < 0.5) continue
    const marginsChange =
      difference(f.left[y]!, f.left[y - 1]!) > 3 || difference(f.right[y]!, f.right[y - 1]!) > 3
    if (!marginsChange) continue
    // A seam stands out from the rows around it; in a busy photograph every row changes.
    const around: number[] = []
    for (let k = -8; k <= 8; k++) if (k !== 0 && y + k > 0 && y + k < height) around.push(f.change[y + k]!)
    around.sort((a, b) => a - b)
    const usual = around[around.length >> 1]!
    if (f.change[y]! < 2 * usual + 0.15) continue
    // Where less than nearly the whole row changes, one side has to be flat for it to be a band's edge.
    if (f.coverage[y]! < 0.75 && !flat(f, y) && !flat(f, y - 1)) continue
    out.push({ y, why: 'seam' })
  }
  return out
}

/**
 * Two strong edges with only a line between them are one. A hairline counts as the edge itself; the line of
 * two framed bands that touch is cut in its middle, and the line of one framed band stays with its band.
 */
function settleLines(found: Edge[], raster: Raster, f: RowFacts): Edge[] {
  // One row may show both signs; and beside a hard seam the ringing of JPEG shows as a much weaker one.
  const edges = found.filter(
    (e, i) =>
      found[i - 1]?.y !== e.y &&
      !found.some((o) => o.y !== e.y && Math.abs(o.y - e.y) <= 10 && f.step[e.y]! < 0.3 * f.step[o.y]!),
  )
  const px = packed(raster)
  const frame = (y: number, line: number) =>
    y >= 0 && y < raster.height && difference(px[y * raster.width]!, line) <= 4 * PLAIN
  const out: Edge[] = []
  for (let i = 0; i < edges.length; i++) {
    const first = edges[i]!
    let j = i
    while (j + 1 < edges.length && edges[j + 1]!.y - first.y <= HAIRLINE) j++
    const next = edges[j === i ? i + 1 : j]
    const thick = next ? next.y - first.y : Infinity
    if (j > i) {
      out.push({ y: Math.round((first.y + edges[j]!.y) / 2), why: 'seam' })
      i = j
      continue
    }
    const middle = next ? (first.y + next.y) >> 1 : 0
    if (next && thick <= 24 && f.ink[middle]! < 0.02) {
      const line = px[middle * raster.width]!
      const above = frame(first.y - 3, line),
        below = frame(next.y + 2, line)
      if (above || below) {
        out.push({
          y: above && below ? Math.round((first.y + next.y) / 2) : above ? next.y : first.y,
          why: 'seam',
        })
        i++
        continue
      }
    }
    out.push(first)
  }
  return out
}

/**
 * Lines across a picture (rails, a shore, a fence) are part of it: a stripe of little height with content on
 * both sides is no band.
 */
function withoutStripes(edges: Edge[], f: RowFacts, scale: number): Edge[] {
  const gone = new Set<Edge>()
  // More than the frame of a band leaves in its rows.
  const filled = (y: number) => f.ink[Math.max(0, Math.min(f.ink.length - 1, y))]! > 0.05
  for (let i = 0; i + 1 < edges.length; i++) {
    const [upper, lower] = [edges[i]!, edges[i + 1]!]
    if (lower.y - upper.y <= 12 * scale && filled(upper.y - 3) && filled(lower.y + 2)) {
      gone.add(upper)
      gone.add(lower)
      i++
    }
  }
  return edges.filter((e) => !gone.has(e))
}

/** A run of rows that are alike: flat, a thin rule, or content. `to` is not part of it. */
interface Run {
  from: number
  to: number
  kind: 'flat' | 'content'
}

function weakEdges(f: RowFacts, strong: Edge[], scale: number): Edge[] {
  const out: Edge[] = []
  const cuts = [0, ...strong.map((e) => e.y), f.ink.length]
  const gutters: { run: Run; boxed: boolean; inset: number }[] = []
  for (let i = 0; i + 1 < cuts.length; i++) {
    const runs = withoutRinging(runsOf(f, cuts[i]!, cuts[i + 1]!))
    const rules = new Set<Run>()
    runs.forEach((run, k) => {
      if (run.kind !== 'content' || run.to - run.from > HAIRLINE * Math.max(1, scale / 2)) return
      const span = (f.to[run.from]! - f.from[run.from]! + 1) / f.width
      const line = span > 0.5 && f.ink[run.from]! > 0.9 * span
      const [before, after] = [runs[k - 1], runs[k + 1]]
      const room = 5 * scale
      if (line && before && after && before.to - before.from >= room && after.to - after.from >= room) {
        rules.add(run)
        out.push({ y: run.from, why: 'rule' })
      }
    })
    // A low stretch between strong edges is one band unless its parts stand further from each other than from
    // its edges.
    const low = cuts[i + 1]! - cuts[i]! <= LOW * scale && runs.length > 2
    const inset = low
      ? 1.05 * Math.max(...[runs[0]!, runs.at(-1)!].map((r) => (r.kind === 'flat' ? r.to - r.from : 0)))
      : 0
    runs.forEach((run, k) => {
      const [before, after] = [runs[k - 1], runs[k + 1]]
      if (
        run.kind !== 'flat' ||
        before?.kind !== 'content' ||
        after?.kind !== 'content' ||
        rules.has(before) ||
        rules.has(after)
      )
        return
      gutters.push({ run, inset, boxed: f.change[run.from]! >= 0.6 && f.change[run.to]! >= 0.6 })
    })
  }
  const least = gutterThreshold(gutters.map((g) => (g.run.to - g.run.from) / scale)) * scale
  for (const { run, boxed, inset } of gutters) {
    if (run.to - run.from >= (boxed ? 8 * scale : Math.max(least, inset)))
      out.push({ y: Math.round((run.from + run.to) / 2), why: 'gutter' })
  }
  return out
}

function runsOf(f: RowFacts, from: number, to: number): Run[] {
  const runs: Run[] = []
  for (let y = from; y < to; y++) {
    const kind = flat(f, y) ? 'flat' : 'content'
    const last = runs.at(-1)
    // A flat run is one only while its colour stays; a slope of colour (a gradient) is no gutter.
    if (last && last.kind === kind && (kind === 'content' || difference(f.left[y]!, f.left[last.from]!) <= 6))
      last.to = y + 1
    else runs.push({ from: y, to: y + 1, kind })
  }
  return runs
}

/**
 * Takes the few rows beside a strong edge that JPEG (one block, 8 rows) or scaling has unsettled for the flat
 * ground they are.
 */
function withoutRinging(runs: Run[]): Run[] {
  const stray = (run: Run | undefined, next: Run | undefined) =>
    !!run && run.to - run.from <= 8 && next?.kind === 'flat'
  while (stray(runs[0], runs[1])) runs = [{ ...runs[1]!, from: runs[0]!.from }, ...runs.slice(2)]
  while (stray(runs.at(-1), runs.at(-2)))
    runs = [...runs.slice(0, -2), { ...runs.at(-2)!, to: runs.at(-1)!.to }]
  return runs
}

/**
 * How tall a gutter has to be to part two bands, px of the email. Spaces inside a text (lines, paragraphs,
 * before a button) and spaces between sections mostly fall into two groups; the threshold lies between them.
 * 38 where they do not part clearly.
 */
export function gutterThreshold(heights: number[]): number {
  const sorted = heights.filter((h) => h >= 18 && h <= 90).sort((a, b) => a - b)
  let best = 1.3,
    at = 38
  for (let i = 0; i + 1 < sorted.length; i++) {
    const [lo, hi] = [sorted[i]!, sorted[i + 1]!]
    // Below 40 px a section's space has to stand out more: it may as well be that of a title.
    if (hi / lo > (hi < 40 ? Math.max(best, 1.45) : best) && lo <= 40 && hi >= 28) {
      best = hi / lo
      at = (lo + hi) / 2
    }
  }
  return at
}

/** Keeps edges that leave every band some height: a weak edge too near a stronger one goes. */
function thin(edges: Edge[], height: number, scale: number): Edge[] {
  const least = 12 * scale
  const out: Edge[] = []
  for (const e of edges) {
    if (e.y <= HAIRLINE || e.y >= height - HAIRLINE) continue
    const last = out.at(-1)
    if (last && e.y - last.y < (strength[e.why] === 3 && strength[last.why] === 3 ? HAIRLINE : least)) {
      if (strength[e.why] > strength[last.why]) out[out.length - 1] = e
      continue
    }
    out.push(e)
  }
  return out
}
