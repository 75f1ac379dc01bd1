import { newId } from '@/core/email/defaults'
import { GESTURE } from '../session/document'
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { filmLength, moveSpan, type Hold, type Span } from '@/core/motion/film'
import type { FilmMade } from '@/core/motion/made'
import type { Motion } from '@/core/motion/schema'
import { cx } from '../parts/controls'
import { filmFacts } from './engine'

interface Props {
  made: FilmMade
  motion: Motion
  /** px for each ms that is shown. */
  scale: number
  set: (label: string, patch: Partial<Motion>, merge?: string) => void
}

/** Clips and captions of a film, on the scale of the strip: dragged, at an end or as a whole, or moved by keys. */
export function FilmTracks({ made, motion, scale, set }: Props) {
  const length = useFilmLength(made.film.id)
  const { clips, captions } = made
  const starts = clips.map((_, i) =>
    clips.slice(0, i).reduce((sum, c) => sum + Math.max(0, c.to - c.from), 0),
  )
  const put = (label: string, merge: string, patch: Partial<FilmMade>) =>
    set(label, { made: { ...made, ...patch } }, merge)
  const track = { scale: scale / motion.speed, frame: 1000 / motion.rate }
  return (
    <div className="font-mono text-[10px]">
      <Track
        {...track}
        name="Clip"
        className="bg-lapis"
        spans={clips}
        most={Math.max(length, ...clips.map((c) => c.to))}
        left={(_, i) => starts[i]!}
        says={(c) => `${(c.from / 1000).toFixed(1)} to ${(c.to / 1000).toFixed(1)} s`}
        onMove={(all, i, gesture) => put('move a clip', gesture ?? `clip-${i}`, { clips: all })}
      />
      <Track
        {...track}
        name="Caption"
        className="bg-verdigris"
        spans={captions}
        most={filmLength(made)}
        left={(c) => c.from}
        says={(c) => c.says}
        onMove={(all, i, gesture) => put('move a caption', gesture ?? `caption-${i}`, { captions: all })}
      />
    </div>
  )
}

/** Spans of one kind in a row. */
function Track<S extends Span>({
  name,
  spans,
  most,
  left,
  says,
  className,
  onMove,
  ...bar
}: {
  name: string
  spans: readonly S[]
  /** The end of what there is, ms. */
  most: number
  /** Where a span begins in what is shown, ms. */
  left: (span: S, i: number) => number
  says: (span: S) => string
  /** px for each ms. */
  scale: number
  /** ms of one frame */
  frame: number
  className: string
  /** @param gesture what a drag is called, so that all of it is one step of undo */
  onMove: (all: S[], moved: number, gesture?: string) => void
}) {
  return (
    <div className="relative mt-px h-6 first:mt-0">
      {spans.map((span, i) => (
        <Bar
          key={i}
          {...bar}
          name={`${name} ${i + 1}`}
          span={span}
          left={left(span, i)}
          says={says(span)}
          className={className}
          onMove={(hold, by, from, gesture) =>
            onMove(
              spans.map((s, k) => (k === i ? moveSpan(from, hold, by, most) : s)),
              i,
              gesture,
            )
          }
        />
      ))}
    </div>
  )
}

/** How long a film is, ms; 0 until it is known. */
function useFilmLength(id: string): number {
  const [length, setLength] = useState(0)
  useEffect(() => {
    let on = true
    filmFacts(id).then(
      (facts) => on && setLength(facts.length),
      () => {},
    )
    return () => void (on = false)
  }, [id])
  return length
}

/** px at either side of a bar by which its end is taken hold of. */
const EDGE = 6

/** One span as a bar. */
function Bar<S extends Span>({
  name,
  span,
  left,
  says,
  scale,
  frame,
  className,
  onMove,
}: {
  name: string
  span: S
  /** Where it begins in what is shown, ms. */
  left: number
  says: string
  /** px for each ms. */
  scale: number
  /** ms of one frame */
  frame: number
  className: string
  /** @param by ms @param from the span as it was when it was taken hold of */
  onMove: (hold: Hold, by: number, from: S, gesture?: string) => void
}) {
  const width = Math.max(0, span.to - span.from) * scale
  const drag = useRef<{ x: number; scale: number; hold: Hold; span: S; gesture: string } | null>(null)
  const holdAt = (e: PointerEvent<HTMLElement>): Hold => {
    const box = e.currentTarget.getBoundingClientRect()
    const edge = Math.min(EDGE, box.width / 4)
    return e.clientX < box.left + edge ? 'from' : e.clientX > box.right - edge ? 'to' : 'whole'
  }
  const onPointerMove = (e: PointerEvent<HTMLElement>) => {
    const d = drag.current
    if (d) return onMove(d.hold, (e.clientX - d.x) / d.scale, d.span, d.gesture)
    e.currentTarget.style.cursor = holdAt(e) === 'whole' ? 'grab' : 'ew-resize'
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const way = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
    if (!way || e.ctrlKey || e.metaKey) return
    e.preventDefault()
    onMove(e.shiftKey ? 'to' : e.altKey ? 'from' : 'whole', way * frame, span)
  }
  const from = (span.from / 1000).toFixed(2)
  return (
    <button
      type="button"
      aria-label={`${name}, ${from} to ${(span.to / 1000).toFixed(2)} s. Arrows move it, with Shift its end, with Alt its beginning.`}
      className={cx(
        'absolute h-full touch-none truncate border-r border-plaster px-1 text-left text-onlapis',
        className,
      )}
      style={{ left: left * scale, width }}
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        const gesture = `${GESTURE}${newId()}`
        drag.current = { x: e.clientX, scale, hold: holdAt(e), span, gesture }
      }}
      onPointerMove={onPointerMove}
      onLostPointerCapture={() => (drag.current = null)}
    >
      {says}
    </button>
  )
}
