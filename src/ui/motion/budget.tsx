'use client'
import dynamic from 'next/dynamic'
import { useState, type ReactNode } from 'react'
import type { Point } from '@/core/motion/brought'
import type { Motion } from '@/core/motion/schema'
import type { PictureRef } from '@/core/picture/ref'
import { Button, Choice, cx, Group, kb, NumberField, Row } from '../parts/controls'
import { Measure } from './values/parts'
import { percent } from '../parts/percent'
import { dithers } from './dithers'
import type { Split } from './split'
import { squeezed, type MotionWork } from './use-motion'

const TradeChart = dynamic(() => import('./trade-chart').then((m) => m.TradeChart), { ssr: false })

/** What part of it is shown. */
function TrimRow({ motion, set, length }: { motion: Motion; set: MotionWork['set']; length: number }) {
  return (
    <Row label="Trim">
      <span className="flex items-center gap-1">
        <NumberField
          label="Shown from, ms"
          value={motion.trim?.from ?? 0}
          max={60_000}
          own={!!motion.trim}
          onChange={(from) => set('trim it', { trim: { from, to: motion.trim?.to ?? length } }, 'trim')}
        />
        <NumberField
          label="Shown to, ms"
          value={motion.trim?.to ?? length}
          max={60_000}
          own={!!motion.trim}
          onChange={(to) => set('trim it', { trim: { from: motion.trim?.from ?? 0, to } }, 'trim')}
        />
      </span>
    </Row>
  )
}

/** How it runs: how fast, how often, which way. */
export function TimingGroup({
  motion,
  set,
  length,
}: {
  motion: Motion
  set: MotionWork['set']
  length: number
}) {
  const way = motion.back ? 'back' : motion.reverse ? 'reverse' : 'on'
  return (
    <Group title="Runs">
      {motion.made.kind !== 'strip' && (
        <Measure
          label="Pictures"
          unit="a second"
          value={motion.rate}
          min={1}
          max={50}
          onChange={(rate) => set('set the rate', { rate }, 'rate')}
        />
      )}
      <Measure
        label="Speed"
        unit="%"
        value={motion.speed * 100}
        min={10}
        max={1000}
        onChange={(v) => set('set the speed', { speed: v / 100 }, 'speed')}
      />
      <Row label="Way">
        <Choice
          label="Which way it runs"
          value={way}
          options={[
            { value: 'on', label: 'on' },
            { value: 'reverse', label: 'back' },
            { value: 'back', label: 'both ways', name: 'There and back' },
          ]}
          onChange={(w) =>
            set('choose the way', { reverse: w === 'reverse' || undefined, back: w === 'back' || undefined })
          }
        />
      </Row>
      <Measure
        label="Shown"
        unit={motion.loop ? 'times' : 'for ever'}
        value={motion.loop}
        max={100}
        onChange={(loop) => set('set how often it is shown', { loop }, 'loop')}
      />
      <Measure
        label="Last rests"
        unit="ms"
        value={motion.rest ?? 0}
        max={20_000}
        onChange={(rest) => set('let the last picture rest', { rest: rest || undefined }, 'rest')}
      />
      <TrimRow motion={motion} set={set} length={length} />
    </Group>
  )
}

/** How the file is written. */
export function FileGroup({
  motion,
  set,
  children,
}: {
  motion: Motion
  set: MotionWork['set']
  children?: ReactNode
}) {
  return (
    <Group title="File">
      <Measure
        label="Colours"
        unit=""
        value={motion.colors}
        min={2}
        max={256}
        onChange={(colors) => set('set the colours', { colors }, 'colors')}
      />
      <Row label="Dither">
        <Choice
          label="Dither"
          value={motion.dither}
          options={dithers}
          onChange={(dither) => set('choose the dither', { dither })}
        />
      </Row>
      <Measure
        label="Loss"
        unit="%"
        value={motion.loss}
        max={100}
        onChange={(loss) => set('set the loss', { loss }, 'loss')}
      />
      <Measure
        label="Density"
        unit="%"
        value={motion.density * 100}
        min={25}
        max={300}
        onChange={(v) => set('set the density', { density: v / 100 }, 'density')}
      />
      <Measure
        label="Height"
        unit="px"
        value={motion.height}
        min={1}
        max={2000}
        onChange={(height) => set('set the height', { height }, 'height')}
      />
      {children}
    </Group>
  )
}

function Figures({
  bytes,
  budget,
  made,
  pending,
}: {
  bytes: number
  budget: number
  made: MotionWork['made']
  /** Whether another file is being made, of which nothing is known yet. */
  pending: boolean
}) {
  if (pending)
    return (
      <p className="font-mono text-xs text-soft" role="status">
        <span className="text-base">…</span> of {kb(budget)}
        <br />
        <span className="text-[11px]">being made anew</span>
      </p>
    )
  return (
    <p className="font-mono text-xs" role="status">
      <b className={cx('text-base', bytes > budget ? 'text-terra' : 'text-verdigris')}>{kb(bytes)}</b> of{' '}
      {kb(budget)}
      {made && (
        <>
          <br />
          <span className="text-[11px] text-soft">
            {made.frames} frames, alike {percent(made.mean, 1)}, worst {percent(made.worst, 1)}
          </span>
        </>
      )}
    </p>
  )
}

/** What most of a picture that never moves would weigh as stills, if that is less. */
function SplitOffer({
  split,
  bytes,
  onSplit,
}: {
  split: Split
  /** Of the whole. */
  bytes: number
  onSplit: (split: Split) => void
}) {
  const saves = bytes - split.bytes
  return (
    <p className="text-[11.5px] leading-snug text-soft">
      {Math.round(split.still * 100)} % of it never moves. As stills and a stripe that moves it has{' '}
      {kb(split.bytes)}, {saves > 0 ? `${kb(saves)} less` : `${kb(-saves)} more: it stays whole`}.{' '}
      {saves > 0 && (
        <button type="button" className="underline" onClick={() => onSplit(split)}>
          Split it
        </button>
      )}
    </p>
  )
}

/** What it weighs against what it may, how alike it is, and the search for what fits. */
export function BudgetGroup({
  motion,
  work,
  picture,
  split,
  onSplit,
}: {
  motion: Motion
  work: MotionWork
  picture: PictureRef | null
  split: Split | null
  onSplit: (split: Split) => void
}) {
  const { search, set, fit, drawn } = work
  // Figures of another file than the one that is shown say nothing.
  const made = work.made && work.made.picture === picture?.id ? work.made : null
  const best = search?.best ?? null
  const bytes = picture?.bytes ?? 0
  const over = !work.pending && bytes > motion.budget
  const [before, setBefore] = useState<{ id: string; bytes: number } | null>(null)
  const apply = (base: Motion, p: Point) => {
    if (picture) setBefore({ id: picture.id, bytes: picture.bytes })
    set('make it fit', squeezed(base, p))
  }
  return (
    <>
      <Group title="Budget">
        <Figures bytes={bytes} budget={motion.budget} made={made} pending={work.pending} />
        <Measure
          label="May have"
          unit="KB"
          value={Math.round(motion.budget / 1024)}
          min={1}
          max={20_000}
          onChange={(k) => set('set the budget', { budget: k * 1024 }, 'budget')}
        />
        <Button
          look={over ? 'main' : 'line'}
          disabled={!drawn || work.pending || !!work.busy}
          onClick={() => void fit(motion.budget).then((s) => s?.best && apply(s.base, s.best))}
        >
          Make it fit {kb(motion.budget)}
        </Button>
        {best && best.bytes > motion.budget && (
          <p className="text-[11.5px] text-terra">
            Nothing fits: the lightest that was found has {kb(best.bytes)}. Make it shorter, or the slot
            smaller.
          </p>
        )}
        {split && <SplitOffer split={split} bytes={bytes} onSplit={onSplit} />}
      </Group>
      {(search || before) && (
        <Group title="The trade" className="min-w-[230px]">
          {search && (
            <TradeChart
              points={search.points}
              best={best}
              budget={motion.budget}
              onChoose={(p) => apply(search.base, p)}
            />
          )}
          {before && picture && before.id !== picture.id && (
            <BeforeAndAfter before={before} after={picture} />
          )}
        </Group>
      )}
    </>
  )
}

/** The same picture side by side, as it was and as it is. */
const BeforeAndAfter = ({ before, after }: { before: { id: string; bytes: number }; after: PictureRef }) => (
  <div className="grid grid-cols-2 gap-1 font-mono text-[10.5px]">
    {[
      { ...before, name: 'before' },
      { ...after, name: 'after' },
    ].map((p) => (
      <figure key={p.name}>
        <img src={`/api/pictures/${p.id}`} alt="" className="w-full bg-ground" />
        <figcaption>
          {p.name}, {kb(p.bytes)}
        </figcaption>
      </figure>
    ))}
  </div>
)
