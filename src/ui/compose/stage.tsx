'use client'
import { useMemo, useState } from 'react'
import { createStore, useStore } from 'zustand'
import type { Finding } from '@/core/checks'
import { remembered } from '@/core/email/remember'
import type { Band } from '@/core/email/schema'
import { tilesOf } from '@/core/email/walk'
import { definitionOf } from '@/core/tiles'
import { useStageActions, type Action } from '../bench/actions'
import { bandsInDesign, DesignView, NarrowDesign } from '../bench/design-view'
import { PHONE, WorkLens, WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { Ribbons } from '../bench/ribbons'
import type { BenchJob, CutSession } from '../bench/types'
import { cx } from '../parts/controls'
import { ByHandStage, PlainStage } from './by-hand'
import { Spine, type Measured } from './spine'

/** The stage in the way in which the email is written. */
export function ComposeStage(p: {
  job: BenchJob
  work: EmailWork
  cuts: CutSession
  setActions: (a: Action[]) => void
}) {
  if (p.work.email.way === 'hand') return <ByHandStage work={p.work} setActions={p.setActions} />
  if (p.work.email.way === 'plain') return <PlainStage work={p.work} setActions={p.setActions} />
  return <BandStage {...p} />
}

/**
 * The bench: design, wide and narrow side by side, tied band to band; the spine beside them, the tray
 * beneath.
 */
function BandStage({
  job,
  work,
  cuts,
  setActions,
}: {
  job: BenchJob
  work: EmailWork
  cuts: CutSession
  setActions: (a: Action[]) => void
}) {
  const plan = useStore(cuts.store, (s) => s.doc)
  const [wide] = useState(() => createStore<Measured>(() => ({ marks: new Map(), height: 800 })))
  const { email } = work
  const places = useMemo(() => bandsInDesign(email, plan), [email, plan])
  const weights = useMemo(() => weigh(work), [work])
  const toMend = useMemo(() => toMendByBand(work.findings), [work.findings])
  useStageActions(setActions, work.actions)
  const band = work.selection.band?.id ?? null
  return (
    <>
      <Spine
        bands={email.bands}
        wide={wide}
        width={email.width}
        parts={work.parts}
        weights={weights}
        toMend={toMend}
        selected={band}
        onSelect={work.select}
        onHover={work.setHovered}
        onMove={(id, to) => work.apply('move the band', { name: 'moveBand', what: { id, to } })}
      />
      <main
        className={cx(
          'relative grid min-h-0 min-w-0 bg-ground',
          job.narrow
            ? 'grid-cols-[minmax(0,1fr)_minmax(0,1.06fr)_minmax(0,0.72fr)_minmax(0,0.72fr)]'
            : 'grid-cols-[minmax(0,1fr)_minmax(0,1.06fr)_minmax(0,0.86fr)]',
        )}
      >
        <DesignView
          design={job.design}
          places={places}
          ties={work.ties}
          selected={band}
          hovered={work.hovered}
          onPick={work.select}
          onHover={work.setHovered}
        />
        <WorkLens
          work={work}
          name="Wide"
          width={email.width}
          edits
          onMarks={(marks, height) => wide.setState({ marks, height })}
        />
        <WorkLens work={work} name="Narrow" width={PHONE} />
        {job.narrow && <NarrowDesign design={job.narrow} />}
        <Ribbons ties={work.ties} band={band} faint={work.hovered} order={['Design', 'Wide', 'Narrow']} />
      </main>
      <WorkTray work={work} />
    </>
  )
}

/** Bytes of a band's pictures. */
const pictureBytes = remembered((band: Band): number =>
  [...tilesOf(band)].flatMap((t) => definitionOf(t).pictures(t)).reduce((sum, p) => sum + p.picture.bytes, 0),
)

/** Bytes of each band: its share of the HTML and its pictures. */
const weigh = ({ email, parts }: EmailWork): Map<string, number> =>
  new Map(email.bands.map((b, i) => [b.id, (parts.bands[i]?.html.length ?? 0) + pictureBytes(b)]))

/** How many findings there are to mend, by band. */
function toMendByBand(findings: readonly Finding[]): Map<string, number> {
  const count = new Map<string, number>()
  for (const { severity, muted, where } of findings)
    if (severity === 'mend' && !muted && where.band) count.set(where.band, (count.get(where.band) ?? 0) + 1)
  return count
}
