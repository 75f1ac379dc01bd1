'use client'
import { useMemo } from 'react'
import { useStore, type StoreApi } from 'zustand'
import { DropdownMenu } from 'radix-ui'
import { PHONE, WorkLens } from '../../bench/email-lenses'
import { narrowStretchesOf, stretchesOf, type DesignStretch } from '@/core/cut/stretches'
import type { CutPlan } from '@/core/cut/plan'
import type { Cover, Marks } from '../../bench/lens'
import type { Email } from '@/core/email/schema'
import type { Design } from '../../bench/types'
import type { EmailWork } from '../../bench/email-work'
import { percent } from '../../parts/percent'
import type { Likeness, Likenesses } from '../likeness/use-likeness'
import { OverBar, overStyle, SplitLine, useLooking } from './over'

/** The design laid over the email: seen through, as difference, side by side at a line that is dragged, or by turns. */
export default function CompareLens({
  work,
  plan,
  likeness,
}: {
  work: EmailWork
  plan: CutPlan
  likeness: Likenesses
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
        <OnPhone email={email} design={small} plan={plan} marks={marks} width={width} />
      ) : (
        job.design && <OnWide email={email} design={job.design} plan={plan} marks={marks} />
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
        <OverBar
          looking={looking}
          both={!!job.narrow}
          end={<WorstFirst work={work} likeness={small ? likeness.narrow : likeness.wide} />}
        />
      }
    />
  )
}

/** The design in slices, each where its band stands. */
function OnWide({ email, design, plan, marks }: Laid & { design: Design }) {
  const stretches = useMemo(() => stretchesOf(email, plan, design.height), [email, plan, design.height])
  return <Slices id={design.id} scale={design.scale} {...{ stretches, marks }} />
}

/** The narrow design likewise; as a whole where no build has found its bands yet. */
function OnPhone({
  email,
  design,
  plan,
  marks,
  width,
}: Laid & { design: Pick<Design, 'id' | 'width'>; width: number }) {
  const stretches = useMemo(() => narrowStretchesOf(email, plan), [email, plan])
  if (!stretches.size)
    return <img src={`/api/pictures/${design.id}`} alt="" className="block" style={{ width }} />
  return <Slices id={design.id} scale={design.width / width} {...{ stretches, marks }} />
}

interface Laid {
  email: Email
  plan: CutPlan
  marks: Marks
}

/**
 * A design in slices, each where its band stands in the email, so that one that is too tall moves no other.
 * @param id of its picture @param scale its px for each px of the email
 */
function Slices({
  id: picture,
  scale,
  stretches,
  marks,
}: {
  id: string
  scale: number
  stretches: ReadonlyMap<string, DesignStretch>
  marks: Marks
}) {
  return [...stretches].map(([id, { top, height }]) => {
    const at = marks.get(id)
    if (!at) return null
    return (
      <div
        key={id}
        className="absolute left-0 w-full overflow-hidden"
        style={{ top: at.top, height: height / scale }}
      >
        <img
          src={`/api/pictures/${picture}`}
          alt=""
          className="absolute left-0 block w-full max-w-none"
          style={{ top: -top / scale }}
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
