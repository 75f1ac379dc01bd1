'use client'
import dynamic from 'next/dynamic'
import { useCallback, useEffect, useState, type ReactNode } from 'react'
import { toast } from '../parts/toast'
import { standinPath } from '@/core/interact/addresses'
import type { Tile } from '@/core/email/tile'
import { addressOf, call } from '../api'
import { Button, Choice, Group, Row, TextRow } from '../parts/controls'
import type { Mode } from '../standins/page'
import type { Asking } from './amp-lens'

const AnswersChart = dynamic(() => import('./answers-chart').then((m) => m.AnswersChart), { ssr: false })

type Answers = Awaited<ReturnType<typeof call<'GET /api/answers/:form'>>>

/** The form at the stand-in that a tile sends to; null where it sends elsewhere. */
export function formOf(tile: Tile): string | null {
  if (tile.kind !== 'rating' && tile.kind !== 'form') return null
  const path = standinPath(tile.target.action)
  return path ? decodeURIComponent(path.slice(1).split('?')[0]!) : null
}

/** The answers of a form, looked at anew when one was sent. */
export function useAnswers(form: string | null, sent: number) {
  const [answers, setAnswers] = useState<Answers | null>(null)
  const look = useCallback(() => {
    if (form)
      void call('GET /api/answers/:form', { params: { form } }).then(setAnswers, (e: Error) =>
        toast.error(e.message),
      )
    else setAnswers(null)
  }, [form])
  useEffect(look, [look, sent])
  return { answers, look }
}

const modes: readonly { value: Mode; label: string; name?: string }[] = [
  { value: 'ok', label: 'works' },
  { value: 'refuse', label: 'refuses' },
  { value: 'headers', label: 'no headers' },
  { value: 'other', label: 'other sender' },
  { value: 'redirect', label: 'redirects' },
  { value: 'mangle', label: 'garbles' },
  { value: 'slow', label: 'slow' },
]

/** How the stand-in behaves, and how the message asks. */
export function AskingGroup({ asking, onAsking }: { asking: Asking; onAsking: (a: Asking) => void }) {
  const [mode, setMode] = useState<Mode>('ok')
  useEffect(() => {
    void call('GET /api/standins/:standin/mode', { params: { standin: 'answers' } }).then(
      (m) => setMode(m.mode),
      () => undefined,
    )
  }, [])
  const set = (value: Mode) => {
    setMode(value)
    void call('PUT /api/standins/:standin/mode', {
      params: { standin: 'answers' },
      body: { mode: value },
    }).catch((e: Error) => toast.error(e.message))
  }
  return (
    <Group title="How it asks">
      <TextRow label="Sender" value={asking.sender} onChange={(sender) => onAsking({ ...asking, sender })} />
      <Row label="Rules">
        <Choice
          label="Version of the rules"
          value={String(asking.version) as '1' | '2'}
          options={[
            { value: '2', label: 'version 2', name: 'AMP-Email-Sender' },
            { value: '1', label: 'version 1', name: 'Origin and __amp_source_origin' },
          ]}
          onChange={(v) => onAsking({ ...asking, version: v === '1' ? 1 : 2 })}
        />
      </Row>
      <Row label="Stand-in" top>
        <select
          aria-label="How the answers stand-in behaves"
          value={mode}
          className="border border-grout bg-sheet px-1.5 py-[3px] text-xs"
          onChange={(e) => set(e.target.value as Mode)}
        >
          {modes.map((m) => (
            <option key={m.value} value={m.value}>
              {m.label}
            </option>
          ))}
        </select>
      </Row>
    </Group>
  )
}

/** What may be longer than its group: scrolled by keys too. */
const Scrolled = ({ label, children }: { label: string; children: ReactNode }) => (
  <div role="region" aria-label={label} tabIndex={0} className="min-h-0 flex-1 overflow-y-auto text-[11.5px]">
    {children}
  </div>
)

/** What the lens said last: what was sent, why it was refused, what cannot be shown. */
export function SaidGroup({ said }: { said: readonly string[] }) {
  return (
    <Group title="What happened">
      {said.length ? (
        <Scrolled label="What happened, line by line">
          <ol aria-live="polite" className="flex flex-col gap-1">
            {said.map((s, i) => (
              <li key={said.length - i} className="break-words">
                {s}
              </li>
            ))}
          </ol>
        </Scrolled>
      ) : (
        <p className="text-[11.5px] text-soft">
          Press, choose and send in the AMP lens. What a reader would say to it stands here.
        </p>
      )}
    </Group>
  )
}

/** The answers themselves: how many, how often each value, the latest, as files. */
export function AnswersGroup({
  form,
  answers,
  onChanged,
}: {
  form: string | null
  answers: Answers | null
  onChanged: () => void
}) {
  if (!form)
    return (
      <Group title="Answers">
        <p className="text-[11.5px] text-soft">
          Select a rating, form or poll that sends to the answers stand-in, and its answers stand here.
        </p>
      </Group>
    )
  const file = (as: 'csv' | 'json') =>
    addressOf('GET /api/answers/:form/export', { params: { form }, query: { as } })
  return (
    <>
      <Group title={`Answers, ${answers?.total ?? 0} in all`}>
        {answers?.counted.map((q) => (
          <AnswersChart key={q.name} counted={q} />
        ))}
        <p className="flex flex-wrap gap-2 text-[11.5px]">
          <a className="underline underline-offset-2" href={file('csv')}>
            CSV
          </a>
          <a className="underline underline-offset-2" href={file('json')}>
            JSON
          </a>
          <Button look="plain" onClick={onChanged}>
            Look again
          </Button>
          <Button
            look="danger"
            disabled={!answers?.total}
            onClick={() =>
              void call('DELETE /api/answers/:form', { params: { form } }).then(onChanged, (e: Error) =>
                toast.error(e.message),
              )
            }
          >
            Take all away
          </Button>
        </p>
      </Group>
      <Group title="The latest">
        <Scrolled label="The latest answers">
          <ul className="flex flex-col gap-1">
            {answers?.answers.slice(0, 20).map((a) => (
              <li key={a.id} className="border-b border-grout pb-1">
                <span className="font-mono text-[10.5px] text-soft">
                  {new Date(a.at).toLocaleString('en-GB')} {a.sender || 'from the page'}
                </span>
                <br />
                {a.fields.map(([name, value]) => `${name}: ${value}`).join(', ')}
              </li>
            ))}
            {!answers?.total && <li className="text-soft">None yet.</li>}
          </ul>
        </Scrolled>
      </Group>
    </>
  )
}
