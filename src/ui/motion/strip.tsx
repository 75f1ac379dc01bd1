'use client'
import {
  ChevronLeft,
  ChevronRight,
  Copy,
  Flag,
  FlipHorizontal2,
  Layers2,
  Pause,
  Play,
  Trash2,
} from 'lucide-react'
import { useEffect, useRef, useState, type DragEvent, type PointerEvent } from 'react'
import { useStore } from 'zustand'
import type { Motion } from '@/core/motion/schema'
import { lengthOf } from '@/core/motion/sequence'
import {
  duplicateFrames,
  frameOf,
  moveFrames,
  removeFrames,
  reverseFrames,
  setDelays,
} from '@/core/motion/strip-edits'
import { useWidth } from '../bench/lens'
import { cx, IconButton, NumberField } from '../parts/controls'
import type { Drawn } from './engine'
import { seconds } from './moving'
import { frameAt, startOf, type Player } from './player'
import { paintFrame } from './slot'
import { FilmTracks } from './tracks'

interface Props {
  drawn: Drawn | null
  motion: Motion
  player: Player
  set: (label: string, patch: Partial<Motion>, merge?: string) => void
  /** Frames that are chosen, counted from 0. */
  chosen: readonly number[]
  onChoose: (at: readonly number[]) => void
  /** Whether the frame before shows through. */
  onion: boolean
  onOnion: (on: boolean) => void
}

/** px that the shortest frame takes at least. */
const NARROWEST = 14

/** The frames laid flat, each as wide as it is long shown, with one playhead through all tracks. */
export function Strip(p: Props) {
  const { drawn, motion, player } = p
  const [scroller, room] = useWidth<HTMLDivElement>()
  const frames = drawn?.frames ?? []
  const length = lengthOf(frames)
  // A wider scale where the shortest frame could not be told.
  const shortest = Math.min(...frames.map((f) => f.delay))
  const dragging = useFrameDrag(p)
  const film = motion.made.kind === 'film' ? motion.made : null
  const scale = length ? Math.max((room - 24) / length, Math.min(0.4, NARROWEST / Math.max(20, shortest))) : 0
  return (
    <section
      aria-label="Strip"
      className={cx('flex min-h-0 flex-col border-t border-ink bg-plaster', film ? 'h-[156px]' : 'h-[134px]')}
    >
      <StripHead {...p} length={length} />
      <div
        ref={scroller}
        className="relative min-h-0 flex-1 overflow-x-auto overflow-y-hidden px-3"
        tabIndex={0}
        role="region"
        aria-label="Frames, laid flat"
      >
        {drawn && (
          <div className="relative h-full" style={{ width: length * scale }}>
            <Ticks length={length} scale={scale} />
            <ol className="flex h-[54px]">
              {frames.map((f, i) => (
                <FrameOf
                  key={i}
                  drawn={drawn}
                  at={i}
                  width={f.delay * scale}
                  on={p.chosen.includes(i)}
                  first={i === 0}
                  {...dragging(i)}
                  onChoose={(more) => {
                    player.seek(startOf(frames, i))
                    const from = p.chosen[0] ?? i
                    p.onChoose(
                      more
                        ? Array.from({ length: Math.abs(i - from) + 1 }, (_, k) => Math.min(i, from) + k)
                        : [i],
                    )
                  }}
                />
              ))}
            </ol>
            {film && <FilmTracks made={film} motion={motion} scale={scale} set={p.set} />}
            <Playhead player={player} scale={scale} length={length} />
          </div>
        )}
      </div>
    </section>
  )
}

/** How a frame is dragged to another place in a strip. */
interface FrameDrag {
  draggable: boolean
  /** Which side of it the dragged frames would come to stand at. */
  mark: 'before' | 'after' | null
  onDragStart: () => void
  onDragOver: (e: DragEvent<HTMLElement>) => void
  onDrop: (e: DragEvent<HTMLElement>) => void
  onDragEnd: () => void
}

/** Frames of a strip are dragged to another place: those that are chosen, or the one that is taken hold of. */
function useFrameDrag({ drawn, motion, set, chosen, onChoose }: Props): (at: number) => FrameDrag {
  const strip = motion.made.kind === 'strip' ? motion.made : null
  const held = useRef<readonly number[] | null>(null)
  const [over, setOver] = useState<{ at: number; side: 'before' | 'after' } | null>(null)
  const end = () => {
    held.current = null
    setOver(null)
  }
  // Frames that are shown are those of the strip in some order.
  const placeOf = (i: number) => (strip ? frameOf(strip, drawn?.frames[i]?.t ?? 0) : i)
  return (at) => ({
    draggable: strip !== null,
    mark: over?.at === at ? over.side : null,
    onDragStart: () => {
      held.current = chosen.includes(at) ? chosen : [at]
      if (!chosen.includes(at)) onChoose([at])
    },
    onDragOver: (e) => {
      if (!held.current) return
      e.preventDefault()
      const { left, width } = e.currentTarget.getBoundingClientRect()
      const side = e.clientX < left + width / 2 ? 'before' : 'after'
      setOver((now) => (now?.at === at && now.side === side ? now : { at, side }))
    },
    onDrop: (e) => {
      e.preventDefault()
      if (strip && held.current && over) {
        const frames = [...new Set(held.current.map(placeOf))].sort((a, b) => a - b)
        const to = placeOf(over.at) + (over.side === 'after' ? 1 : 0)
        const next = moveFrames(strip, frames, to)
        if (next.frames.some((f, i) => f !== strip.frames[i])) set('move frames', { made: next })
        onChoose([])
      }
      end()
    },
    onDragEnd: end,
  })
}

/** What can be done to the frames. */
function StripHead({
  drawn,
  motion,
  player,
  set,
  chosen,
  onChoose,
  onion,
  onOnion,
  length,
}: Props & { length: number }) {
  const on = useStore(player.store, (s) => s.on)
  const t = useStore(player.store, (s) => s.t)
  const { made } = motion
  const strip = made.kind === 'strip' ? made : null
  const frames = drawn?.frames ?? []
  const seen = chosen.length ? chosen : [frameAt(frames, t)]
  // Frames that are shown are those of the strip in some order: each is one of them.
  const at = strip
    ? [...new Set(seen.map((i) => frameOf(strip, frames[i]?.t ?? 0)))].sort((a, b) => a - b)
    : seen
  const edit = (label: string, next: typeof strip, choose: readonly number[] = []) => {
    if (next) set(label, { made: next })
    onChoose(choose)
  }
  return (
    <div className="flex h-[27px] shrink-0 items-center gap-1 border-b border-grout px-3 text-xs">
      <IconButton label={on ? 'Stop' : 'Play'} keys="Space" onClick={player.toggle}>
        {on ? <Pause size={13} /> : <Play size={13} />}
      </IconButton>
      <span className="w-28 font-mono text-[11px]" aria-live="off">
        {(t / 1000).toFixed(2)} of {seconds(length)}
      </span>
      <span className="font-mono text-[11px] text-soft">
        {drawn?.frames.length ?? 0} {drawn?.frames.length === 1 ? 'frame' : 'frames'},{' '}
        {drawn ? `${drawn.width} x ${drawn.height}` : ''}
      </span>
      <IconButton label="The frame before shows through" active={onion} onClick={() => onOnion(!onion)}>
        <Layers2 size={13} />
      </IconButton>
      <span aria-hidden className="mx-1 h-4 w-px bg-grout" />
      {strip ? (
        <StripEdits strip={strip} at={at} edit={edit} set={set} />
      ) : (
        <IconButton
          label="This frame stands alone: it comes first"
          onClick={() =>
            set('choose the first frame', {
              first: ((motion.first ?? 0) + at[0]!) % (drawn?.frames.length ?? 1),
            })
          }
        >
          <Flag size={13} />
        </IconButton>
      )}
    </div>
  )
}

type StripMade = Extract<Motion['made'], { kind: 'strip' }>

function StripEdits({
  strip,
  at,
  edit,
  set,
}: {
  strip: StripMade
  at: readonly number[]
  edit: (label: string, next: StripMade, choose?: readonly number[]) => void
  set: Props['set']
}) {
  const first = at[0]!
  const last = at.at(-1)!
  const moved = (to: number, shift: number) =>
    edit(
      'move frames',
      moveFrames(strip, at, to),
      at.map((i) => i + shift),
    )
  return (
    <>
      <IconButton label="Earlier" keys="Alt ←" disabled={first === 0} onClick={() => moved(first - 1, -1)}>
        <ChevronLeft size={14} />
      </IconButton>
      <IconButton
        label="Later"
        keys="Alt →"
        disabled={last >= strip.frames.length - 1}
        onClick={() => moved(last + 2, 1)}
      >
        <ChevronRight size={14} />
      </IconButton>
      <IconButton
        label="Duplicate the frames"
        onClick={() => edit('duplicate frames', duplicateFrames(strip, at))}
      >
        <Copy size={13} />
      </IconButton>
      <IconButton
        label="Delete the frames"
        disabled={strip.frames.length < 2}
        onClick={() => edit('delete frames', removeFrames(strip, at))}
      >
        <Trash2 size={13} />
      </IconButton>
      <IconButton
        label="Turn around"
        onClick={() => edit('turn frames around', reverseFrames(strip, at), at)}
      >
        <FlipHorizontal2 size={14} />
      </IconButton>
      <IconButton
        label="These stand alone: they come first"
        disabled={first === 0}
        onClick={() => edit('choose the first frame', moveFrames(strip, at, 0))}
      >
        <Flag size={13} />
      </IconButton>
      <DelayOf strip={strip} at={at} set={set} />
    </>
  )
}

/** How long frames are shown. */
function DelayOf({ strip, at, set }: { strip: StripMade; at: readonly number[]; set: Props['set'] }) {
  return (
    <>
      <span className="ml-1 flex items-center gap-1 text-soft">
        shown
        <span className="w-14">
          <NumberField
            label="How long the chosen frames are shown, ms"
            value={strip.frames[at[0]!]?.delay ?? 0}
            max={60_000}
            onChange={(delay) => set('set the delay', { made: setDelays(strip, at, delay) }, 'delay')}
          />
        </span>
        ms
      </span>
      {at.some((i) => (strip.frames[i]?.delay ?? 20) < 20) && (
        <span className="text-ochre">Readers slow down frames under 20 ms.</span>
      )}
    </>
  )
}

/** One frame, as wide as it is long shown. */
function FrameOf({
  drawn,
  at,
  width,
  on,
  first,
  onChoose,
  draggable,
  mark,
  ...drag
}: FrameDrag & {
  drawn: Drawn
  at: number
  width: number
  on: boolean
  first: boolean
  onChoose: (more: boolean) => void
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => paintFrame(canvas.current, drawn, at), [drawn, at])
  return (
    <li className="relative h-full shrink-0" style={{ width }}>
      <button
        type="button"
        draggable={draggable}
        {...drag}
        aria-label={`Frame ${at + 1}, ${Math.round(drawn.frames[at]!.delay)} ms${first ? ', stands alone' : ''}`}
        aria-pressed={on}
        className={cx(
          'block h-full w-full overflow-hidden border-r border-plaster bg-ground',
          on && 'outline-2 -outline-offset-2 outline-lapis',
        )}
        onClick={(e) => onChoose(e.shiftKey)}
      >
        <canvas ref={canvas} className="h-full w-full object-cover" />
      </button>
      {mark && (
        <i
          aria-hidden
          className={cx(
            'pointer-events-none absolute top-0 z-10 h-full w-[3px] bg-lapis',
            mark === 'before' ? '-left-[2px]' : '-right-[1px]',
          )}
        />
      )}
      {first && (
        <span className="pointer-events-none absolute top-0 left-0 z-10 bg-verdigris px-1 text-[10px] leading-[14px] text-onlapis">
          alone
        </span>
      )}
    </li>
  )
}

/** Times under the ruler. */
function Ticks({ length, scale }: { length: number; scale: number }) {
  const step = [100, 200, 500, 1000, 2000, 5000].find((s) => s * scale > 46) ?? 10_000
  const ticks = Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step)
  return (
    <div aria-hidden className="relative h-[24px] pt-1.5 font-mono text-[10px] text-soft">
      {ticks.map((t) => (
        <span key={t} className="absolute bottom-0 border-l border-grout pl-0.5" style={{ left: t * scale }}>
          {t / 1000}
        </span>
      ))}
    </div>
  )
}

/** The playhead: dragged along the ruler. */
function Playhead({ player, scale, length }: { player: Player; scale: number; length: number }) {
  const t = useStore(player.store, (s) => s.t)
  const ruler = useRef<HTMLDivElement>(null)
  const [drags, setDrags] = useState(false)
  const to = (e: PointerEvent) => {
    const box = ruler.current!.getBoundingClientRect()
    player.seek((e.clientX - box.left) / scale)
  }
  return (
    <>
      <div
        ref={ruler}
        role="slider"
        tabIndex={0}
        aria-label="Playhead"
        aria-valuemin={0}
        aria-valuemax={Math.round(length)}
        aria-valuenow={Math.round(t)}
        aria-valuetext={`${(t / 1000).toFixed(2)} s`}
        className="absolute inset-x-0 top-0 h-[24px] cursor-ew-resize"
        onKeyDown={(e) => {
          const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
          if (!by || e.altKey || e.ctrlKey || e.metaKey) return
          e.preventDefault()
          player.step(by)
        }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          setDrags(true)
          to(e)
        }}
        onPointerMove={(e) => drags && to(e)}
        onLostPointerCapture={() => setDrags(false)}
      />
      <i
        aria-hidden
        className="pointer-events-none absolute top-0 bottom-0 w-px bg-terra"
        style={{ left: t * scale }}
      />
    </>
  )
}
