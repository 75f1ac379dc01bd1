'use client'
import { type Cut } from '@/core/cut/plan'
import { Button, cx, Group, kb } from '../../parts/controls'
import { type CutWork } from '../work/use-cut-work'

/** The design and its plan, while no cut is selected. */
export function Overview({ work: w, onFiles }: { work: CutWork; onFiles: () => void }) {
  const { plan, job } = w
  const count = (k: Cut['kind']) => plan.cuts.filter((c) => c.kind === k).length
  return (
    <div className="grid min-h-0 flex-1 grid-cols-4 overflow-y-auto more-below">
      <Group title="How cutting goes">
        <p className="leading-snug text-soft">
          Find the parts, or draw a cut on the design, also within another: what lies there gives way. Press a
          cut to choose it, then drag it or an edge, with Alt one side alone. Shift and drag chooses all that
          a frame meets. What was left out is hatched; flat ground becomes space.
        </p>
      </Group>
      <Group title="The design">
        <dl className="grid grid-cols-[66px_1fr] gap-y-1 text-[11.5px]">
          <dt className="text-soft">File</dt>
          <dd className="truncate" title={job.design.name}>
            {job.design.name}
          </dd>
          <dt className="text-soft">Pixels</dt>
          <dd className="font-mono">
            {job.design.width} x {job.design.height}
          </dd>
          <dt className="text-soft">Density</dt>
          <dd className="font-mono">
            {Number(job.design.scale.toFixed(3))}x for {job.width} px
          </dd>
          <dt className="text-soft">Narrow</dt>
          <dd className="truncate">{job.narrow?.name ?? 'none'}</dd>
        </dl>
        <Button className="self-start py-0!" onClick={onFiles}>
          Replace, pair, or hand out…
        </Button>
      </Group>
      <Group title="The plan">
        <dl className="grid grid-cols-[90px_1fr] gap-y-1 font-mono text-[11.5px]">
          <dt className="font-sans text-soft">Pictures</dt>
          <dd className={cx(w.total > w.budget.all && 'text-terra')}>
            {count('picture')}, {kb(w.total)}
          </dd>
          <dt className="font-sans text-soft">Live</dt>
          <dd>
            {count('words')} words, {many(count('button'), 'button')}, {many(count('rule'), 'rule')}
          </dd>
          <dt className="font-sans text-soft">Flat, nothing</dt>
          <dd>
            {count('flat')}, {count('nothing')}
          </dd>
          <dt className="font-sans text-soft">Bands</dt>
          <dd>{plan.edges.length ? plan.edges.length + 1 : 'one for each row'}</dd>
          <dt className="font-sans text-soft">Left out</dt>
          <dd>{w.left.length ? many(w.left.length, 'area') : 'nothing'}</dd>
        </dl>
      </Group>
      <Notes w={w} />
    </div>
  )
}

/** A number of things, by the name of one. */
const many = (n: number, thing: string): string => `${n} ${thing}${n === 1 ? '' : 's'}`

/** What to look at before building. */
function Notes({ w }: { w: CutWork }) {
  const small = w.pictures.filter((c) => w.smallIn(c).length)
  const flagged = w.plan.cuts.filter((c) => c.since)
  const waiting = w.proposals.size
  return (
    <Group title="Notes">
      {w.trouble && <p className="text-terra">{w.trouble}</p>}
      {waiting > 0 && (
        <p className="text-terra">
          {many(waiting, 'reading')} not taken yet. Building takes only words that were taken or written.
        </p>
      )}
      {flagged.length > 0 && (
        <p className="text-terra">
          {many(flagged.length, 'cut')} moved or changed with the new design.{' '}
          <Button className="py-0!" onClick={() => w.select(flagged[0]!.id)}>
            Show the first
          </Button>
        </p>
      )}
      {small.length > 0 && (
        <p className="text-terra">
          {many(small.length, 'picture')} with words too small for a phone.{' '}
          <Button className="py-0!" onClick={() => w.select(small[0]!.id)}>
            Show the first
          </Button>
        </p>
      )}
      {w.result?.notes.map((n) => (
        <p key={n} className="text-terra">
          {n}
        </p>
      ))}
      {!w.trouble && !waiting && !flagged.length && !small.length && !w.result?.notes.length && (
        <p className="text-soft">Nothing stands in the way of building.</p>
      )}
    </Group>
  )
}
