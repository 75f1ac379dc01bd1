'use client'
import { useEffect, useMemo, useState, type CSSProperties, type ReactNode } from 'react'
import { useStore, type StoreApi } from 'zustand'
import { DropdownMenu } from 'radix-ui'
import { PHONE, WorkLens } from '../../bench/email-lenses'
import { stretchesOf } from '@/core/cut/stretches'
import type { CutPlan } from '@/core/cut/plan'
import type { Cover, Marks } from '../../bench/lens'
import type { Email } from '@/core/email/schema'
import type { Design } from '../../bench/types'
import type { EmailWork } from '../../bench/email-work'
import { percent } from '../likeness/percent'
import type { Likeness } from '../likeness/use-likeness'

const ways = ['Over', 'Difference', 'Split', 'Blink'] as const
type Way = (typeof ways)[number]

/** How long each of the two is seen while they take turns, ms: 0.7 a second, well under three (WCAG 2.2, 2.3.1). */
const TURN = 700

/** The design laid over the email: seen through, as difference, side by side at a line that is dragged, or by turns. */
export default function CompareLens({
  work,
  plan,
  likeness,
}: {
  work: EmailWork
  plan: CutPlan
  likeness: StoreApi<Likeness>
}) {
  const { email, job } = work
  const looking = useLooking()
  const { way, part, narrow, turn } = looking
  const small = narrow && job.narrow
  const width = small ? PHONE : email.width
  const style: Record<Way, CSSProperties> = {
    Over: { opacity: part / 100 },
    Difference: { mixBlendMode: 'difference' },
    Split: { clipPath: `inset(0 0 0 ${part}%)` },
    Blink: { visibility: turn ? 'visible' : 'hidden' },
  }
  const cover: Cover = {
    style: style[way],
    node: (marks) => (
      <>
        {small ? (
          <img src={`/api/pictures/${small.id}`} alt="" className="block" style={{ width }} />
        ) : (
          job.design && <Slices email={email} design={job.design} plan={plan} marks={marks} />
        )}
        {way === 'Split' && (
          <i className="absolute top-0 bottom-0 w-px bg-[#b44b2a]" style={{ left: `${part}%` }} />
        )}
      </>
    ),
  }
  return (
    <WorkLens
      work={work}
      name="Compare"
      width={width}
      cover={cover}
      bar={<Bar looking={looking} both={!!job.narrow} end={<WorstFirst work={work} likeness={likeness} />} />}
    />
  )
}

/** How the two are looked at. */
function useLooking() {
  const [way, setWay] = useState<Way>('Over')
  const [part, setPart] = useState(50)
  const [narrow, setNarrow] = useState(false)
  const [turn, setTurn] = useBlinking(way === 'Blink')
  return { way, setWay, part, setPart, narrow, setNarrow, turn, setTurn }
}

/** @param both whether there is a narrow design too */
function Bar({
  looking,
  both,
  end,
}: {
  looking: ReturnType<typeof useLooking>
  both: boolean
  end: ReactNode
}) {
  const { way, setWay, part, setPart, narrow, setNarrow, turn, setTurn } = looking
  return (
    <div className="flex h-[26px] shrink-0 items-center gap-2 bg-groundhead px-2.5 text-xs text-[#17191a]">
      <Select label="Way of comparing" value={way} options={ways} onChange={setWay} />
      {(way === 'Over' || way === 'Split') && (
        <input
          type="range"
          min={0}
          max={100}
          value={part}
          aria-label={way === 'Over' ? 'How much of the design is seen, %' : 'Where the design begins, %'}
          className="w-0 min-w-10 flex-1 accent-[#21508f]"
          onChange={(e) => setPart(Number(e.target.value))}
        />
      )}
      {way === 'Blink' && (
        <button type="button" className="underline decoration-dotted" onClick={() => setTurn((t) => !t)}>
          {turn ? 'Design' : 'Email'}
        </button>
      )}
      {both && (
        <Select
          label="Compared with"
          value={narrow ? 'narrow' : 'wide'}
          options={['wide', 'narrow']}
          onChange={(v) => setNarrow(v === 'narrow')}
        />
      )}
      <span className="ml-auto whitespace-nowrap">{end}</span>
    </div>
  )
}

/** The design in slices, each where its band stands in the email, so that one that is too tall moves no other. */
function Slices({
  email,
  design,
  plan,
  marks,
}: {
  email: Email
  design: Design
  plan: CutPlan
  marks: Marks
}) {
  const stretches = useMemo(() => stretchesOf(email, plan, design.height), [email, plan, design.height])
  return [...stretches].map(([id, { top, height }]) => {
    const at = marks.get(id)
    if (!at) return null
    return (
      <div
        key={id}
        className="absolute left-0 w-full overflow-hidden"
        style={{ top: at.top, height: height / design.scale }}
      >
        <img
          src={`/api/pictures/${design.id}`}
          alt=""
          className="absolute left-0 block w-full max-w-none"
          style={{ top: -top / design.scale }}
        />
      </div>
    )
  })
}

function Select<T extends string>(p: {
  label: string
  value: T
  options: readonly T[]
  onChange: (v: T) => void
}) {
  return (
    <select
      aria-label={p.label}
      value={p.value}
      className="bg-transparent text-xs text-[#17191a]"
      onChange={(e) => p.onChange(e.target.value as T)}
    >
      {p.options.map((o) => (
        <option key={o}>{o}</option>
      ))}
    </select>
  )
}

/** Whether the design has its turn; it takes turns by itself unless less motion is wished. */
function useBlinking(on: boolean) {
  const state = useState(false)
  const [, setTurn] = state
  useEffect(() => {
    if (!on || matchMedia('(prefers-reduced-motion: reduce)').matches) return
    const timer = setInterval(() => setTurn((t) => !t), TURN)
    return () => clearInterval(timer)
  }, [on, setTurn])
  return state
}

/** The bands by their likeness to the design, the worst first. */
function WorstFirst({ work, likeness }: { work: EmailWork; likeness: StoreApi<Likeness> }) {
  const known = useStore(likeness)
  const sorted = work.email.bands
    .flatMap((b) => (known.has(b.id) ? [{ ...b, likeness: known.get(b.id)! }] : []))
    .sort((a, b) => a.likeness - b.likeness)
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="underline decoration-dotted" disabled={!sorted.length}>
        {sorted.length ? 'Worst first' : 'Comparing…'}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 max-h-[60vh] min-w-56 overflow-auto border border-grout bg-paper py-1"
        >
          {sorted.map((b) => (
            <DropdownMenu.Item
              key={b.id}
              className="flex justify-between gap-4 px-3 py-1 text-[12.5px] outline-none data-[highlighted]:bg-wash"
              onSelect={() => work.select(b.id)}
            >
              {b.name}
              <span className="font-mono text-xs">{percent(b.likeness)}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
