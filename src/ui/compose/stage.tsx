'use client'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { createStore, useStore } from 'zustand'
import type { Finding } from '@/core/checks'
import { useStageActions, type Action } from '../bench/actions'
import { WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { Ribbons } from '../bench/ribbons'
import type { BenchJob, CutSession } from '../bench/types'
import { ByHandStage, PlainStage } from './by-hand'
import { useChosenVersion } from './lenses/chosen-version'
import { OneLens } from './lenses/one'
import { LensRow } from './lenses/row'
import { MOST_LENSES, useLenses, type LensesWork } from './lenses/shown'
import { useLists } from './lists/lists'
import { useOpenRemarks } from './use-remarks'
import { useLikeness } from './likeness/use-likeness'
import type { Measured } from './measured'
import { Spine } from './spine'

interface StageProps {
  job: BenchJob
  work: EmailWork
  cuts: CutSession
  setActions: (a: Action[]) => void
}

/** The stage in the way in which the email is written. */
export function ComposeStage(p: StageProps) {
  if (p.work.email.way === 'hand') return <ByHandStage work={p.work} setActions={p.setActions} />
  if (p.work.email.way === 'plain') return <PlainStage work={p.work} setActions={p.setActions} />
  return <BandStage {...p} />
}

/** The bench: lenses side by side, tied band to band; the spine beside them, the tray beneath. */
function BandStage({ job, work, cuts, setActions }: StageProps) {
  const plan = useStore(cuts.store, (s) => s.doc)
  const [wide] = useState(() => createStore<Measured>(() => ({ marks: new Map(), height: 800 })))
  const { email } = work
  const toMend = useMemo(() => toMendByBand(work.findings), [work.findings])
  const lenses = useLenses(job.id, { design: !!job.design, narrow: !!job.narrow })
  const remarks = useOpenRemarks(job.id)
  const likeness = useLikeness(work, plan, wide)
  const { select, selectMore, apply } = work
  const onSelect = useCallback(
    (id: string, how?: 'also' | 'to') => (how ? selectMore(id, how) : select(id)),
    [select, selectMore],
  )
  const onMove = useCallback(
    (id: string, to: number) => apply('move the band', { name: 'moveBand', what: { id, to } }),
    [apply],
  )
  const lists = useLists(work)
  useStageActions(setActions, [...work.actions, ...lists.actions, ...lensActions(lenses)])
  const { kinds } = lenses.lenses
  useVersionAsked(job.id, lenses)
  return (
    <>
      <Spine
        bands={email.bands}
        wide={wide}
        measures={!kinds.includes('Wide')}
        width={email.width}
        parts={work.parts}
        toMend={toMend}
        likeness={likeness}
        remarks={remarks}
        selected={work.selection.band?.id ?? null}
        also={work.also}
        onSelect={onSelect}
        onHover={work.setHovered}
        onMove={onMove}
      />
      <LensRow
        work={lenses}
        over={
          <Ribbons
            ties={work.ties}
            band={work.selection.band?.id ?? null}
            faint={work.hovered}
            order={kinds}
          />
        }
      >
        {(kind) => <OneLens {...{ kind, job, work, plan, lenses, likeness, wide }} />}
      </LensRow>
      <WorkTray work={work} right={lists.menu} />
      {lists.dialog}
    </>
  )
}

/** A version that is asked for is shown: its lens opens beside the others, or in place of the last. */
function useVersionAsked(job: string, lenses: LensesWork): void {
  const asked = useChosenVersion((s) => s.asked === job)
  const open = useRef(() => {})
  open.current = () => {
    const { kinds } = lenses.lenses
    if (kinds.includes('Version')) return
    if (kinds.length < MOST_LENSES) lenses.add('Version')
    else lenses.swap(kinds.length - 1, 'Version')
  }
  useEffect(() => {
    if (!asked) return
    open.current()
    useChosenVersion.getState().shown()
  }, [asked])
}

/** Going to another set of lenses by name. */
const lensActions = (lenses: LensesWork): Action[] =>
  lenses.offered.map((kind) => {
    const at = lenses.lenses.kinds.indexOf(kind)
    const last = lenses.lenses.kinds.length - 1
    const open = () => (lenses.lenses.kinds.length < MOST_LENSES ? lenses.add(kind) : lenses.swap(last, kind))
    return {
      id: `lens-${kind}`,
      label: at < 0 ? `Open the ${kind} lens` : `Close the ${kind} lens`,
      group: 'Lenses',
      off: at >= 0 && last === 0,
      run: () => (at < 0 ? open() : lenses.close(at)),
    }
  })

/** How many findings there are to mend, by band. */
function toMendByBand(findings: readonly Finding[]): Map<string, number> {
  const count = new Map<string, number>()
  for (const { severity, muted, where } of findings)
    if (severity === 'mend' && !muted && where.band) count.set(where.band, (count.get(where.band) ?? 0) + 1)
  return count
}
