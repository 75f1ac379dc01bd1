'use client'
import { useDeferredValue, useMemo, useState } from 'react'
import { ampWay, compileAmp, type AmpPart } from '@/core/interact/amp'
import { pictureAddress } from '@/core/interact/addresses'
import { mended, type Mend } from '@/core/interact/mends'
import { stillOf } from '@/core/interact/still'
import type { Email } from '@/core/email/schema'
import type { Tile } from '@/core/email/tile'
import { useStageActions, type Action } from '../bench/actions'
import { PHONE } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { LensToggles } from '../bench/lens-toggles'
import { Button, Choice } from '../parts/controls'
import { AmpLens, type Asking } from './amp-lens'
import { AnswersGroup, AskingGroup, formOf, SaidGroup, useAnswers } from './answers'
import { AmpByHand } from './by-hand'
import { Messages } from './messages'
import { Senders } from './senders'
import { interactiveIn, Support } from './support'
import { TryFrame } from './try-frame'
import { useAmp, useChecked, type Checked } from './use-amp'

const lenses = ['AMP', 'CSS only', 'Static'] as const
type LensName = (typeof lenses)[number]

/** What answers inside the message, as each kind of reader shows it, and the answers that came. */
export function InteractStage({ work, setActions }: { work: EmailWork; setActions: (a: Action[]) => void }) {
  const [shown, setShown] = useState<readonly LensName[]>(lenses)
  const [narrow, setNarrow] = useState(false)
  const [asking, setAsking] = useState<Asking>({ sender: 'hello@mosaicus.example', version: 2 })
  const [said, setSaid] = useState<readonly string[]>([])
  const [sent, setSent] = useState(0)
  const [line, setLine] = useState<{ line: number } | null>(null)
  const email = useDeferredValue(work.email)
  const way = ampWay(email)
  const { part, problem } = useAmp(email, work.job.client.house, work.shown)
  const checked = useChecked(part?.html ?? null)
  const form = answeredForm(work.selection.tile, email)
  const { answers, look } = useAnswers(form, sent)
  const toggle = (name: LensName) =>
    setShown((now) => {
      const next = lenses.filter((l) => (l === name ? !now.includes(l) : now.includes(l)))
      return next.length ? next : now
    })
  useStageActions(setActions, [...work.actions, ...lensActions(toggle, () => setNarrow((n) => !n))])
  const width = narrow ? PHONE : email.width
  return (
    <>
      <aside className="min-h-0 overflow-y-auto border-r border-grout bg-paper">
        <AmpMessages {...{ work, way, part, checked, problem }} onLine={(at) => setLine({ line: at })} />
        {part && way !== 'none' && (
          <Senders part={part} checked={checked} sender={asking.sender} html={email.way !== 'plain'} />
        )}
        <Support work={work} amp={way !== 'none'} />
      </aside>
      <main className="relative grid min-h-0 min-w-0 grid-rows-[30px_minmax(0,1fr)] bg-ground">
        <Choices {...{ shown, toggle, narrow, setNarrow, work, way }} />
        <div
          className="grid min-h-0 min-w-0"
          style={{
            gridTemplateColumns: `${way === 'hand' ? 'minmax(0, 1.8fr) ' : ''}repeat(${shown.length}, minmax(0, 1fr))`,
          }}
        >
          {way === 'hand' && <AmpByHand work={work} checked={checked} line={line} />}
          {shown.map((name) =>
            name === 'AMP' ? (
              <AmpLens
                key={name}
                name={name}
                html={way === 'none' ? '' : (part?.html ?? '')}
                width={width}
                asking={asking}
                onSaid={(s) => setSaid((all) => [s, ...all].slice(0, 30))}
                onAnswered={() => setSent((n) => n + 1)}
                tied={work}
              />
            ) : (
              <HtmlLens key={name} name={name} work={work} width={width} />
            ),
          )}
        </div>
      </main>
      <section
        aria-label="Tray"
        className="col-span-2 grid min-h-0 grid-cols-[310px_minmax(0,1fr)_300px_280px] overflow-hidden border-t-2 border-ink bg-paper"
      >
        <AskingGroup asking={asking} onAsking={setAsking} />
        <SaidGroup said={said} />
        <AnswersGroup form={form} answers={answers} onChanged={look} />
      </section>
    </>
  )
}

/** The form whose answers are shown: that of the selected tile, else the first there is. */
const answeredForm = (tile: Tile | null, email: Email): string | null =>
  [...(tile ? [tile] : []), ...interactiveIn(email)].map(formOf).find((f) => f !== null) ?? null

const lensActions = (toggle: (l: LensName) => void, turn: () => void): Action[] => [
  ...lenses.map((l): Action => ({
    id: `lens-${l}`,
    label: `Show or hide: ${l}`,
    group: 'Interact',
    run: () => toggle(l),
  })),
  { id: 'narrow', label: 'Wide or narrow', group: 'Interact', run: turn },
]

/** What the validator says; what is written by hand can be mended in a press. */
function AmpMessages({
  work,
  way,
  part,
  checked,
  problem,
  onLine,
}: {
  work: EmailWork
  way: 'none' | 'made' | 'hand'
  part: AmpPart | null
  checked: Checked | null
  problem: string | null
  onLine: (line: number) => void
}) {
  const mend = (kind: Mend, of?: string) =>
    work.apply('mend the AMP part', {
      name: 'setEmail',
      what: { amp: { way: 'hand', html: mended(work.email.amp!.html, kind, of) } },
    })
  return (
    <Messages
      part={way === 'none' ? null : part}
      checked={checked}
      problem={way === 'none' ? 'No AMP part leaves' : problem}
      {...(way === 'hand' && { onMend: mend, onLine })}
    />
  )
}

/** The HTML part: with what answers by CSS alone, or as a reader shows it that keeps none of it. */
function HtmlLens({ name, work, width }: { name: LensName; work: EmailWork; width: number }) {
  const { parts } = work
  const html = useMemo(() => {
    const whole = parts.before + parts.bands.map((b) => b.html).join('') + parts.after
    return name === 'Static' ? stillOf(whole) : whole
  }, [parts, name])
  return <TryFrame name={name} html={html} width={width} detail={`${width} px`} tied={work} />
}

const ways = [
  { value: 'none' as const, label: 'no AMP part' },
  { value: 'made' as const, label: 'from the tiles' },
  { value: 'hand' as const, label: 'by hand' },
]

/** Which lenses stand beside each other, how wide, and how the AMP part comes about. */
function Choices({
  shown,
  toggle,
  narrow,
  setNarrow,
  work,
  way,
}: {
  shown: readonly LensName[]
  toggle: (l: LensName) => void
  narrow: boolean
  setNarrow: (n: boolean) => void
  work: EmailWork
  way: 'none' | 'made' | 'hand'
}) {
  const choose = (next: typeof way) => {
    const known = work.email.amp?.html ?? ''
    // By hand it begins with what the tiles made.
    const html =
      next === 'hand' && !known
        ? compileAmp(work.email, work.job.client.house, {
            src: ({ id }) => pictureAddress(id),
            // Fields stay fields, in links too.
            fields: ({ name, fallback }) => `[[${name}${fallback ? ` | ${fallback}` : ''}]]`,
          }).html
        : known
    work.apply('choose the AMP part', { name: 'setEmail', what: { amp: { way: next, html } } })
  }
  return (
    <div
      className="flex items-center gap-1 border-b border-grout bg-paper px-2.5 text-xs"
      role="group"
      aria-label="Lenses"
    >
      <LensToggles lenses={lenses.map((id) => ({ id, label: id }))} shown={shown} onToggle={toggle} />
      <Button look="plain" className="ml-2" aria-pressed={narrow} onClick={() => setNarrow(!narrow)}>
        {narrow ? 'narrow' : 'wide'}
      </Button>
      <span className="ml-auto w-[330px]">
        <Choice label="AMP part" value={way} options={ways} onChange={choose} />
      </span>
    </div>
  )
}
