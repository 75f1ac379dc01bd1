'use client'
import { toMend } from '@/core/checks'
import { FileArchive, Inbox, Mail, Send } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useMemo, useRef, useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import { compileText } from '@/core/compile/text'
import { namePictures } from '@/core/handover/names'
import { SUBJECT_LENGTH } from '@/core/checks/subject'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { newId } from '@/core/email/defaults'
import { ApiProblem, call, callFile } from '../api'
import { runTask } from '../tasks/run'
import { useStageActions, type Action } from '../bench/actions'
import { WorkLens } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { LensFrame } from '../bench/lens'
import type { BenchJob, EmailSession } from '../bench/types'
import { Button, cx, Group, kb, Progress, TextRow } from '../parts/controls'

type Delivery = AnswerOf<Routes['GET /api/jobs/:job/deliveries']>['deliveries'][number]

const destinations = [
  { id: 'zip', label: 'Files', about: 'A ZIP of index.html, images, text and a manifest', icon: FileArchive },
  { id: 'eml', label: 'Message', about: 'An .eml file that mail programs open', icon: Mail },
  { id: 'test-send', label: 'Test inbox', about: 'A test send by SMTP to the inbox stand-in', icon: Inbox },
  {
    id: 'platform',
    label: 'Sending platform',
    about: 'Pictures and template to the platform stand-in',
    icon: Send,
  },
] as const
type DestinationId = (typeof destinations)[number]['id']

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
  const params = { job: job.id }
  const [chosen, setChosen] = useState<DestinationId>('zip')
  const [to, setTo] = useState('me@studio.example')
  const [token, setToken] = useState('')
  const [deliveries, setDeliveries] = useState<Delivery[]>([])
  const [busy, setBusy] = useState<{ what: string; done: number; total: number; cancel: () => void } | null>(
    null,
  )
  const [problem, setProblem] = useState<{ title: string; detail: string } | null>(null)
  const text = useMemo(() => compileText(email), [email])
  const named = useMemo(() => namePictures(email), [email])
  const pictureBytes = named.reduce((sum, n) => sum + n.picture.bytes, 0)
  const left = toMend(work.findings).length
  const subjectField = useRef<HTMLDivElement>(null)

  const refresh = () =>
    void call('GET /api/jobs/:job/deliveries', { params }).then(
      (d) => setDeliveries(d.deliveries),
      () => {},
    )

  useEffect(refresh, [job.id]) // eslint-disable-line react-hooks/exhaustive-deps
  useEffect(() => {
    if (focus) subjectField.current?.querySelector<HTMLInputElement>(`#hand-${focus}`)?.focus()
  }, [focus])

  async function run() {
    setProblem(null)
    const stop = new AbortController()
    setBusy({ what: 'Handing over', done: 0, total: 1, cancel: () => stop.abort() })
    try {
      await session.flush()
      const { signal } = stop
      if (chosen === 'zip') save(await callFile('POST /api/jobs/:job/zip', { params, signal }))
      else if (chosen === 'eml') save(await callFile('POST /api/jobs/:job/eml', { params, signal }))
      else if (chosen === 'test-send') {
        await call('POST /api/jobs/:job/test-send', { params, body: { to }, signal, key: newId() })
        toast.success(`Sent to ${to}. The inbox shows what arrived.`)
      } else {
        await runTask(
          'POST /api/jobs/:job/push',
          { params, body: { token }, key: newId() },
          { onProgress: (p) => setBusy((b) => b && { ...b, ...p }), signal },
        )
        toast.success('The template arrived at the platform.')
      }
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
  const submit = (e: FormEvent) => {
    e.preventDefault()
    void run()
  }
  useStageActions(setActions, [
    {
      id: 'deliver',
      label: 'Hand over to the chosen destination',
      group: 'Hand over',
      keys: 'Ctrl Enter',
      run: () => void run(),
      off: !!busy,
    },
    ...destinations.map((d, i): Action => ({
      id: d.id,
      label: `Choose: ${d.label}`,
      group: 'Hand over',
      keys: String(i + 1),
      run: () => setChosen(d.id),
    })),
  ])
  const length = [...email.subject].length
  const set = (what: { subject?: string; preheader?: string }, merge: string) =>
    work.apply(`write the ${merge}`, { name: 'setEmail', what }, merge)
  const destination = destinations.find((d) => d.id === chosen)!
  return (
    <>
      <aside
        aria-label="Destinations"
        className="flex min-h-0 flex-col overflow-y-auto border-r border-grout bg-plaster"
      >
        <ul>
          {destinations.map((d) => (
            <li
              key={d.id}
              className={cx(
                'border-b border-l-4 border-b-grout',
                chosen === d.id ? 'border-l-lapis bg-paper' : 'border-l-transparent',
              )}
            >
              <button
                type="button"
                aria-pressed={chosen === d.id}
                onClick={() => {
                  setChosen(d.id)
                  setProblem(null)
                }}
                className="flex w-full gap-2.5 px-3 py-2.5 text-left"
              >
                <d.icon
                  aria-hidden
                  size={17}
                  className={cx('mt-0.5 shrink-0', chosen === d.id ? 'text-lapis' : 'text-soft')}
                />
                <span>
                  <b className="block font-semibold">{d.label}</b>
                  <span className="block text-[11.5px] leading-snug text-soft">{d.about}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        <h2 className="px-3 pt-3 pb-1 text-[13px]">Handed over so far</h2>
        <ol className="min-h-0 flex-1 px-3 pb-3">
          {deliveries.slice(0, 12).map((d) => (
            <li key={d.id} className="border-t border-grout py-1.5 text-[11.5px] leading-snug">
              <span className="flex gap-1.5">
                <i
                  aria-hidden
                  className={cx('mt-[5px] h-[7px] w-[7px] shrink-0', d.ok ? 'bg-verdigris' : 'bg-terra')}
                />
                <span>
                  {destinations.find((x) => x.id === d.destination)?.label}: {d.summary}
                  {!d.ok && ' (failed)'}
                </span>
              </span>
              <time dateTime={d.at} className="pl-[13px] font-mono text-[10.5px] text-soft">
                {new Date(d.at).toLocaleString('en-GB', {
                  day: 'numeric',
                  month: 'short',
                  hour: '2-digit',
                  minute: '2-digit',
                })}
              </time>
            </li>
          ))}
          {!deliveries.length && <li className="text-soft">Nothing yet.</li>}
        </ol>
      </aside>
      <main className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] bg-ground">
        <WorkLens work={work} name="Wide" width={email.width} />
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
      </main>
      <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
        <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
          <span>Hand over</span>
          <span aria-hidden className="text-grout">
            /
          </span>
          <b className="text-ink">{destination.label}</b>
          {left > 0 && <span className="ml-3 text-terra">{left} still to mend in Proof</span>}
          {busy && (
            <span className="ml-auto">
              <Progress {...busy} onCancel={busy.cancel} />
            </span>
          )}
        </div>
        <div className="grid min-h-0 flex-1 grid-cols-[1.25fr_1.1fr_0.8fr] overflow-y-auto">
          <Group title="Inbox line">
            <div ref={subjectField} className="flex flex-col gap-1.5">
              <TextRow
                plain
                id="hand-subject"
                label="Subject"
                value={email.subject}
                placeholder={`At most about ${SUBJECT_LENGTH} characters`}
                onChange={(subject) => set({ subject }, 'subject')}
              />
              <TextRow
                plain
                id="hand-preheader"
                label="Preheader"
                value={email.preheader}
                placeholder="The line that follows the subject"
                onChange={(preheader) => set({ preheader }, 'preheader')}
              />
            </div>
            <div aria-hidden className="mt-1 border border-grout bg-sheet px-2 py-1.5 leading-tight">
              <b className="block truncate text-[12.5px]">{email.subject || 'No subject'}</b>
              <span className="block truncate text-[11.5px] text-soft">
                {email.preheader || 'No preheader: the first words of the email stand here'}
              </span>
            </div>
            <p className={cx('font-mono text-[11px]', length > SUBJECT_LENGTH ? 'text-ochre' : 'text-soft')}>
              {length} of about {SUBJECT_LENGTH} characters
            </p>
          </Group>
          <Group title={destination.label}>
            <form onSubmit={submit} className="flex flex-col gap-2">
              {chosen === 'zip' && (
                <p className="leading-snug text-soft">
                  index.html, text.txt, manifest.json and {named.length} pictures in reading order, from{' '}
                  {named[0]?.name ?? 'none'} on. Fields stand as written.
                </p>
              )}
              {chosen === 'eml' && (
                <p className="leading-snug text-soft">
                  Text and HTML as alternatives, {named.length} pictures inside. Fields show their fallbacks.
                </p>
              )}
              {chosen === 'test-send' && <TextRow label="To" value={to} onChange={setTo} />}
              {chosen === 'platform' && (
                <TextRow
                  label="Token"
                  value={token}
                  placeholder="From the platform's page"
                  onChange={setToken}
                />
              )}
              {problem && (
                <p
                  role="alert"
                  className="border-l-4 border-terra bg-sheet px-2 py-1 text-[12px] leading-snug"
                >
                  <b>{problem.title}.</b> {problem.detail}
                </p>
              )}
              <span className="flex items-center gap-3">
                <Button look="main" type="submit" disabled={!!busy}>
                  {
                    {
                      zip: 'Save the ZIP',
                      eml: 'Save the message',
                      'test-send': 'Send the test',
                      platform: 'Push the template',
                    }[chosen]
                  }
                </Button>
                {chosen === 'test-send' && (
                  <Link className="text-lapis underline" href="/standins/inbox" target="_blank">
                    Open the inbox
                  </Link>
                )}
                {chosen === 'platform' && (
                  <Link className="text-lapis underline" href="/standins/platform" target="_blank">
                    Open the platform
                  </Link>
                )}
              </span>
            </form>
          </Group>
          <Group title="Weight">
            <dl className="grid grid-cols-[70px_1fr] gap-y-1 font-mono text-[11.5px]">
              <dt className="font-sans text-soft">HTML</dt>
              <dd>{kb(work.bytes)}</dd>
              <dt className="font-sans text-soft">Pictures</dt>
              <dd>
                {named.length}, {kb(pictureBytes)}
              </dd>
              <dt className="font-sans text-soft">Text</dt>
              <dd>{kb(new TextEncoder().encode(text).length)}</dd>
              <dt className="font-sans text-soft">To mend</dt>
              <dd className={left ? 'text-terra' : 'text-verdigris'}>{left || 'nothing'}</dd>
            </dl>
          </Group>
        </div>
      </section>
    </>
  )
}

/** Saves a file that a route gave. */
function save({ blob, name }: { blob: Blob; name: string }): void {
  const address = URL.createObjectURL(blob)
  const a = Object.assign(document.createElement('a'), { href: address, download: name })
  a.click()
  setTimeout(() => URL.revokeObjectURL(address), 30_000)
}
