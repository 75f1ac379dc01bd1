'use client'
import { useMemo } from 'react'
import { useStore, type StoreApi } from 'zustand'
import { DropdownMenu } from 'radix-ui'
import { PHONE, WorkLens } from '../../bench/email-lenses'
import { stretchesOf } from '@/core/cut/stretches'
import type { CutPlan } from '@/core/cut/plan'
import type { Cover, Marks } from '../../bench/lens'
import type { Email } from '@/core/email/schema'
import type { Design } from '../../bench/types'
import type { EmailWork } from '../../bench/email-work'
import { percent } from '../../parts/percent'
import type { Likeness } from '../likeness/use-likeness'
import { OverBar, overStyle, SplitLine, useLooking } from './over'

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
  const { narrow } = looking
  const small = narrow && job.narrow
  const width = small ? PHONE : email.width
  const cover: Cover = {
    style: overStyle(looking),
    node: (marks) =>
      small ? (
        <img src={`/api/pictures/${small.id}`} alt="" className="block" style={{ width }} />
      ) : (
        job.design && <Slices email={email} design={job.design} plan={plan} marks={marks} />
      ),
  }
  return (
    <WorkLens
      work={work}
      name="Compare"
      width={width}
      cover={cover}
      overlay={(marks) => <SplitLine looking={looking} marks={marks} />}
      bar={
        <OverBar looking={looking} both={!!job.narrow} end={<WorstFirst work={work} likeness={likeness} />} />
      }
    />
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
