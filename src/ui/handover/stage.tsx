'use client'
import { useEffect, useMemo, useState } from 'react'
import { toast } from '../parts/toast'
import { toMend } from '@/core/checks/to-mend'
import { compileText } from '@/core/compile/text'
import { namePictures } from '@/core/handover/names'
import { ApiProblem, call } from '../api'
import { useStageActions, type Action } from '../bench/actions'
import { WorkLens } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { LensFrame } from '../bench/lens'
import type { BenchJob, EmailSession } from '../bench/types'
import { Progress } from '../parts/controls'
import { destinations, type Given } from './destinations'
import { GoForm, InboxLine, WeightGroup } from './groups'
import { Sidebar, type Delivery } from './sidebar'

type Destination = (typeof destinations)[number]

/** Subject and preheader, and where the finished email goes. */
export function HandoverStage({
  job,
  work,
  session,
  focus,
  setActions,
}: {
  job: BenchJob
  work: EmailWork
  session: EmailSession
  focus: 'subject' | 'preheader' | null
  setActions: (a: Action[]) => void
}) {
  const { email } = work
  const [chosen, setChosen] = useState<Destination['id']>('zip')
  const destination = destinations.find((d) => d.id === chosen)!
  const [given, setGiven] = useState<Given>({ to: 'me@studio.example', token: '' })
  const { run, busy, problem, setProblem, deliveries } = useHandover(job, session)
  const text = useMemo(() => compileText(email), [email])
  const pictures = useMemo(() => namePictures(email), [email])
  const left = toMend(work.findings).length
  const go = () => void run(destination, given)
  useStageActions(setActions, actionsOf(go, !!busy, setChosen))
  return (
    <>
      <Sidebar
        chosen={chosen}
        onChoose={(id) => {
          setChosen(id)
          setProblem(null)
        }}
        deliveries={deliveries}
      />
      <main className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] bg-ground">
        <WorkLens work={work} name="Wide" width={email.width} speaks />
        <PlainText text={text} />
      </main>
      <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
        <TrayHead label={destination.label} left={left} busy={busy} />
        <div className="grid min-h-0 flex-1 grid-cols-[1.25fr_1.1fr_0.8fr] overflow-y-auto more-below">
          <InboxLine work={work} focus={focus} />
          <GoForm
            destination={destination}
            given={given}
            onGive={(patch) => setGiven((g) => ({ ...g, ...patch }))}
            pictures={pictures}
            behind={!!work.email.behind || work.email.bands.some((b) => b.picture)}
            problem={problem}
            busy={!!busy}
            onGo={go}
          />
          <WeightGroup work={work} text={text} pictures={pictures} left={left} />
        </div>
      </section>
    </>
  )
}

const actionsOf = (go: () => void, busy: boolean, choose: (id: Destination['id']) => void): Action[] => [
  {
    id: 'deliver',
    label: 'Hand over to the chosen destination',
    group: 'Hand over',
    keys: 'Ctrl Enter',
    run: go,
    off: busy,
  },
  ...destinations.map((d, i): Action => ({
    id: d.id,
    label: `Choose: ${d.label}`,
    group: 'Hand over',
    keys: String(i + 1),
    run: () => choose(d.id),
  })),
]

/** The text part, as it will be sent. */
const PlainText = ({ text }: { text: string }) => (
  <LensFrame name="Plain text" detail={`${text.split('\n').length} lines`}>
    <pre
      className="m-2.5 min-h-0 flex-1 overflow-auto bg-[#fffdf8] p-3 font-mono text-[10.5px] leading-[1.5] whitespace-pre text-[#20272b]"
      tabIndex={0}
      role="region"
      aria-label="Plain text part"
    >
      {text}
    </pre>
  </LensFrame>
)

/** Where it goes, what is still to mend, and how far it is. */
const TrayHead = ({ label, left, busy }: { label: string; left: number; busy: Busy | null }) => (
  <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
    <span>Hand over</span>
    <span aria-hidden className="text-grout">
      /
    </span>
    <b className="text-ink">{label}</b>
    {left > 0 && <span className="ml-3 text-terra">{left} still to mend in Proof</span>}
    {busy && (
      <span className="ml-auto">
        <Progress {...busy} onCancel={busy.cancel} />
      </span>
    )}
  </div>
)

type Busy = { what: string; done: number; total: number; cancel: () => void }

/** Handing over, with its progress, what went wrong and what went before. */
function useHandover(job: BenchJob, session: EmailSession) {
  const [deliveries, setDeliveries] = useState<Delivery[]>([])
  const [busy, setBusy] = useState<Busy | null>(null)
  const [problem, setProblem] = useState<{ title: string; detail: string } | null>(null)
  const refresh = () =>
    void call('GET /api/jobs/:job/deliveries', { params: { job: job.id } }).then(
      (d) => setDeliveries(d.deliveries),
      () => {},
    )
  useEffect(refresh, [job.id])

  async function run(destination: Destination, given: Given) {
    setProblem(null)
    const stop = new AbortController()
    setBusy({ what: 'Handing over', done: 0, total: 1, cancel: () => stop.abort() })
    try {
      await session.flush()
      await destination.go({
        job: job.id,
        given,
        signal: stop.signal,
        onProgress: (p) => setBusy((b) => b && { ...b, ...p }),
      })
    } catch (e) {
      if ((e as Error).name === 'AbortError') toast('Cancelled.')
      else
        setProblem(
          e instanceof ApiProblem
            ? e
            : { title: 'It could not be handed over', detail: (e as Error).message },
        )
    } finally {
      setBusy(null)
      refresh()
    }
  }
  return { run, busy, problem, setProblem, deliveries }
}
