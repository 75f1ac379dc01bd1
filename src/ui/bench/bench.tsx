'use client'
import dynamic from 'next/dynamic'
import { toMend } from '@/core/checks/to-mend'
import { useCallback, useEffect, useMemo, useRef, useState, type RefObject, type ReactNode } from 'react'
import { toast } from '../parts/toast'
import { useStore } from 'zustand'
import { harvest } from '@/core/cut/carry'
import type { HouseStyle } from '@/core/email/styles'
import { addressOf, call } from '../api'
import { Button } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { DocumentSession } from '../session/document'
import { ShelfOf } from '../parts/shelf'
import { useFinder, type Action } from './actions'
import { useEmailWork, useFirstCompile, type EmailWork } from './email-work'
import type { Email } from '@/core/email/schema'
import { openCuts, openEmail } from './sessions'
import { TrayEdge, useTrayHeight } from './tray-edge'
import { TopBar, stages, type StageId } from './top'
import { LayingOut } from './laying-out'
import { DesignColorsOf } from '../parts/design-colors'
import { ElsewhereOf } from './elsewhere'
import type { BenchJob, BenchProps, CutSession, EmailSession } from './types'

const Laying = () => <p className="col-span-2 row-span-2 bg-ground p-6">Laying out…</p>

// A stage comes when it is first opened.
const CutStage = dynamic(() => import('../cut/stage').then((m) => m.CutStage), {
  ssr: false,
  loading: Laying,
})
const ComposeStage = dynamic(() => import('../compose/stage').then((m) => m.ComposeStage), {
  ssr: false,
  loading: Laying,
})
const MotionStage = dynamic(() => import('../motion/stage').then((m) => m.MotionStage), {
  ssr: false,
  loading: Laying,
})
const NightStage = dynamic(() => import('../night/stage').then((m) => m.NightStage), {
  ssr: false,
  loading: Laying,
})
const InteractStage = dynamic(() => import('../interact/stage').then((m) => m.InteractStage), {
  ssr: false,
  loading: Laying,
})
const ProofStage = dynamic(() => import('../proof/stage').then((m) => m.ProofStage), {
  ssr: false,
  loading: Laying,
})
const HandoverStage = dynamic(() => import('../handover/stage').then((m) => m.HandoverStage), {
  ssr: false,
  loading: Laying,
})

type Value = 'subject' | 'preheader'

/** Width of what stands in the spine's place, px. */
const sides: Record<StageId, number> = {
  cut: 148,
  compose: 186,
  motion: 208,
  night: 208,
  interact: 272,
  proof: 272,
  handover: 272,
}

/** A job on the bench: its documents are opened once, and every stage works on the same ones. */
export default function Bench({ job, cuts, email }: BenchProps) {
  const [cutSession] = useState(() => openCuts(job, cuts))
  const [emailSession] = useState(() => openEmail(job, email))
  const ready = useFirstCompile(emailSession.store.getState().doc, job.client.house)
  if (!ready) return <LayingOut />
  return <Opened {...{ job, cutSession, emailSession }} begun={!!email} />
}

/** The stage that is open, and what of it is to be written. @param begun whether there was an email when the job was opened */
function useStage(begun: boolean) {
  const [stage, setStage] = useState<StageId>(() => {
    const asked = new URLSearchParams(location.search).get('stage')
    return stages.find((s) => s.id === asked)?.id ?? (begun ? 'compose' : 'cut')
  })
  const [focus, setFocus] = useState<Value | null>(null)
  const go = useCallback((s: StageId) => {
    setStage(s)
    setFocus(null)
    history.replaceState(null, '', `?stage=${s}`)
  }, [])
  return { stage, focus, setFocus, go }
}

/** @param begun whether there was an email when the job was opened */
function Opened({
  job: opened,
  cutSession,
  emailSession,
  begun,
}: {
  job: BenchJob
  cutSession: CutSession
  emailSession: EmailSession
  begun: boolean
}) {
  const [job, setJob] = useState(opened)
  const built = useStore(emailSession.store, (s) => s.revision > 0)
  const { stage, focus, setFocus, go } = useStage(begun)
  const setHouse = useCallback(
    (house: HouseStyle) => setJob((j) => ({ ...j, client: { ...j.client, house } })),
    [],
  )
  const work = useEmailWork(job, emailSession, setHouse)
  const actions = useRef<Action[]>([])
  const setActions = useCallback((a: Action[]) => {
    actions.current = a
  }, [])
  const session = (stage === 'cut' ? cutSession : emailSession) as DocumentSession<unknown>

  useSavedOnLeaving(cutSession, emailSession)
  useNews(job.id, cutSession, emailSession)

  useHarvest(stage === 'cut', cutSession, emailSession)
  const finder = useBenchFinder(actions, session, built, go)
  const elsewhere = useLoading(job, setJob)
  const left = useLeft(cutSession, work, built)
  const [trayHeight, setTrayHeight] = useTrayHeight()
  const side = sides[stage]
  return (
    <div
      className="relative grid h-dvh min-h-[560px] min-w-[1000px]"
      style={{
        gridTemplateColumns: `${side}px minmax(0, 1fr)`,
        gridTemplateRows: `48px minmax(0, 1fr) ${trayHeight}px`,
      }}
    >
      <TopBar
        title={job.name}
        about={aboutOf(job)}
        stage={stage}
        left={left}
        done={{ cut: built && !left.cut, compose: built && !left.compose, proof: built && !left.proof }}
        onStage={go}
        session={session}
        onFind={finder.openFinder}
        onHelp={finder.openSheet}
      />
      <Offered job={job} elsewhere={elsewhere}>
        <Stage
          {...{ stage, job, setJob, work, cutSession, emailSession, built, focus, setActions, go }}
          onValue={(value) => {
            go('handover')
            setFocus(value)
          }}
        />
      </Offered>
      <TrayEdge height={trayHeight} onHeight={setTrayHeight} />
      {finder.finder}
      <Conflict session={emailSession as DocumentSession<unknown>} what="email" />
      <Conflict session={cutSession as DocumentSession<unknown>} what="cut plan" />
    </div>
  )
}

/** What is at hand in every stage: what a frame may load, the client's shelf, the design's colours. */
const Offered = ({
  job,
  elsewhere,
  children,
}: {
  job: BenchJob
  elsewhere: ReturnType<typeof useLoading>
  children: ReactNode
}) => (
  <ElsewhereOf value={elsewhere}>
    <ShelfOf value={job.client}>
      <DesignColorsOf value={job.design?.id ?? null}>{children}</DesignColorsOf>
    </ShelfOf>
  </ElsewhereOf>
)

/** The stage that is open. */
function Stage({
  stage,
  job,
  setJob,
  work,
  cutSession,
  emailSession,
  built,
  focus,
  setActions,
  go,
  onValue,
}: {
  stage: StageId
  job: BenchJob
  setJob: (j: BenchJob) => void
  work: EmailWork
  cutSession: CutSession
  emailSession: EmailSession
  /** Whether there is an email. */
  built: boolean
  /** Which of the email's values is to be written. */
  focus: Value | null
  setActions: (a: Action[]) => void
  go: (stage: StageId) => void
  onValue: (value: Value) => void
}) {
  if (stage === 'cut')
    return (
      <CutStage
        job={job}
        session={cutSession}
        email={built ? work.email : null}
        setActions={setActions}
        onJob={setJob}
        onSaid={(said) => {
          // Before the first build the plan keeps it for the email.
          if (built) emailSession.change('take the copy', (e) => ({ ...e, ...filled(said) }))
        }}
        onBuilt={(r) => {
          emailSession.adopt('build the email', r.email, r.revision)
          cutSession.adopt('build the email', r.plan, r.cutsRevision)
          r.notes.forEach((n) => toast.warning(n, { duration: 9000 }))
          go('compose')
        }}
      />
    )
  if (!built) return <NoEmail onCut={() => go('cut')} />
  if (stage === 'compose')
    return <ComposeStage job={job} work={work} cuts={cutSession} setActions={setActions} />
  if (stage === 'motion') return <MotionStage work={work} setActions={setActions} />
  if (stage === 'night') return <NightStage work={work} setActions={setActions} />
  if (stage === 'interact') return <InteractStage work={work} setActions={setActions} />
  if (stage === 'proof') return <ProofStage work={work} setActions={setActions} onValue={onValue} />
  return <HandoverStage {...{ job, work, focus, setActions }} session={emailSession} />
}

/** Only what says something. */
const filled = (said: Pick<Email, 'subject' | 'preheader'>): Partial<Email> =>
  Object.fromEntries(Object.entries(said).filter(([, v]) => v))

/** Everything the bench can do, by name and by shortcut. */
const useBenchFinder = (
  actions: RefObject<Action[]>,
  session: DocumentSession<unknown>,
  built: boolean,
  go: (stage: StageId) => void,
) =>
  useFinder(() => [
    ...actions.current,
    { id: 'undo', label: 'Undo', group: 'App', keys: 'Ctrl Z', run: session.undo },
    { id: 'redo', label: 'Redo', group: 'App', keys: 'Ctrl Shift Z', run: session.redo },
    { id: 'redo-y', label: 'Redo (as in other programs)', group: 'App', keys: 'Ctrl Y', run: session.redo },
    { id: 'save', label: 'Save now', group: 'App', keys: 'Ctrl S', run: () => void session.flush() },
    ...stages.map((s, i): Action => ({
      id: `stage-${s.id}`,
      label: `Go to ${s.label}`,
      group: 'Stages',
      keys: `Alt ${i + 1}`,
      run: () => go(s.id),
      off: s.id !== 'cut' && !built,
    })),
    {
      id: 'wall',
      label: 'Back to the wall',
      group: 'App',
      run: () => {
        location.href = '/'
      },
    },
  ])

/** Whose a job is, and when it is due. */
function aboutOf({ client, due }: BenchJob): string {
  if (!due) return client.name
  const day = new Date(`${due}T12:00`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  })
  return `${client.name}, due ${day}`
}

/** Whether previews load what stands elsewhere; the press that lets them is remembered with the job. */
function useLoading({ id, remote }: BenchJob, setJob: (set: (j: BenchJob) => BenchJob) => void) {
  return useMemo(
    () => ({
      allowed: remote,
      allow: () =>
        void call('PATCH /api/jobs/:job', { params: { job: id }, body: { remote: true } }).then(
          () => setJob((j) => ({ ...j, remote: true })),
          (error: Error) => toast.error(error.message),
        ),
    }),
    [id, remote, setJob],
  )
}

/** What was written in the email since the last build stands in the cuts too. @param open whether the cuts are shown */
function useHarvest(open: boolean, cutSession: CutSession, emailSession: EmailSession): void {
  useEffect(() => {
    const { revision, doc } = emailSession.store.getState()
    if (open && revision > 0) cutSession.amend((p) => harvest(p, doc))
  }, [open, cutSession, emailSession])
}

/** Hears of what other tabs and scripts save. */
function useNews(job: string, cutSession: CutSession, emailSession: EmailSession): void {
  useEffect(() => {
    const stream = new EventSource(addressOf('GET /api/jobs/:job/events', { params: { job } }))
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      const { kind, revision } = JSON.parse(data) as { kind: 'cuts' | 'email'; revision: number }
      const session = kind === 'cuts' ? cutSession : emailSession
      session.hear(revision)
    }
    return () => stream.close()
  }, [job, cutSession, emailSession])
}

/** Saves both documents when the page is left. */
function useSavedOnLeaving(cutSession: CutSession, emailSession: EmailSession): void {
  useEffect(() => {
    const leave = () => {
      void cutSession.flush()
      void emailSession.flush()
    }
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      cutSession.dispose()
      emailSession.dispose()
    }
  }, [cutSession, emailSession])
}

/** What is left to do in each stage. @param built whether there is an email */
function useLeft(cutSession: CutSession, work: EmailWork, built: boolean): Record<StageId, number> {
  const mend = useMemo(() => toMend(work.findings), [work.findings])
  const plan = useStore(cutSession.store, (s) => s.doc)
  const latest = useRef(work.email)
  latest.current = work.email
  // Counted when the checks have looked, not with each key.
  return useMemo(
    () => ({
      cut: (built ? harvest(plan, latest.current) : plan).cuts.filter(
        (c) => (c.kind === 'words' && !c.words) || (c.kind === 'picture' && c.alt === null),
      ).length,
      compose: built ? mend.filter((f) => f.stage === 'compose').length : 0,
      motion: built ? mend.filter((f) => f.stage === 'motion').length : 0,
      night: built ? mend.filter((f) => f.stage === 'night').length : 0,
      interact: built ? mend.filter((f) => f.stage === 'interact').length : 0,
      proof: built ? mend.length : 0,
      handover: built ? mend.filter((f) => f.stage === 'handover').length : 0,
    }),
    [plan, mend, built],
  )
}

/** What stages say that need an email, before there is one. */
function NoEmail({ onCut }: { onCut: () => void }) {
  return (
    <div className="col-span-2 row-span-2 grid place-items-center bg-ground">
      <div className="max-w-sm bg-paper p-6">
        <h2 className="text-lg">There is no email yet</h2>
        <p className="mt-1 text-soft">
          Cut the design first: decide what stays a picture and what becomes live. Then build the email from
          the cuts.
        </p>
        <Button look="main" className="mt-3" onClick={onCut}>
          Go to Cut
        </Button>
      </div>
    </div>
  )
}

/**
 * Two versions of one document, made in two tabs: the person chooses, and undo reaches the other. Saving waits for the
 * choice, so a closed question leaves a bar that opens it again.
 */
function Conflict({ session, what }: { session: DocumentSession<unknown>; what: string }) {
  const theirs = useStore(session.store, (s) => (s.status.kind === 'conflict' ? s.theirs : null))
  const [later, setLater] = useState(false)
  useEffect(() => {
    if (!theirs) setLater(false)
  }, [theirs])
  if (!theirs) return null
  return (
    <>
      {later && (
        <div
          role="alert"
          className="fixed top-12 left-1/2 z-30 flex -translate-x-1/2 items-center gap-3 border-t-4 border-terra bg-paper px-4 py-2 shadow-lg"
        >
          <span>This {what} was changed elsewhere. Nothing is saved until you choose.</span>
          <Button look="main" onClick={() => setLater(false)}>
            Choose
          </Button>
        </div>
      )}
      <Dialog
        open={!later}
        onClose={() => setLater(true)}
        title={`This ${what} was changed elsewhere`}
        about="Another tab or a script saved a newer version while you were working here. Both are safe: whichever you take now, undo brings back the other."
      >
        {theirs.clashes.length > 0 && (
          <p className="mb-3">
            Changed in both: <b className="font-semibold">{listed(theirs.clashes)}</b>.
          </p>
        )}
        <div className="flex gap-2">
          <Button look="main" onClick={() => session.settle('mine')}>
            Keep what is here
          </Button>
          <Button onClick={() => session.settle('theirs')}>Take the newer one</Button>
        </div>
      </Dialog>
    </>
  )
}

/** A few names, and how many more there are. */
const listed = (names: readonly string[]): string =>
  names.slice(0, 4).join(', ') + (names.length > 4 ? ` and ${names.length - 4} more` : '')
