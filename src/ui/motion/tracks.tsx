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
  const bar = { scale: scale / motion.speed, frame: 1000 / motion.rate }
  const starts = clips.map((_, i) =>
    clips.slice(0, i).reduce((sum, c) => sum + Math.max(0, c.to - c.from), 0),
  )
  const shown = filmLength(made)
  const ofFilm = Math.max(length, ...clips.map((c) => c.to))
  return (
    <div className="font-mono text-[10px]">
      <div className="relative h-6">
        {clips.map((clip, i) => (
          <Bar
            key={i}
            {...bar}
            name={`Clip ${i + 1}`}
            span={clip}
            left={starts[i]!}
            says={`${(clip.from / 1000).toFixed(1)} to ${(clip.to / 1000).toFixed(1)} s`}
            className="bg-lapis"
            onMove={(hold, by, from) =>
              set(
                'move a clip',
                { made: { ...made, clips: replaced(clips, i, moveSpan(from, hold, by, ofFilm)) } },
                `clip-${i}`,
              )
            }
          />
        ))}
      </div>
      <div className="relative mt-px h-6">
        {captions.map((caption, i) => (
          <Bar
            key={i}
            {...bar}
            name={`Caption ${i + 1}`}
            span={caption}
            left={caption.from}
            says={caption.says}
            className="bg-verdigris"
            onMove={(hold, by, from) =>
              set(
                'move a caption',
                { made: { ...made, captions: replaced(captions, i, moveSpan(from, hold, by, shown)) } },
                `caption-${i}`,
              )
            }
          />
        ))}
      </div>
    </div>
  )
}

const replaced = <T,>(all: readonly T[], at: number, by: T): T[] => all.map((one, i) => (i === at ? by : one))

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
  onMove: (hold: Hold, by: number, from: S) => void
}) {
  const width = Math.max(0, span.to - span.from) * scale
  const drag = useRef<{ x: number; scale: number; hold: Hold; span: S } | null>(null)
  const holdAt = (e: PointerEvent<HTMLElement>): Hold => {
    const box = e.currentTarget.getBoundingClientRect()
    const edge = Math.min(EDGE, box.width / 4)
    return e.clientX < box.left + edge ? 'from' : e.clientX > box.right - edge ? 'to' : 'whole'
  }
  const onPointerMove = (e: PointerEvent<HTMLElement>) => {
    const d = drag.current
    if (d) return onMove(d.hold, (e.clientX - d.x) / d.scale, d.span)
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
        drag.current = { x: e.clientX, scale, hold: holdAt(e), span }
      }}
      onPointerMove={onPointerMove}
      onLostPointerCapture={() => (drag.current = null)}
    >
      {says}
    </button>
  )
}
