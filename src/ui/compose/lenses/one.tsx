'use client'
import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import type { StoreApi } from 'zustand'
import type { CutPlan } from '@/core/cut/plan'
import { bandsInDesign, DesignView, NarrowDesign } from '../../bench/design-view'
import { WorkLens } from '../../bench/email-lenses'
import { saysNight } from '../../bench/night'
import type { EmailWork } from '../../bench/email-work'
import type { BenchJob, Design as DesignOf } from '../../bench/types'
import { IconButton, NumberField } from '../../parts/controls'
import { RotateCw } from 'lucide-react'
import type { Likenesses } from '../likeness/use-likeness'
import type { Measured } from '../measured'
import { LONGER, NARROW, type LensesWork, type LensKind } from './shown'

// What is looked at now and then comes when it is.
const CompareLens = dynamic(() => import('./compare'), { ssr: false })
const SourceLens = dynamic(() => import('./source'), { ssr: false })
const VersionLens = dynamic(() => import('./version'), { ssr: false })
const ReaderLens = dynamic(() => import('./reader'), { ssr: false })
const TextLens = dynamic(() => import('./text'), { ssr: false })

interface Props {
  kind: LensKind
  job: BenchJob
  work: EmailWork
  plan: CutPlan
  lenses: LensesWork
  likeness: Likenesses
  /** Told what the wide lens measures. */
  wide: StoreApi<Measured>
}

/** Lenses that words can be written in; the first that is open holds the editor. */
const written: readonly LensKind[] = ['Wide', 'Narrow', 'Night', 'No pictures']

/** One way of looking at the email. */
export function OneLens(p: Props) {
  const { kind, job, work, lenses } = p
  const { email } = work
  const open = lenses.lenses.kinds.filter((k) => written.includes(k))
  const edits = kind === (open.includes('Wide') ? 'Wide' : open[0])
  const speaks = kind === open[0]
  const shared = { work, name: kind, edits, speaks }
  if (kind === 'Design') return job.design && <Design {...p} design={job.design} />
  if (kind === 'Narrow design') return job.narrow && <NarrowDesign design={job.narrow} />
  if (kind === 'Compare') return <CompareLens work={work} plan={p.plan} likeness={p.likeness} />
  if (kind === 'Version') return <VersionLens work={work} />
  if (kind === 'Reader') return <ReaderLens work={work} />
  if (kind === 'Text') return <TextLens work={work} />
  if (kind === 'Source') return <SourceLens work={work} />
  if (kind === 'Narrow') return <Narrow {...p} {...shared} />
  if (kind === 'Night') return <Night {...shared} />
  if (kind === 'No pictures') return <WorkLens {...shared} width={email.width} pictures={false} />
  return (
    <WorkLens
      {...shared}
      width={email.width}
      onMarks={(marks, height) => p.wide.setState({ marks, height })}
    />
  )
}

function Design({ design, work, plan }: Pick<Props, 'work' | 'plan'> & { design: DesignOf }) {
  const places = useMemo(() => bandsInDesign(work.email, plan), [work.email, plan])
  return (
    <DesignView
      design={design}
      places={places}
      ties={work.ties}
      selected={work.selection.band?.id ?? null}
      hovered={work.hovered}
      onPick={work.select}
      onHover={work.setHovered}
    />
  )
}

/** The email where a reader is dark and honours what it says of that. */
function Night(p: Pick<Parameters<typeof WorkLens>[0], 'work' | 'name' | 'edits' | 'speaks'>) {
  const { width } = p.work.email
  const says = useMemo(() => saysNight(p.work.parts), [p.work.parts])
  return (
    <WorkLens
      {...p}
      width={width}
      night
      detail={says ? String(width) : `${width}, keeps its day: no rules for the dark`}
    />
  )
}

/** A phone of any width, upright or on its side. */
function Narrow({ lenses, ...p }: Props & { name: string; edits: boolean; speaks: boolean }) {
  const { narrow, lying } = lenses.lenses
  return (
    <WorkLens
      work={p.work}
      name={p.name}
      edits={p.edits}
      speaks={p.speaks}
      width={lying ? Math.round(narrow * LONGER) : narrow}
      right={
        <>
          <NumberField
            label="Width of the phone, px"
            value={narrow}
            min={NARROW.least}
            max={NARROW.most}
            onChange={(v) => lenses.setNarrow({ narrow: v })}
            className="!w-10 !py-0"
          />
          <IconButton
            label={lying ? 'Stand the phone upright' : 'Lay the phone on its side'}
            active={lying}
            className="!h-5"
            onClick={() => lenses.setNarrow({ lying: !lying })}
          >
            <RotateCw size={12} />
          </IconButton>
        </>
      }
    />
  )
}
