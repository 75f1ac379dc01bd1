'use client'
import { useEffect, useState, type CSSProperties, type PointerEvent, type ReactNode } from 'react'
import type { Marks } from '../../bench/lens'

const ways = ['Over', 'Difference', 'Split', 'Blink'] as const
type Way = (typeof ways)[number]

/** How long each of the two is seen while they take turns, ms: 0.7 a second, well under three (WCAG 2.2, 2.3.1). */
const TURN = 700

/** How what lies over is drawn. */
export const overStyle = ({ way, part, turn }: Looking): CSSProperties =>
  ({
    Over: { opacity: part / 100 },
    Difference: { mixBlendMode: 'difference' as const },
    Split: { clipPath: `inset(0 0 0 ${part}%)` },
    Blink: { visibility: turn ? ('visible' as const) : ('hidden' as const) },
  })[way]

/** The line at which one ends and the other begins, dragged in the lens; by keyboard it is the slider in the bar. */
export function SplitLine({ looking, marks }: { looking: Looking; marks: Marks }) {
  const { way, part, setPart } = looking
  if (way !== 'Split') return null
  const tall = Math.max(0, ...[...marks.values()].map((m) => m.top + m.height))
  const drag = (e: PointerEvent<HTMLElement>) => {
    if (!e.currentTarget.hasPointerCapture(e.pointerId)) return
    const whole = e.currentTarget.parentElement!.getBoundingClientRect()
    setPart(Math.round(Math.max(0, Math.min(100, ((e.clientX - whole.left) / whole.width) * 100))))
  }
  return (
    <div
      aria-hidden
      data-split
      className="absolute top-0 flex w-5 -translate-x-1/2 cursor-col-resize touch-none justify-center"
      style={{ left: `${part}%`, height: tall }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={drag}
    >
      <i className="h-full w-0.5 bg-[#b44b2a]" />
    </div>
  )
}

/** How the two are looked at. */
export function useLooking() {
  const [way, setWay] = useState<Way>('Over')
  const [part, setPart] = useState(50)
  const [narrow, setNarrow] = useState(false)
  const [turn, setTurn] = useBlinking(way === 'Blink')
  return { way, setWay, part, setPart, narrow, setNarrow, turn, setTurn }
}

export type Looking = ReturnType<typeof useLooking>

/** @param both whether there is a narrow one too @param of what lies over the email */
export function OverBar({
  looking,
  both,
  of = 'design',
  end,
}: {
  looking: Looking
  both?: boolean
  of?: string
  end?: ReactNode
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
          aria-label={way === 'Over' ? `How much of the ${of} is seen, %` : `Where the ${of} begins, %`}
          className="w-0 min-w-10 flex-1 accent-[#21508f]"
          onChange={(e) => setPart(Number(e.target.value))}
        />
      )}
      {way === 'Blink' && (
        <button type="button" className="underline decoration-dotted" onClick={() => setTurn((t) => !t)}>
          {turn ? of : 'email'}
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

export function Select<T extends string>(p: {
  label: string
  value: T
  options: readonly (T | { value: T; label: string })[]
  onChange: (v: T) => void
}) {
  return (
    <select
      aria-label={p.label}
      value={p.value}
      className="min-w-0 bg-transparent text-xs text-[#17191a]"
      onChange={(e) => p.onChange(e.target.value as T)}
    >
      {p.options.map((o) => {
        const { value, label } = typeof o === 'string' ? { value: o, label: o } : o
        return (
          <option key={value} value={value}>
            {label}
          </option>
        )
      })}
    </select>
  )
}

/** Whether what lies over has its turn; it takes turns by itself unless less motion is wished. */
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
