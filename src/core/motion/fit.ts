import { writeGif, type GifSettings, type WrittenGif } from './gif/write'
import { alikeTo, type Alike } from './likeness'
import { scaled } from './scale'
import type { Motion } from './schema'
import { lengthOf, type Sequence } from './sequence'

/** How much a moving picture is brought down. */
export type Squeeze = Pick<Motion, 'colors' | 'loss' | 'dither'> & {
  /** Factors of the file's size and of its pictures a second, at most 1. */
  size: number
  rate: number
}

/** One way to write it, and what it comes to. */
export interface Point extends Alike {
  squeeze: Squeeze
  bytes: number
}

/** Fewer colours and more loss, step by step. */
export const LADDER: readonly Pick<Squeeze, 'colors' | 'loss'>[] = [
  ...steps(256, [0, 4, 8, 11, 14]),
  ...steps(128, [14, 17, 20, 24]),
  ...steps(64, [24, 28, 33, 40, 48]),
  ...steps(32, [48, 56, 66, 80, 100]),
]

/** Sizes and rates that are tried. */
const GRADES: readonly Pick<Squeeze, 'size' | 'rate'>[] = [
  { size: 1, rate: 1 },
  { size: 1, rate: 0.5 },
  { size: 0.75, rate: 1 },
  { size: 0.75, rate: 0.5 },
  { size: 0.5, rate: 1 },
  { size: 0.5, rate: 0.5 },
  { size: 0.35, rate: 0.34 },
]

const DITHERS = ['none', 'pattern', 'diffused'] as const

/** What a search goes through: where it begins, each size and rate, and what lies round about the best. */
const STEPS = GRADES.length + 2

/** Likeness from which on nothing is seen any more: no smaller size or rate is tried (Wang and others, 2004, as for pictures). */
const SEEN = 0.98

/** A sequence with fewer pictures a second, and smaller. The first picture stays the first. */
export function brought(source: Sequence, { size, rate }: Pick<Squeeze, 'size' | 'rate'>): Sequence {
  const every = 1 / rate
  const kept = source.frames.flatMap((frame, i) => {
    const n = Math.floor(i / every + 1e-9)
    if (i && Math.floor((i - 1) / every + 1e-9) === n) return []
    const end = source.frames.findIndex((_, k) => k > i && Math.floor(k / every + 1e-9) > n)
    return [{ ...frame, delay: lengthOf(source.frames.slice(i, end < 0 ? undefined : end)) }]
  })
  if (size === 1) return { ...source, frames: kept }
  const width = Math.max(1, Math.round(source.width * size))
  const height = Math.max(1, Math.round(source.height * size))
  const frames = kept.map((f) => ({ ...f, data: scaled({ ...source, data: f.data }, width, height).data }))
  return { ...source, width, height, frames }
}

/** A sequence written so, and how alike it is. */
export function tried(
  source: Sequence,
  squeeze: Squeeze,
  pinned: GifSettings['pinned'],
  alike: (made: Pick<Sequence, 'width' | 'height' | 'frames'>) => Alike = alikeTo(source),
): Point & { written: WrittenGif } {
  const sequence = brought(source, squeeze)
  const written = writeGif(sequence, { ...squeeze, pinned })
  return { squeeze, bytes: written.bytes.length, ...alike({ ...sequence, frames: written.shown }), written }
}

/**
 * Looks for the most alike way to write a sequence within a budget: the dither that is most alike without loss, then for each size and rate, from the best on, the least squeeze that fits, by
 * bisection; then round about the best, with other dithers and with fewer colours for less loss. A size that could not be better, even without loss, is passed over.
 * Yields each point as it is known; the best is the most alike of those that fit, or the lightest where none does.
 * @param budget bytes
 */
export function* fit(
  source: Sequence,
  budget: number,
  { dither: given, pinned }: Pick<GifSettings, 'dither' | 'pinned'>,
): Generator<{ point: Point; done: number }, Point> {
  const alike = alikeTo(source)
  const known: { best: Point | null; lightest: Point | null } = { best: null, lightest: null }
  const look = (squeeze: Squeeze): Point => {
    const { written: _written, ...point } = tried(source, squeeze, pinned, alike)
    const { best, lightest } = known
    if (!lightest || point.bytes < lightest.bytes) known.lightest = point
    if (point.bytes <= budget && (!best || point.mean > best.mean)) known.best = point
    return point
  }
  // The dither that is most alike without loss is the one to begin with; the given one, where they are equal.
  const begun: Point[] = []
  for (const dither of [given, ...DITHERS.filter((d) => d !== given)]) {
    const point = look({ ...GRADES[0]!, ...LADDER[0]!, dither })
    begun.push(point)
    yield { point, done: 0.5 / STEPS }
  }
  const { dither } = begun.reduce((a, b) => (b.mean > a.mean ? b : a)).squeeze
  for (const [g, grade] of GRADES.entries()) {
    const before = known.best
    // Nobody would see what is better than this.
    if (before && before.mean >= SEEN) break
    if (before && alike(brought(source, grade)).mean <= before.mean) continue
    for (let low = g ? 0 : 1, high = LADDER.length - 1; low <= high;) {
      const at = (low + high) >> 1
      const point = look({ ...grade, ...LADDER[at]!, dither })
      if (point.bytes <= budget) high = at - 1
      else low = at + 1
      yield { point, done: (g + 1) / STEPS }
    }
  }
  const { best } = known
  if (best && best.mean < SEEN)
    for (const squeeze of varied(best.squeeze))
      yield { point: look(squeeze), done: (GRADES.length + 1) / STEPS }
  return known.best ?? known.lightest!
}

/** Others like a way of writing: by other dithers, and with fewer colours for less loss. */
function varied(squeeze: Squeeze): Squeeze[] {
  const dithers = DITHERS.filter((d) => d !== squeeze.dither)
  const fewer = {
    ...squeeze,
    colors: Math.max(8, squeeze.colors >> 1),
    loss: Math.round(squeeze.loss * 0.75),
  }
  return [fewer, ...dithers.map((dither) => ({ ...squeeze, dither }))]
}

/** The part of a sequence that changes, if it is small enough that the rest is better a still: px of the file. @param most part of the picture, 0 to 1 */
export function movingPart(
  { width, height, frames }: Sequence,
  most = 0.6,
): { x: number; y: number; w: number; h: number } | null {
  const [base, ...others] = frames
  if (!base || !others.length) return null
  let [left, right, top, bottom] = [width, -1, height, -1]
  for (const { data } of others)
    for (let p = 0, i = 0; i < data.length; p++, i += 4) {
      if (data[i] === base.data[i] && data[i + 1] === base.data[i + 1] && data[i + 2] === base.data[i + 2])
        continue
      const [x, y] = [p % width, Math.floor(p / width)]
      left = Math.min(left, x)
      right = Math.max(right, x)
      top = Math.min(top, y)
      bottom = Math.max(bottom, y)
    }
  if (right < 0) return null
  const part = { x: left, y: top, w: right - left + 1, h: bottom - top + 1 }
  return (part.w * part.h) / (width * height) <= most ? part : null
}

function steps(colors: number, losses: readonly number[]): Pick<Squeeze, 'colors' | 'loss'>[] {
  return losses.map((loss) => ({ colors, loss }))
}

/** A stripe of a sequence in which all that changes lies. */
export interface Stripe {
  /** Where it lies, px as shown: stripes begin and end at whole ones. */
  top: number
  bottom: number
  /** The part of the picture that never changes, 0 to 1. */
  still: number
  sequence: Sequence
}

/**
 * The stripe that moves, if most pixels never change and the rest can stand above and below it as stills: stripes alone keep together at any width, since each grows
 * by the same factor.
 * @param shown height of the whole, px as shown
 */
export function movingStripe(whole: Sequence, shown: number): Stripe | null {
  const part = movingPart(whole)
  if (!part) return null
  const { width, height, frames } = whole
  const scale = height / shown
  const top = Math.floor(part.y / scale)
  const bottom = Math.min(shown, Math.ceil((part.y + part.h) / scale))
  if (top === 0 && bottom === shown) return null
  const [from, to] = [Math.round(top * scale), Math.round(bottom * scale)]
  const rows = frames.map((f) => ({ ...f, data: f.data.subarray(from * width * 4, to * width * 4) }))
  const still = 1 - (part.w * part.h) / (width * height)
  return { top, bottom, still, sequence: { ...whole, height: to - from, frames: rows } }
}
