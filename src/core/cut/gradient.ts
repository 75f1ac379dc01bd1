import type { Gradient } from '../email/styles'
import { hexOf, pack, packed, type Raster, type Rect } from './raster'

type Rgb = readonly [number, number, number]
interface Sample {
  x: number
  y: number
  color: Rgb
}

/** So many places are looked at along each side. */
const GRID = 56
/** The way is looked at in so many parts. */
const PARTS = 32
/** Colours further apart than this, 0 to 255, are no plain ground: less is noise. */
const SLOPES = 10
/** What is drawn differs from what was seen by this at most, 0 to 255, at this share of the places. */
const NEAR = 6
const FITS = 0.95
/** Between two stops the way is straight within this; within that, in a JPEG of few colours. */
const BENT = 3
const NOISY = 5
/** So much of a step, 0 to 255, within so little of the way is an edge. */
const STEP = 12
const SHORT = 0.08
/** A way that runs straight or diagonally is taken for meant where it fits nearly as well, degrees. */
const MEANT = 4
/** This share of the way must be seen beside what stands on it, and this share of the places. */
const SEEN = 0.6
const FREE = 0.08

/**
 * The linear gradient that a ground is, as far as it is seen beside what stands on it; null where it is plain, or no such gradient.
 * @param apart what stands on it, px of the design
 */
export function linearGradientOf(raster: Raster, rect: Rect, apart: readonly Rect[]): Gradient | null {
  const samples = samplesOf(raster, rect, apart)
  if (samples.length < FREE * GRID * GRID || spreadOf(samples) < SLOPES) return null
  const angle = angleOf(samples, rect)
  const way = wayAlong(samples, rect, angle)
  const stops = way && (stopsOf(way, BENT) ?? stopsOf(way, NOISY))
  if (!stops) return null
  const along = lineOf(rect, angle)
  const near = samples.filter((s) => distance(s.color, at(stops, along(s))) <= NEAR)
  if (near.length < FITS * samples.length) return null
  return {
    angle,
    stops: stops.map((s) => ({ color: hexOf(pack(...s.color)), at: Math.round(1000 * s.at) / 10 })),
  }
}

function samplesOf(raster: Raster, { x, y, w, h }: Rect, apart: readonly Rect[]): Sample[] {
  const px = packed(raster)
  const out: Sample[] = []
  // Sides may be soft, and belong to an edge.
  const inset = Math.min(3, Math.floor(Math.min(w, h) / 8))
  for (let i = 0; i < GRID; i++)
    for (let k = 0; k < GRID; k++) {
      const sx = x + inset + Math.floor(((w - 2 * inset) * (k + 0.5)) / GRID)
      const sy = y + inset + Math.floor(((h - 2 * inset) * (i + 0.5)) / GRID)
      if (apart.some((r) => sx >= r.x && sx < r.x + r.w && sy >= r.y && sy < r.y + r.h)) continue
      const p = px[sy * raster.width + sx]!
      out.push({ x: sx, y: sy, color: [p & 255, (p >>> 8) & 255, (p >>> 16) & 255] })
    }
  return out
}

const distance = (a: Rgb, b: Rgb): number =>
  Math.max(Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1]), Math.abs(a[2] - b[2]))

/** How far the colours of the middle nine tenths are apart in the channel where they are furthest. */
function spreadOf(samples: readonly Sample[]): number {
  const cut = Math.floor(samples.length / 20)
  return Math.max(
    ...([0, 1, 2] as const).map((c) => {
      const values = samples.map((s) => s.color[c]).sort((a, b) => a - b)
      return values[values.length - 1 - cut]! - values[cut]!
    }),
  )
}

/** Where places lie on the line of a gradient, 0 to 1 (CSS Images 3, 3.1.1: its ends are where the corners are reached). */
function lineOf({ x, y, w, h }: Rect, angle: number): (s: Sample) => number {
  const a = (angle * Math.PI) / 180
  const [sin, cos] = [Math.sin(a), Math.cos(a)]
  const length = Math.abs(w * sin) + Math.abs(h * cos)
  const [mx, my] = [x + w / 2 - 0.5, y + h / 2 - 0.5]
  return (s) => 0.5 + ((s.x - mx) * sin - (s.y - my) * cos) / length
}

interface Part {
  at: number
  color: Rgb
}

/** The mean colour of each part of the way that is seen; null where too little of it is. */
function wayAlong(samples: readonly Sample[], rect: Rect, angle: number): Part[] | null {
  const sums = Array.from({ length: PARTS }, () => [0, 0, 0, 0, 0])
  const along = lineOf(rect, angle)
  for (const s of samples) {
    const t = along(s)
    const { color } = s
    const sum = sums[Math.min(PARTS - 1, Math.max(0, Math.floor(t * PARTS)))]!
    for (const c of [0, 1, 2] as const) sum[c]! += color[c]
    sum[3]! += t
    sum[4]!++
  }
  const parts = sums.flatMap(([r, g, b, t, n]) =>
    n ? [{ at: t! / n, color: [r! / n, g! / n, b! / n] as const }] : [],
  )
  return parts.length >= SEEN * PARTS ? parts : null
}

/** The colour at a place of the way, between its two neighbours; beyond the first and the last it goes on as there. */
function at(way: readonly Part[], t: number): Rgb {
  const next = way.findIndex((p) => p.at >= t)
  const i = next === -1 ? way.length - 1 : Math.max(1, next)
  const [from, to] = [way[i - 1]!, way[i]!]
  const part = (t - from.at) / (to.at - from.at || 1)
  const mixed = (c: 0 | 1 | 2) =>
    Math.min(255, Math.max(0, from.color[c] + (to.color[c] - from.color[c]) * part))
  return [mixed(0), mixed(1), mixed(2)]
}

/** How unlike each other the colours are that lie across the way, on the whole. */
function unrest(samples: readonly Sample[], rect: Rect, angle: number): number {
  const along = lineOf(rect, angle)
  const low = new Float64Array(3 * PARTS).fill(256)
  const high = new Float64Array(3 * PARTS).fill(-1)
  const count = new Float64Array(PARTS)
  for (const s of samples) {
    const part = Math.min(PARTS - 1, Math.max(0, Math.floor(along(s) * PARTS)))
    count[part]!++
    for (let c = 0; c < 3; c++) {
      const v = s.color[c]!
      if (v < low[3 * part + c]!) low[3 * part + c] = v
      if (v > high[3 * part + c]!) high[3 * part + c] = v
    }
  }
  let sum = 0
  for (let i = 0; i < 3 * PARTS; i++)
    if (count[Math.floor(i / 3)]!) sum += (high[i]! - low[i]!) * count[Math.floor(i / 3)]!
  return sum / samples.length
}

/** The way across which nothing changes: to the right, downwards, or between. */
function angleOf(samples: readonly Sample[], rect: Rect): number {
  // A sixth of the places tells the way; all of them the degree.
  const few = samples.filter((_, i) => i % 6 === 0)
  const best = (of: readonly Sample[], angles: readonly number[]) =>
    angles
      .map((angle) => ({ angle, rest: unrest(of, rect, angle) }))
      .reduce((a, b) => (b.rest < a.rest ? b : a))
  const coarse = best(
    few,
    Array.from({ length: 24 }, (_, i) => 52.5 + i * 7.5),
  ).angle
  const fine = best(
    samples,
    Array.from({ length: 17 }, (_, i) => Math.round(coarse) - 8 + i),
  )
  const straight = Math.round(fine.angle / 45) * 45
  if (Math.abs(straight - fine.angle) > MEANT) return fine.angle
  return unrest(samples, rect, straight) <= 1.2 * fine.rest + 2 ? straight : fine.angle
}

/** The fewest stops between which the way is straight; null where it takes more than a document holds. @param bent 0 to 255 */
function stopsOf(way: readonly Part[], bent: number): Part[] | null {
  const ends = [0, 1].map((t) => ({ at: t, color: at(way, t) }))
  const line = [ends[0]!, ...way.filter((p) => p.at > 0.01 && p.at < 0.99), ends[1]!]
  const kept = new Set([0, line.length - 1])
  for (;;) {
    const order = [...kept].sort((a, b) => a - b)
    const stops = order.map((i) => line[i]!)
    let worst = { i: -1, off: bent }
    line.forEach((p, i) => {
      const off = distance(p.color, at(stops, p.at))
      if (off > worst.off) worst = { i, off }
    })
    const edged = stops.some(
      (s, i) => i && s.at - stops[i - 1]!.at < SHORT && distance(s.color, stops[i - 1]!.color) > STEP,
    )
    if (edged) return null
    if (worst.i === -1)
      return stops.map((s) => ({ at: s.at, color: s.color.map(Math.round) as unknown as Rgb }))
    if (kept.size === 5) return null
    kept.add(worst.i)
  }
}
