'use client'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { Email } from '@/core/email/schema'
import { useStageActions, type Action } from '../bench/actions'
import { Ribbons } from '../bench/ribbons'
import type { BenchJob, CutSession, DesignedJob } from '../bench/types'
import { cutActions, type CutDialog } from './actions'
import { CutBar } from './bar'
import { BecomesLens } from './becomes-lens'
import { DesignLens } from './design-lens'
import { CutSpine } from './spine'
import { CutTray } from './tray'
import type { Built } from './work/building'
import { byHand } from './work/by-hand'
import { NoDesign } from './no-design'
import { useCutWork } from './work/use-cut-work'

const ColorsDialog = dynamic(() => import('./colors-dialog').then((m) => m.ColorsDialog), { ssr: false })
const DeckDialog = dynamic(() => import('./deck-dialog').then((m) => m.DeckDialog), { ssr: false })
const FilesDialog = dynamic(() => import('./files-dialog').then((m) => m.FilesDialog), { ssr: false })
const PicturesDialog = dynamic(() => import('./pictures-dialog').then((m) => m.PicturesDialog), {
  ssr: false,
})

interface Props {
  job: DesignedJob
  session: CutSession
  email: Email | null
  onBuilt: (r: Built) => void
  onSaid: (said: Pick<Email, 'subject' | 'preheader'>) => void
  onJob: (j: BenchJob) => void
  setActions: (a: Action[]) => void
}

/** The stage where a design is cut: what stays a picture, what becomes live. */
export function CutStage({ job, ...p }: Omit<Props, 'job'> & { job: BenchJob }) {
  const designed = useMemo(() => (job.design ? { ...job, design: job.design } : null), [job])
  return designed ? <Cutting job={designed} {...p} /> : <NoDesign job={job} onJob={p.onJob} />
}

function Cutting({ job, session, email, onBuilt, onSaid, onJob, setActions }: Props) {
  const w = useCutWork({ job, session, email, onBuilt, onSaid })
  const hand = byHand(w)
  const [open, setOpen] = useState<CutDialog | null>(null)
  const [picking, setPicking] = useState(false)
  const close = () => setOpen(null)
  useStageActions(
    setActions,
    cutActions(w, hand, setOpen, () => setPicking((p) => !p)),
  )
  return (
    <>
      <CutSpine work={w} onReorder={hand.reorderTo} />
      <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] bg-ground">
        <DesignLens work={w} picking={picking} onPicked={() => setPicking(false)} onAdd={hand.add} />
        <BecomesLens work={w} />
        <Ribbons
          ties={w.ties}
          band={w.current ? `t-${w.current.id}` : null}
          faint={w.hovered ? `t-${w.hovered}` : null}
          order={['Design', 'Becomes']}
        />
      </main>
      <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
        <CutBar w={w} hand={hand} open={setOpen} />
        <CutTray work={w} hand={hand} onPick={() => setPicking(true)} onFiles={() => setOpen('files')} />
      </section>
      {open === 'pictures' && <PicturesDialog work={w} onClose={close} />}
      {open === 'deck' && <DeckDialog work={w} onClose={close} />}
      {open === 'colors' && <ColorsDialog work={w} onJob={onJob} onClose={close} />}
      {open === 'files' && <FilesDialog work={w} onJob={onJob} onClose={close} />}
    </>
  )
}
