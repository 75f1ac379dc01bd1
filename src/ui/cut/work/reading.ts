import { type Dispatch, type SetStateAction, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { toast } from '../../parts/toast'
import { setCut } from '@/core/cut/edits'
import { saidBy, textsIn, type DesignLayers } from '@/core/cut/layers'
import type { Cut, CutPlan } from '@/core/cut/plan'
import type { TextBlock } from '@/core/cut/reflow'
import { call } from '../../api'
import type { DesignedJob, CutSession } from '../../bench/types'
import type { LongWorks } from './long-work'
import { Ocr } from './ocr'
import { readCut, taken, type Proposal } from '@/core/cut/reading/place'
import { keepReadings, keptReadings } from './kept-readings'
import type { OpenCutter } from './use-cutter'

/**
 * From these on, 0 to 1, what was read may be taken without a look at each: on pictures much looks like
 * letters.
 */
const SURE = 0.7
const SURE_ON_PICTURES = 0.9

/** The words a design's own file carries, once they are here; null where it carries none. */
export function useLayers({ id, design }: DesignedJob): {
  layers: DesignLayers | null
  /** For who must not begin without them. */
  loaded: () => Promise<DesignLayers | null>
} {
  const [layers, setLayers] = useState<DesignLayers | null>(null)
  const coming = useRef<Promise<DesignLayers | null>>(Promise.resolve(null))
  useEffect(() => {
    if (!design.worded) {
      coming.current = Promise.resolve(null)
      return setLayers(null)
    }
    coming.current = call('GET /api/jobs/:job/layers', { params: { job: id } }).then(
      (r) => r.layers,
      () => null,
    )
    void coming.current.then(setLayers)
  }, [id, design.id, design.worded])
  const loaded = useCallback(() => coming.current, [])
  return { layers, loaded }
}

/** What was read and what of it is not decided yet, as a page before this one left it. */
function useKept(job: string, design: string) {
  const [read, setRead] = useState<TextBlock[]>([])
  const [proposals, setProposals] = useState<Map<string, Proposal>>(new Map())
  const [from, setFrom] = useState<string | null>(null)
  const here = `${job} ${design}`
  useEffect(() => {
    const kept = keptReadings(job, design)
    setRead(kept?.read ?? [])
    setProposals(new Map(kept?.proposals))
    setFrom(here)
  }, [job, design, here])
  useEffect(() => {
    // Not before what was left is here.
    if (from === here) keepReadings(job, design, { read, proposals: [...proposals] })
  }, [job, design, here, from, read, proposals])
  return { read, setRead, proposals, setProposals }
}

/** Reads words for cuts, as proposals that are taken, changed or left. */
export function useReading(
  { id, design }: DesignedJob,
  { change }: CutSession,
  plan: CutPlan,
  layers: DesignLayers | null,
  open: OpenCutter,
  { during }: LongWorks,
) {
  const { read, setRead, proposals, setProposals } = useKept(id, design.id)
  const texts = useMemo(() => [...(layers?.texts ?? []), ...read], [layers, read])

  /** Takes words over from the design's own file. */
  const fromFile = (cuts: readonly Cut[]) =>
    change('take the words from the file', (p) =>
      cuts.reduce((q, c) => {
        const now = q.cuts.find((x) => x.id === c.id)
        return now ? setCut(q, c.id, saidBy(now, layers!.texts, design.scale)) : q
      }, p),
    )

  /**
   * Reads words off the design for some cuts, as proposals; where the file itself carries them they come from
   * there.
   */
  async function readWords(cuts: readonly Cut[]) {
    const worded = cuts.filter((c) => c.kind === 'words' || c.kind === 'button' || c.kind === 'picture')
    const carried = worded.filter((c) => layers && textsIn(layers.texts, c).length)
    if (carried.length) fromFile(carried)
    const rest = worded.filter((c) => !carried.includes(c))
    if (!rest.length) {
      toast(`The words of ${carried.length} cuts were taken from the design's own file.`)
      return
    }
    const ocr = new Ocr(open, plan.language?.code ?? 'eng')
    let stopped = false
    const cancel = () => {
      stopped = true
      ocr.end()
    }
    await during({ what: 'Reading the words', total: rest.length, cancel, here: true }, async (tell) => {
      let found = 0
      try {
        for (const [i, c] of rest.entries()) {
          const proposal = await readCut(ocr, c, design.scale)
          if (stopped) return
          if (proposal.text) {
            found++
            setProposals((m) => new Map(m).set(c.id, proposal))
            setRead((r) => [...r.filter((t) => !textsIn([t], c).length), ...proposal.blocks])
          }
          tell({ done: i + 1 })
        }
        toast(`${found} of ${rest.length} read. Look each proposal over, then take it.`)
      } catch (e) {
        if (!stopped) toast.error('The words could not be read', { description: (e as Error).message })
      } finally {
        ocr.end()
      }
    })
  }

  const { dropProposals, takeProposals } = deciding(change, proposals, setProposals)
  const sureOnes = [...proposals]
    .filter(([id, p]) => {
      const picture = plan.cuts.find((c) => c.id === id)?.kind === 'picture'
      return p.sure >= (picture ? SURE_ON_PICTURES : SURE)
    })
    .map(([id]) => id)
  return { texts, proposals, readWords, takeProposals, dropProposals, sureOnes }
}

/** Taking what was read over into the cuts, or leaving it. */
function deciding(
  change: CutSession['change'],
  proposals: ReadonlyMap<string, Proposal>,
  setProposals: Dispatch<SetStateAction<Map<string, Proposal>>>,
) {
  const dropProposals = (ids: readonly string[]) =>
    setProposals((m) => {
      const next = new Map(m)
      ids.forEach((id) => next.delete(id))
      return next
    })

  /** Takes proposals over into their cuts. */
  function takeProposals(ids: readonly string[]) {
    const chosen = ids.filter((id) => proposals.has(id))
    change('take the words that were read', (p) =>
      chosen.reduce((q, id) => {
        const cut = q.cuts.find((c) => c.id === id)
        return cut ? setCut(q, id, taken(cut, proposals.get(id)!.text)) : q
      }, p),
    )
    dropProposals(chosen)
  }
  return { dropProposals, takeProposals }
}
