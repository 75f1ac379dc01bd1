import { splitWords } from '../email/split-words'
import { newId, type NewId } from '../email/defaults'
import type { RichText } from '../email/richtext'
import { addCut, LEAST, removeCut, setCut, splitCut, type Size } from './edits'
import { readInk } from './ink'
import type { Cut, CutPlan } from './plan'
import { difference, overlap, packed, type Raster, type Rect } from './raster'

/** `across`: by a level line; `down`: by an upright one. */
export type Way = 'across' | 'down'

/** A stretch of plain ground from side to side of a place, design px. */
export interface Gap {
  at: number
  size: number
}

/** Colours along a line are one within this, 0 to 255. */
const PLAIN = 10
/** A place may be parted so far from its middle at the cost of half a gap's worth. */
const CENTRAL = 0.5

/** The gaps between what stands in a place, from side to side; those at its own edges are none. @returns each with its middle, design px */
export function gapsIn(raster: Raster, rect: Rect, way: Way): Gap[] {
  const px = packed(raster)
  const level = way === 'across'
  const [length, across] = level ? [rect.h, rect.w] : [rect.w, rect.h]
  const plain = (i: number): boolean => {
    const at = (k: number) =>
      level ? px[(rect.y + i) * raster.width + rect.x + k]! : px[(rect.y + k) * raster.width + rect.x + i]!
    const first = at(0)
    for (let k = 1; k < across; k++) if (difference(at(k), first) > PLAIN) return false
    return true
  }
  const gaps: Gap[] = []
  let from = -1
  for (let i = 0; i < length; i++) {
    if (plain(i)) {
      if (from < 0) from = i
    } else {
      if (from > 0) gaps.push({ at: (level ? rect.y : rect.x) + Math.round((from + i) / 2), size: i - from })
      from = -1
    }
  }
  return gaps
}

/** Where a place is best parted: at the widest gap, the nearer the middle the better; in the middle where there is none. */
export function bestPart(gaps: readonly Gap[], rect: Rect, way: Way): number {
  const [from, length] = way === 'across' ? [rect.y, rect.h] : [rect.x, rect.w]
  const middle = from + length / 2
  const worth = (g: Gap) => g.size * (1 - CENTRAL * (Math.abs(g.at - middle) / (length / 2)))
  const best = gaps.reduce<Gap | null>((a, g) => (!a || worth(g) > worth(a) ? g : a), null)
  return best?.at ?? Math.round(middle)
}

/** A gap in a line from this part of its height on lies between two things, not between two words. */
const WIDE = 0.9

/** The lines of a cut's ink, those that stand apart on one row each by itself. @param ground behind them */
export function inkIn(raster: Raster, rect: Rect, ground: string): Rect[] {
  return readInk(raster, rect, ground).lines.flatMap(({ x, y, w, h }) => {
    const gaps = gapsIn(raster, { x, y, w, h }, 'down').filter((g) => g.size >= WIDE * h)
    const ends = [x, ...gaps.flatMap((g) => [g.at - g.size / 2, g.at + g.size / 2]), x + w]
    return gaps
      .map((_, i) => i)
      .concat(gaps.length)
      .map((i) => ({ x: ends[2 * i]!, y, w: ends[2 * i + 1]! - ends[2 * i]!, h }))
  })
}

/** How much of the ink of some lines lies before a place. @returns 0 to 1; null without ink */
function shareBefore(lines: readonly Rect[], way: Way, at: number): number | null {
  const all = lines.reduce((n, l) => n + l.w, 0)
  const before = lines.reduce(
    (n, l) => n + (way === 'across' ? (l.y + l.h / 2 < at ? l.w : 0) : Math.max(0, Math.min(l.w, at - l.x))),
    0,
  )
  return all ? before / all : null
}

/** What each part of a cut says, by where the ink of its lines lies. */
function wordsOfParts(
  words: RichText | null,
  lines: readonly Rect[],
  way: Way,
  at: number,
): [RichText | null, RichText | null] {
  const share = words && shareBefore(lines, way, at)
  if (!words || share === null) return [words, null]
  if (share <= 0) return [null, words]
  if (share >= 1) return [words, null]
  return splitWords(words, share) ?? [words, null]
}

/** Lines are of one size where their ink is no more unlike in height than letters with and without tails are. */
const ALIKE = 1.45

/** What was measured of the whole and holds of a part only where all lines are alike; else each is looked at by itself. */
function ofPart({ lettering, ink }: Cut, lines: readonly Rect[]): Partial<Cut> {
  const heights = lines.map((l) => l.h)
  const alike = Math.max(...heights) <= ALIKE * Math.min(...heights)
  return { lettering: alike ? lettering : undefined, ...(ink ? { ink: undefined } : {}) }
}

/**
 * Parts a cut at a line, and what it says with it: each part keeps the words whose ink lies in it.
 * @param at design px @param lines of its ink
 */
export function partCut(
  plan: CutPlan,
  id: string,
  way: Way,
  at: number,
  lines: readonly Rect[],
  newCutId: NewId = newId,
): CutPlan {
  const cut = plan.cuts.find((c) => c.id === id)
  if (!cut) return plan
  const second = newCutId()
  const parted = splitCut(plan, id, way, at, () => second)
  if (parted === plan || (cut.kind !== 'words' && cut.kind !== 'button')) return parted
  const [one, other] = wordsOfParts(cut.words, lines, way, at)
  const own = ofPart(cut, lines)
  return setCut(setCut(parted, id, { ...own, words: one }), second, { ...own, words: other })
}

/** Takes a place out of a cut that lies there: what is beside it stays, in up to four parts. @returns what the place said */
function giveWay(
  plan: CutPlan,
  cut: Cut,
  drawn: Rect,
  lines: readonly Rect[],
  newCutId: NewId,
): { plan: CutPlan; words: RichText | null } {
  const o = overlap(cut, drawn)!
  let now = plan
  let middle = cut.id
  const part = (way: Way, at: number, keep: 'first' | 'second') => {
    const whole = now.cuts.find((c) => c.id === middle)!
    const [from, length] = way === 'across' ? [whole.y, whole.h] : [whole.x, whole.w]
    if (at - from < LEAST || from + length - at < LEAST) return
    const second = newCutId()
    now = partCut(now, middle, way, at, lines, () => second)
    if (keep === 'second') middle = second
  }
  part('across', o.y, 'second')
  part('across', o.y + o.h, 'first')
  part('down', o.x, 'second')
  part('down', o.x + o.w, 'first')
  const { words } = now.cuts.find((c) => c.id === middle)!
  return { plan: removeCut(now, middle), words }
}

/**
 * Adds a cut where it was drawn. Cuts that lie there give way, with what they say there; locked ones do not. One
 * drawn within another becomes what that is.
 * @param linesOf of the ink of a cut, by its id
 */
export function drawCut(
  plan: CutPlan,
  drawn: Rect,
  size: Size,
  linesOf: (id: string) => readonly Rect[],
  newCutId: NewId = newId,
): { plan: CutPlan; id: string | null } {
  const inside = overlap(drawn, { x: 0, y: 0, w: size.width, h: size.height })
  if (!inside) return { plan, id: null }
  const rect = {
    x: Math.round(inside.x),
    y: Math.round(inside.y),
    w: Math.round(inside.w),
    h: Math.round(inside.h),
  }
  const there = plan.cuts.filter((c) => !c.locked && overlap(c, rect))
  let now = plan
  const said: RichText['content'] = []
  for (const cut of there) {
    const gave = giveWay(now, cut, rect, linesOf(cut.id), newCutId)
    now = gave.plan
    if (gave.words) said.push(...gave.words.content)
  }
  const [only] = there
  const within = there.length === 1 && only!.kind === 'words' ? only! : null
  const made = addCut(now, rect, size, within ? 'words' : 'picture', newCutId)
  if (!made.id) return { plan, id: null }
  const words = said.length && within ? { type: 'doc' as const, content: said } : null
  return {
    id: made.id,
    plan: within ? setCut(made.plan, made.id, { words, ground: within.ground }) : made.plan,
  }
}
