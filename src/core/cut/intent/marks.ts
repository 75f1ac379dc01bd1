import type { Cut } from '../plan'
import { around, type Rect } from '../raster'

/** Small pictures in a row: icons, stars, badges. All measures are design px. */
export interface MarksGroup {
  kind: 'marks'
  cuts: Cut[]
  /** Between two of them. */
  gap: number
  box: Rect
}

/** Larger pictures are no marks, px of the email. */
const MOST_HEIGHT = 64
const MOST_WIDTH = 120
/** Marks stand no further apart than this, px of the email, or than twice their width. */
const MOST_GAP = 48
/** Their gaps and middles are the same within this, px of the email. */
const SAME = 4
/** Pictures that were not seen as icons are marks from so many on. */
const LEAST = 3

/** Rows of marks among the pictures of a design. @param scale design px for each px of the email */
export function marksIn(cuts: readonly Cut[], scale: number): MarksGroup[] {
  const small = cuts
    .filter((c) => c.kind === 'picture' && c.h <= MOST_HEIGHT * scale && c.w <= MOST_WIDTH * scale)
    .sort((a, b) => a.x - b.x)
  const out: MarksGroup[] = []
  const taken = new Set<string>()
  for (const first of small) {
    if (taken.has(first.id)) continue
    const run = [first]
    for (const next of small) {
      const last = run.at(-1)!
      const gap = next.x - last.x - last.w
      if (taken.has(next.id) || gap <= 0 || !goesOn(run, next, gap, scale)) continue
      run.push(next)
    }
    const icons = run.every((c) => c.seen?.part === 'icons')
    if (run.length < (icons ? 2 : LEAST) || headColumns(run, cuts, scale)) continue
    for (const c of run) taken.add(c.id)
    out.push({ kind: 'marks', cuts: run, gap: meanGap(run), box: around(run) })
  }
  return out
}

/** Words this near under a mark are its own, px of the email, and as far off its middle. */
const UNDER = 32
const OFF_MIDDLE = 16

/** Whether marks stand over words of their own, each at the head of a column. */
function headColumns(run: readonly Cut[], cuts: readonly Cut[], scale: number): boolean {
  const headed = run.filter((m) =>
    cuts.some(
      (c) =>
        (c.kind === 'words' || c.seen?.part === 'words') &&
        c.y >= m.y + m.h &&
        c.y - m.y - m.h <= UNDER * scale &&
        Math.abs(c.x + c.w / 2 - m.x - m.w / 2) <= OFF_MIDDLE * scale &&
        run.every((o) => o === m || o.x + o.w / 2 < c.x || o.x + o.w / 2 > c.x + c.w),
    ),
  )
  return headed.length > 1
}

function goesOn(run: readonly Cut[], next: Cut, gap: number, scale: number): boolean {
  const last = run.at(-1)!
  const level = Math.abs(last.y + last.h / 2 - next.y - next.h / 2) <= SAME * scale
  const near = gap <= Math.max(MOST_GAP * scale, 2 * last.w)
  const second = run[1]
  const even = !second || Math.abs(gap - (second.x - run[0]!.x - run[0]!.w)) <= 2 * SAME * scale
  return level && near && even
}

const meanGap = (run: readonly Cut[]): number =>
  run.slice(1).reduce((sum, c, i) => sum + c.x - run[i]!.x - run[i]!.w, 0) / Math.max(1, run.length - 1)
