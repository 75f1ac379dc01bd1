'use client'
import { useRef, useState, type PointerEvent } from 'react'
import type { Cut } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { PHONE, smallWords } from '@/core/cut/small-words'
import { Button, Choice, NumberField, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

type Source = 'wide' | 'narrow'

/** The widest and the highest that a cut is drawn to choose from, px of the screen. */
const ROOM = { width: 444, height: 320 }

/**
 * The picture that phones show instead: a part of the cut, or of the narrow design, drawn or typed; with the
 * size its words come to there.
 */
export function NarrowDialog({ work: w, cut, onClose }: { work: CutWork; cut: Cut; onClose: () => void }) {
  const part = usePart(w, cut)
  const use = (narrow: Cut['narrow']) => {
    w.setNarrow(cut.id, narrow)
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title="Picture for narrow"
      about="Phones show this part instead. Draw it on the picture, or type its place."
    >
      <div className="grid grid-cols-[1fr_200px] gap-4 text-xs">
        <div className="flex min-w-0 flex-col gap-2">
          {w.job.narrow && (
            <Choice
              label="Taken from"
              value={part.of}
              options={[
                { value: 'wide', label: 'This cut' },
                { value: 'narrow', label: 'The narrow design' },
              ]}
              onChange={part.takeFrom}
            />
          )}
          <Area part={part} />
        </div>
        <PartFigures part={part} />
      </div>
      <div className="mt-4 flex gap-2">
        <Button look="main" onClick={() => use({ of: part.of, ...part.rect })}>
          Use it on narrow
        </Button>
        {cut.narrow && <Button onClick={() => use(undefined)}>The same picture everywhere</Button>}
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  )
}

/** The part of a picture that is chosen, in px of the picture that it is taken from. */
function usePart(w: CutWork, cut: Cut) {
  const { design, narrow, width } = w.job
  const [of, setOf] = useState<Source>(cut.narrow?.of ?? (narrow ? 'narrow' : 'wide'))
  // Where one may draw: the cut, or the whole narrow design.
  const fieldOf = (source: Source): Rect =>
    source === 'wide'
      ? { x: cut.x, y: cut.y, w: cut.w, h: cut.h }
      : { x: 0, y: 0, w: narrow!.width, h: narrow!.height }
  const field = fieldOf(of)
  const [rect, setRect] = useState<Rect>(cut.narrow ?? startOf(field))
  const whole = of === 'wide' ? design : narrow!
  return {
    of,
    field,
    rect,
    takeFrom(source: Source) {
      setOf(source)
      setRect(startOf(fieldOf(source)))
    },
    setRect: (r: Rect) => setRect(within(r, field)),
    /** A part drawn on an element of its own, at a scale. */
    clipped: (r: Rect, scale: number) => ({
      width: r.w * scale,
      height: r.h * scale,
      backgroundImage: `url(/api/pictures/${whole.id})`,
      backgroundSize: `${whole.width * scale}px ${whole.height * scale}px`,
      backgroundPosition: `${-r.x * scale}px ${-r.y * scale}px`,
    }),
    /** Words that are too small on a phone. */
    small: smallWords({ ...cut, narrow: { of, ...rect } }, w.texts, design.scale, width),
  }
}
type Part = ReturnType<typeof usePart>

/** A part of whole px that lies in the field. */
function within(r: Rect, field: Rect): Rect {
  const x = Math.max(field.x, Math.min(field.x + field.w - 1, Math.round(r.x)))
  const y = Math.max(field.y, Math.min(field.y + field.h - 1, Math.round(r.y)))
  return {
    x,
    y,
    w: Math.max(1, Math.min(field.x + field.w - x, Math.round(r.w))),
    h: Math.max(1, Math.min(field.y + field.h - y, Math.round(r.h))),
  }
}

/** The part in numbers, and as a phone shows it. */
function PartFigures({ part: { of, field, rect, setRect, clipped, small } }: { part: Part }) {
  const sides = [
    ['Left', 'x', field.x],
    ['Top', 'y', field.y],
    ['Width', 'w', 0],
    ['Height', 'h', 0],
  ] as const
  return (
    <div className="flex min-w-0 flex-col gap-2">
      {sides.map(([label, k, from]) => (
        <Row key={k} label={label}>
          <NumberField
            label={`${label} of the part, px`}
            value={rect[k] - from}
            min={k === 'w' || k === 'h' ? 1 : 0}
            max={20000}
            onChange={(v) => setRect({ ...rect, [k]: v + from })}
          />
        </Row>
      ))}
      <p className="text-soft">On a phone of {PHONE} px, at half size:</p>
      <div
        role="img"
        aria-label="The part as a phone shows it"
        className="max-h-60 max-w-full border border-grout"
        style={clipped(rect, (PHONE / rect.w) * 0.5)}
      />
      {of === 'wide' &&
        (small.length ? (
          small.map((s) => (
            <p key={s.text} className="border-l-4 border-terra pl-2">
              &quot;{s.text}&quot; is <span className="font-mono">{s.size}</span> px there, under 14.
            </p>
          ))
        ) : (
          <p className="text-soft">No words that are known are under 14 px there.</p>
        ))}
    </div>
  )
}

/** Where the part is drawn. */
function Area({ part: { of, field, rect, setRect, clipped } }: { part: Part }) {
  const from = useRef<{ x: number; y: number } | null>(null)
  const zoom = Math.min(ROOM.width / field.w, of === 'wide' ? ROOM.height / field.h : Infinity)
  const at = (e: PointerEvent) => {
    const b = e.currentTarget.getBoundingClientRect()
    return { x: field.x + (e.clientX - b.left) / zoom, y: field.y + (e.clientY - b.top) / zoom }
  }
  const drag = (e: PointerEvent) => {
    if (!from.current) return
    const p = at(e)
    const o = from.current
    setRect({ x: Math.min(o.x, p.x), y: Math.min(o.y, p.y), w: Math.abs(p.x - o.x), h: Math.abs(p.y - o.y) })
  }
  return (
    <div
      className="max-h-[380px] overflow-y-auto border border-grout"
      tabIndex={0}
      role="region"
      aria-label="Where it is taken from"
    >
      <div
        className="relative cursor-crosshair touch-none"
        style={clipped(field, zoom)}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          from.current = at(e)
        }}
        onPointerMove={drag}
        onPointerUp={() => {
          from.current = null
        }}
      >
        <div
          className="absolute border-2 border-lapis bg-lapis/15"
          style={{
            left: (rect.x - field.x) * zoom,
            top: (rect.y - field.y) * zoom,
            width: rect.w * zoom,
            height: rect.h * zoom,
          }}
        />
      </div>
    </div>
  )
}

/** What is proposed at first: as wide as a phone shows without shrinking, from the left. */
const startOf = (field: Rect): Rect => ({
  x: field.x,
  y: field.y,
  w: Math.round(field.w * 0.6),
  h: Math.min(field.h, Math.round(field.w)),
})
