import type { GifSettings } from './gif/write'
import { brought, tried, type Point, type Squeeze } from './brought'
import { FROM, sampled } from './fit-sample'
import { alikeTo } from './likeness'
import type { Sequence } from './sequence'

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

/** Writes a sequence in a way, or reckons what that would come to. */
type Look = (squeeze: Squeeze) => Point

/** So often what was reckoned is written whole, and reckoned anew with what that taught. */
const ROUNDS = 4
/** A file that fits and has this share of the budget is not looked at again: another would hardly be more alike. */
const NEAR = 0.9

/**
 * Looks for the most alike way to write a sequence within a budget. A long one is looked for on a sample of it (`fit-sample`), and what was found is written whole: where that
 * does not fit, or leaves much of the budget, the sample's figures are put right by it and looked through again. Yields each point as it is known; the best is the
 * most alike of those that were written whole and fit, or the lightest where none does.
 * @param budget bytes @param from how large a sequence is that is looked for on a sample
 */
export function* fit(
  source: Sequence,
  budget: number,
  settings: Pick<GifSettings, 'dither' | 'pinned'>,
  from = FROM,
): Generator<{ point: Point; done: number }, Point> {
  const alike = alikeTo(source)
  const whole: Look = (squeeze) => {
    const { written: _written, ...point } = tried(source, squeeze, settings.pinned, alike)
    return point
  }
  const rough = sampled(source, settings.pinned, from)
  if (!rough) {
    const unlost = (squeeze: Pick<Squeeze, 'size' | 'rate'>) => alike(brought(source, squeeze)).mean
    return yield* search(whole, unlost, budget, settings)
  }
  const reckoned = remembered(rough.look)
  const unlost = remembered(rough.unlost)
  const made = remembered(whole)
  const known = new Known(budget)
  for (let round = 0, asked = budget; round < ROUNDS; round++) {
    const parts = search(reckoned, unlost, asked, settings)
    let step = parts.next()
    // What is looked at again costs nothing, and is not told again.
    for (; !step.done; step = parts.next()) {
      const { point, done } = step.value
      if (!round) yield { point: { ...point, reckoned: true }, done: 0.6 * done }
    }
    const point = made(step.value.squeeze)
    known.add(point)
    yield { point, done: 0.6 + (0.4 * (round + 1)) / ROUNDS }
    const fits = point.bytes <= budget
    if (fits && (point.bytes >= NEAR * budget || point.mean >= SEEN)) break
    const next = (budget * step.value.bytes) / point.bytes
    // A little less than what just did not fit.
    asked = fits ? next : Math.min(next, asked) * 0.985
  }
  return known.best ?? known.lightest!
}

/** The best and the lightest of what was looked at. */
class Known {
  best: Point | null = null
  lightest: Point | null = null
  constructor(private readonly budget: number) {}
  add(point: Point): void {
    if (!this.lightest || point.bytes < this.lightest.bytes) this.lightest = point
    if (point.bytes <= this.budget && (!this.best || point.mean > this.best.mean)) this.best = point
  }
}

/** What was worked out for a value is kept. */
function remembered<A extends object, R>(of: (value: A) => R): (value: A) => R {
  const known = new Map<string, R>()
  return (value) => {
    const key = JSON.stringify(Object.entries(value).sort())
    if (!known.has(key)) known.set(key, of(value))
    return known.get(key)!
  }
}

/**
 * Looks for the most alike within a budget: the dither that is most alike without loss, then for each size and rate, from the best on, the least squeeze that fits, by
 * bisection; then round about the best, with other dithers and with fewer colours for less loss. A size that could not be better, even without loss, is passed over.
 * @param unlost how alike a size and rate are without any loss
 */
function* search(
  write: Look,
  unlost: (grade: Pick<Squeeze, 'size' | 'rate'>) => number,
  budget: number,
  { dither: given }: Pick<GifSettings, 'dither'>,
): Generator<{ point: Point; done: number }, Point> {
  const known = new Known(budget)
  const look: Look = (squeeze) => {
    const point = write(squeeze)
    known.add(point)
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
    if (before && unlost(grade) <= before.mean) continue
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

function steps(colors: number, losses: readonly number[]): Pick<Squeeze, 'colors' | 'loss'>[] {
  return losses.map((loss) => ({ colors, loss }))
}
