import type { HouseStyle } from '../email/styles'
import { autocut } from './autocut'
import { guessSize } from './density'
import { groundOf, type Ground } from './ground'
import { readInk } from './ink'
import { leavesOf, partition } from './partition'
import type { Cut, CutPlan } from './plan'
import { difference, packHex, type Raster, type Rect } from './raster'
import { Typography } from './typography'

/** What a narrow design says of the cuts of the wide one. All measures are px of the email. */
export interface NarrowDesign {
  /** Space at the sides of what does not reach across. */
  side: number | undefined
  /** How the words of a cut are set. */
  letters: ReadonlyMap<string, { size: number; line: number }>
  /** Where a cut stands. */
  places: ReadonlyMap<string, Rect>
  /** Cuts that it does not have. */
  hidden: ReadonlySet<string>
  /** Bands that both have: their cuts and the space above and below them. */
  bands: readonly { cuts: ReadonlySet<string>; first: string; last: string; top: number; bottom: number }[]
  /** Where those stand, px of the narrow design. */
  stretches: NonNullable<CutPlan['onNarrow']>
  width: number
  /** How many bands of the wide design were found in it, of how many. */
  found: { bands: number; of: number }
}

/** A phone's width where the design's does not tell, px (common practice, no source). */
const PHONE = 375
/** Grounds differ by no more than this in any channel, 0 to 255. */
const SAME_GROUND = 12
/** How much the ground and the kinds of what is there say of two bands being the same; and the least that both must come to. */
const BY_GROUND = 0.4
const BY_KINDS = 0.6
const LEAST_ALIKE = 0.45
/** Side space that designs have, px of the email. */
const SIDES = { least: 8, most: 48 }
/** What is this share of the design's width reaches across it. */
const ACROSS = 0.96
/** Where so many of the bands were found again, one that was not found between two that were is hidden on phones. */
const SURELY = 0.6

/** A band of either design. */
interface Stretch {
  y: number
  bottom: number
  ground: string
  /** In the order in which they stack. */
  cuts: Cut[]
}

/**
 * Reads a narrow design of the same email and finds the cuts of the wide one in it, band by band: by their grounds and by what they
 * hold, in order.
 * @param wide its plan, its size in design px, and the ground of a rectangle of it
 */
export function readNarrowDesign(
  wide: { plan: CutPlan; height: number; groundOf: (rect: Rect) => Ground; width: number },
  raster: Raster,
  house: HouseStyle,
): NarrowDesign {
  const guess = guessSize(raster.width)
  const width = guess.narrow ? guess.emailWidth : PHONE
  const scale = raster.width / width
  const found = autocut(raster, scale)
  const ours = stretches(wide.plan, wide.plan.edges, wide.width, wide.height, wide.groundOf)
  const theirs = stretches(
    { cuts: found.cuts, panels: found.panels },
    found.edges.map((e) => e.y),
    raster.width,
    raster.height,
    (r) => groundOf(raster, r),
  )
  const matched = aligned(ours, theirs)
  const pairs = matched.flatMap(([a, b]) => pairsIn(a.cuts, b.cuts))
  const worded = pairs.flatMap(([a, b]) => (b.kind === 'words' ? [{ ...b, words: a.words }] : []))
  const lettering = new Typography({ cuts: worded, scale, house, readInk: (r, g) => readInk(raster, r, g) })
  const set = new Map(
    pairs.flatMap(([a, b]) => {
      const cut = worded.find((c) => c.id === b.id)
      return cut ? [[a.id, lettering.of(cut, cut.ground ?? '#ffffff')] as const] : []
    }),
  )
  const boxOf = (a: Cut, b: Cut): Rect => {
    const letters = set.get(a.id)
    return letters ? { ...b, y: letters.top, h: letters.bottom - letters.top } : b
  }
  const surely = matched.length >= SURELY * ours.length
  const gone = surely ? ours.filter((_, i) => isGone(i, ours, theirs, matched)) : []
  const missing = matched.flatMap(([a, b]) => a.cuts.filter((c) => lacks(b.cuts, c)))
  return {
    width,
    stretches: matched.map(([a, b]) => ({
      cuts: a.cuts.map((c) => c.id),
      top: Math.round(b.y),
      height: Math.max(1, Math.round(b.bottom - b.y)),
    })),
    found: { bands: matched.length, of: ours.length },
    side: sideOf(theirs, raster.width, scale),
    letters: new Map([...set].map(([id, { size, line }]) => [id, { size, line: Math.round(line) }])),
    places: new Map(pairs.map(([a, b]) => [a.id, scaled(boxOf(a, b), scale)])),
    hidden: new Set([...gone.flatMap((o) => o.cuts), ...missing].map((c) => c.id)),
    bands: matched.flatMap(([a, b]) => {
      const boxes = pairsIn(a.cuts, b.cuts).map(([x, y]) => ({ ...boxOf(x, y), id: x.id }))
      const [first] = [...boxes].sort((x, y) => x.y - y.y)
      const [last] = [...boxes].sort((x, y) => y.y + y.h - x.y - x.h)
      if (!first || !last || boxes.length < b.cuts.length) return []
      return {
        cuts: new Set(a.cuts.map((c) => c.id)),
        first: first.id,
        last: last.id,
        top: Math.max(0, Math.round((first.y - b.y) / scale)),
        bottom: Math.max(0, Math.round((b.bottom - last.y - last.h) / scale)),
      }
    }),
  }
}

const scaled = ({ x, y, w, h }: Rect, by: number): Rect => ({ x: x / by, y: y / by, w: w / by, h: h / by })

/** The bands of a design that hold something. */
function stretches(
  { cuts, panels }: Pick<CutPlan, 'cuts' | 'panels'>,
  edges: readonly number[],
  width: number,
  height: number,
  ground: (rect: Rect) => Ground,
): Stretch[] {
  const tops = [0, ...edges]
  return tops.flatMap((y, i): Stretch[] => {
    const bottom = tops[i + 1] ?? height
    const inside = cuts.filter((c) => {
      const middle = c.y + c.h / 2
      return c.kind !== 'nothing' && middle >= y && middle < bottom
    })
    if (!inside.length) return []
    const rect = { x: 0, y, w: width, h: bottom - y }
    return [{ y, bottom, ground: ground(rect).color, cuts: leavesOf(partition(inside, panels)) }]
  })
}

/** Whether a band was not found though those above and below it were, one right under the other. */
function isGone(
  at: number,
  ours: readonly Stretch[],
  theirs: readonly Stretch[],
  matched: readonly (readonly [Stretch, Stretch])[],
): boolean {
  const placeOf = (band: Stretch | undefined) =>
    theirs.indexOf(matched.find(([a]) => a === band)?.[1] ?? band!)
  const [own, above, below] = [at, at - 1, at + 1].map((i) => placeOf(ours[i]))
  return own! < 0 && above! >= 0 && below! === above! + 1
}

/** What a cut is compared by: icons are no other pictures. */
const sortOf = ({ kind, seen }: Cut): string => (seen?.part === 'icons' ? 'icon' : kind)

const countOf = (cuts: readonly Cut[], sort: string): number => cuts.filter((c) => sortOf(c) === sort).length

/** Whether a band has nothing of a picture's sort. */
const lacks = (cuts: readonly Cut[], cut: Cut): boolean =>
  (cut.kind === 'picture' || cut.kind === 'button') && countOf(cuts, sortOf(cut)) === 0

/** How alike two bands are, 0 to 1. */
function likeness(a: Stretch, b: Stretch): number {
  const ground = difference(packHex(a.ground), packHex(b.ground)) <= SAME_GROUND ? 1 : 0
  const sorts = [...new Set([...a.cuts, ...b.cuts].map(sortOf))]
  const counts = sorts.map((s) => [countOf(a.cuts, s), countOf(b.cuts, s)] as const)
  const shared = counts.reduce((sum, [x, y]) => sum + Math.min(x, y), 0)
  const any = counts.reduce((sum, [x, y]) => sum + Math.max(x, y), 0)
  return BY_GROUND * ground + BY_KINDS * (shared / any)
}

/** Bands of both that are the same, in order: the alignment of the greatest likeness (Needleman and Wunsch, 1970). */
function aligned(ours: readonly Stretch[], theirs: readonly Stretch[]): (readonly [Stretch, Stretch])[] {
  const best = Array.from({ length: ours.length + 1 }, () => new Array<number>(theirs.length + 1).fill(0))
  const gain = (i: number, j: number) => likeness(ours[i]!, theirs[j]!) - LEAST_ALIKE
  for (let i = ours.length - 1; i >= 0; i--)
    for (let j = theirs.length - 1; j >= 0; j--)
      best[i]![j] = Math.max(best[i + 1]![j]!, best[i]![j + 1]!, best[i + 1]![j + 1]! + gain(i, j))
  const out: (readonly [Stretch, Stretch])[] = []
  let [i, j] = [0, 0]
  while (i < ours.length && j < theirs.length) {
    if (gain(i, j) > 0 && best[i]![j] === best[i + 1]![j + 1]! + gain(i, j))
      out.push([ours[i++]!, theirs[j++]!])
    else if (best[i]![j] === best[i + 1]![j]) i++
    else j++
  }
  return out
}

/** Cuts of two bands that are the same thing: of each sort of which both have as many, in order. */
function pairsIn(ours: readonly Cut[], theirs: readonly Cut[]): (readonly [Cut, Cut])[] {
  return [...new Set(ours.map(sortOf))].flatMap((sort) => {
    const [a, b] = [ours.filter((c) => sortOf(c) === sort), theirs.filter((c) => sortOf(c) === sort)]
    return a.length === b.length ? a.map((c, i) => [c, b[i]!] as const) : []
  })
}

/** The side space that most bands keep, px of the email. */
function sideOf(bands: readonly Stretch[], width: number, scale: number): number | undefined {
  const counts = new Map<number, number>()
  for (const { cuts } of bands) {
    const inner = cuts.filter((c) => c.w < ACROSS * width)
    const left = Math.round(Math.min(...inner.map((c) => c.ink?.x ?? c.x)) / scale)
    if (left >= SIDES.least && left <= SIDES.most) counts.set(left, (counts.get(left) ?? 0) + 1)
  }
  return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0]
}
