import { toast } from '../../parts/toast'
import type { Autocut } from '@/core/cut/autocut'
import type { DesignLayers } from '@/core/cut/layers'
import type { Cut, CutPlan } from '@/core/cut/plan'
import { overlap } from '@/core/cut/raster'
import { readAndFind as readAndFindParts } from '@/core/cut/reading/find'
import { call } from '../../api'
import { Ocr } from './ocr'
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

/**
 * Reads the whole design first, then finds its parts by its words and its pixels (`readAndFind` in core).
 * @param chosen code of the language that a person chose; null: as the words look
 */
export function readAndFind(
  open: OpenCutter,
  { change }: CutSession,
  { during }: LongWorks,
  design: { width: number; height: number; scale: number; layers: DesignLayers | null },
  chosen: string | null,
): Promise<void> {
  const reader = new Ocr(open, chosen ?? 'eng')
  const cancel = () => {
    reader.end()
    open.close()
  }
  return during({ what: 'Reading the design', total: 1, cancel, here: true }, async (tell) => {
    try {
      const { scale, layers } = design
      const { languages } = await call('GET /api/reading', {})
      const here = languages.flatMap((l) => (l.here ? [l.code] : []))
      const found = await readAndFindParts({
        reader,
        size: design,
        scale,
        here: chosen ? [] : here,
        find: (lines, progress) => open().ask({ kind: 'autocut', scale, layers, lines }, progress),
        tell: (done) => tell({ done }),
      })
      const by = chosen ? ('hand' as const) : ('words' as const)
      change('read and find the parts', (p) => ({
        ...withFound(p, found),
        language: { code: found.language, by },
      }))
      const said = found.cuts.filter((c) => c.words).length
      told(found, `, ${said} of them with the words that were read`)
      if (found.lost)
        toast.error('The words look to be of a script that cannot be read yet', {
          description:
            'Choose their language beside "Read and find", then read again; or bring the words in by the copy deck.',
        })
      const wanted = languages.find((l) => l.code === found.language && !l.here)
      if (wanted)
        toast.error(`The words look ${wanted.name}, which cannot be read yet`, {
          description:
            'Choose it beside "Read and find" to bring it, then read again: its own letters come out right then.',
        })
    } finally {
      reader.end()
    }
  })
}
