import { toast } from '../../parts/toast'
import type { Autocut } from '@/core/cut/autocut'
import type { DesignLayers } from '@/core/cut/layers'
import { isUnread, type Cut, type CutPlan } from '@/core/cut/plan'
import { overlap } from '@/core/cut/raster'
import { Ocr } from './ocr'
import { readOne, taken } from './read-one'
import type { CutSession } from '../../bench/types'
import type { LongWorks } from './long-work'
import type { OpenCutter } from './use-cutter'

/** More cuts than this a plan does not hold. */
const MOST_CUTS = 500

/**
 * A plan with the parts that were found. Cuts that lie where they lay keep what they say; locked ones stay as
 * they are.
 */
export function withFound(plan: CutPlan, found: Autocut): CutPlan {
  const place = (c: Cut) => `${c.x},${c.y},${c.w},${c.h}`
  const said = new Map(plan.cuts.map((c) => [place(c), c]))
  const locked = plan.cuts.filter((c) => c.locked)
  const free = found.cuts.filter((c) => !locked.some((l) => overlap(l, c)))
  return {
    ...plan,
    cuts: [...locked, ...free.map((c) => said.get(place(c)) ?? c)]
      .sort((a, b) => a.y - b.y || a.x - b.x)
      .slice(0, MOST_CUTS),
    edges: found.edges.map((e) => e.y),
    panels: found.panels,
    order: undefined,
  }
}

/** Finds the parts of the design. */
export function findParts(
  open: OpenCutter,
  { change }: CutSession,
  { during }: LongWorks,
  design: { scale: number; layers: DesignLayers | null },
): Promise<void> {
  return during({ what: 'Finding the parts', total: 1, cancel: open.close, here: true }, async (tell) => {
    const found = await open().ask({ kind: 'autocut', ...design }, (done) => tell({ done }))
    change('find the parts', (p) => withFound(p, found))
    told(found)
  })
}

function told({ edges, cuts }: Autocut, more = ''): void {
  const bands = edges.length + 1
  toast(
    `${bands} ${bands === 1 ? 'band' : 'bands'} and ${cuts.length} parts found${more}. Undo brings the former cuts back.`,
  )
}

/** How much of the work is reading the whole, and has been done once the parts are found; the rest is reading again what is unread. */
const [READING, FOUND] = [0.75, 0.8]

/** What is read alone is taken from this confidence on, 0 to 1. */
const SURE = 0.7

/** Words and labels that the reading of the whole missed, small ones above all, read again one by one. */
async function readRest(
  cuts: readonly Cut[],
  ocr: Ocr,
  open: OpenCutter,
  scale: number,
  tell: (done: number) => void,
): Promise<Cut[]> {
  const rest = cuts.filter(isUnread)
  const read = new Map<string, Cut>()
  for (const [i, cut] of rest.entries()) {
    const { text, sure } = await readOne(ocr, open, cut, scale)
    if (text && sure >= SURE) read.set(cut.id, { ...cut, ...taken(cut, text) })
    tell((i + 1) / rest.length)
  }
  return cuts.map((c) => read.get(c.id) ?? c)
}

/** Reads the whole design first, then finds its parts by its words and its pixels: words that stand on pictures are found, too, and each cut says at once what it says. */
export function readAndFind(
  open: OpenCutter,
  { change }: CutSession,
  { during }: LongWorks,
  design: { width: number; height: number; scale: number; layers: DesignLayers | null },
): Promise<void> {
  const ocr = new Ocr()
  const cancel = () => {
    ocr.end()
    open.close()
  }
  return during({ what: 'Reading the design', total: 1, cancel, here: true }, async (tell) => {
    try {
      const { scale, layers } = design
      const lines = await ocr.whole(
        design,
        scale,
        (rect, zoom, way) => open().ask({ kind: 'seen', rect, zoom, way }),
        (done) => tell({ done: READING * done }),
      )
      const parts = await open().ask({ kind: 'autocut', scale, layers, lines }, (done) =>
        tell({ done: READING + (FOUND - READING) * done }),
      )
      const cuts = await readRest(parts.cuts, ocr, open, scale, (done) =>
        tell({ done: FOUND + (1 - FOUND) * done }),
      )
      const found = { ...parts, cuts }
      change('read and find the parts', (p) => withFound(p, found))
      const said = found.cuts.filter((c) => c.words).length
      told(found, `, ${said} of them with the words that were read`)
    } finally {
      ocr.end()
    }
  })
}
