'use client'
import { useRef, useState, type CSSProperties, type PointerEvent, type RefObject } from 'react'
import type { Cut } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { PHONE, smallWords } from '@/core/cut/small-words'
import { Button, Choice, cx, NumberField, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

type Source = 'wide' | 'narrow'

/**
 * The picture that phones show instead: a part of the cut, or of the narrow design, drawn or typed; with the
 * size its words come to there.
 */
export function NarrowDialog({ work: w, cut, onClose }: { work: CutWork; cut: Cut; onClose: () => void }) {
  const { design, narrow } = w.job
  const [of, setOf] = useState<Source>(cut.narrow?.of ?? (narrow ? 'narrow' : 'wide'))
  // Where one may draw: the cut, or the whole narrow design.
  const field: Rect =
    of === 'wide'
      ? { x: cut.x, y: cut.y, w: cut.w, h: cut.h }
      : { x: 0, y: 0, w: narrow!.width, h: narrow!.height }
  const [rect, setRect] = useState<Rect>(cut.narrow ?? startOf(field))
  const area = useRef<HTMLDivElement>(null)
  const from = useRef<{ x: number; y: number } | null>(null)
  const url = `/api/pictures/${of === 'wide' ? design.id : narrow!.id}`
  const whole = of === 'wide' ? design : narrow!
  const zoom = Math.min(444 / field.w, of === 'wide' ? 320 / field.h : Infinity)
  const within = (r: Rect): Rect => {
    const x = Math.max(field.x, Math.min(field.x + field.w - 1, Math.round(r.x))),
      y = Math.max(field.y, Math.min(field.y + field.h - 1, Math.round(r.y)))
    return {
      x,
      y,
      w: Math.max(1, Math.min(field.x + field.w - x, Math.round(r.w))),
      h: Math.max(1, Math.min(field.y + field.h - y, Math.round(r.h))),
    }
  }
  const at = (e: PointerEvent) => {
    const b = area.current!.getBoundingClientRect()
    return { x: field.x + (e.clientX - b.left) / zoom, y: field.y + (e.clientY - b.top) / zoom }
  }
  const drag = (e: PointerEvent) => {
    if (!from.current) return
    const p = at(e),
      o = from.current
    setRect(
      within({
        x: Math.min(o.x, p.x),
        y: Math.min(o.y, p.y),
        w: Math.abs(p.x - o.x),
        h: Math.abs(p.y - o.y),
      }),
    )
  }
  const small = smallWords({ ...cut, narrow: { of, ...rect } }, w.texts, design.scale, w.job.width)
  const phone = (PHONE / rect.w) * 0.5
  const clipped = (r: Rect, k: number) => ({
    width: r.w * k,
    height: r.h * k,
    backgroundImage: `url(${url})`,
    backgroundSize: `${whole.width * k}px ${whole.height * k}px`,
    backgroundPosition: `${-r.x * k}px ${-r.y * k}px`,
  })
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
          {narrow && (
            <Choice
              label="Taken from"
              value={of}
              options={[
                { value: 'wide', label: 'This cut' },
                { value: 'narrow', label: 'The narrow design' },
              ]}
              onChange={(v) => {
                setOf(v as Source)
                setRect(startOf(v === 'wide' ? cut : { x: 0, y: 0, w: narrow.width, h: narrow.height }))
              }}
            />
          )}
          <Area
            area={area}
            clipped={clipped}
            field={field}
            zoom={zoom}
            from={from}
            at={at}
            drag={drag}
            rect={rect}
          />
        </div>
        <PartFigures
          rect={rect}
          field={field}
          setRect={setRect}
          within={within}
          clipped={clipped}
          phone={phone}
          of={of}
          small={small}
        />
      </div>
      <div className="mt-4 flex gap-2">
        <Button
          look="main"
          onClick={() => {
            w.setNarrow(cut.id, { of, ...rect })
            onClose()
          }}
        >
          Use it on narrow
        </Button>
        {cut.narrow && (
          <Button
            onClick={() => {
              w.setNarrow(cut.id, undefined)
              onClose()
            }}
          >
            The same picture everywhere
          </Button>
        )}
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  )
}

/** The part in numbers, and as a phone shows it. */
function PartFigures({
  rect,
  field,
  setRect,
  within,
  clipped,
  phone,
  of,
  small,
}: {
  rect: Rect
  field: Rect
  setRect: (r: Rect) => void
  within: (r: Rect) => Rect
  clipped: (r: Rect, k: number) => CSSProperties
  phone: number
  of: Source
  small: ReturnType<typeof smallWords>
}) {
  return (
    <div className="flex min-w-0 flex-col gap-2">
      {(
        [
          ['Left', 'x'],
          ['Top', 'y'],
          ['Width', 'w'],
          ['Height', 'h'],
        ] as const
      ).map(([label, k]) => (
        <Row key={k} label={label}>
          <NumberField
            label={`${label} of the part, px`}
            value={rect[k] - (k === 'x' ? field.x : k === 'y' ? field.y : 0)}
            min={k === 'w' || k === 'h' ? 1 : 0}
            max={20000}
            onChange={(v) =>
              setRect(within({ ...rect, [k]: v + (k === 'x' ? field.x : k === 'y' ? field.y : 0) }))
            }
          />
        </Row>
      ))}
      <p className="text-soft">On a phone of {PHONE} px, at half size:</p>
      <div
        role="img"
        aria-label="The part as a phone shows it"
        className="max-h-60 max-w-full border border-grout"
        style={clipped(rect, phone)}
      />
      {of === 'wide' &&
        (small.length ? (
          small.map((s) => (
            <p key={s.text} className={cx('border-l-4 border-terra pl-2')}>
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
function Area({
  area,
  clipped,
  field,
  zoom,
  from,
  at,
  drag,
  rect,
}: {
  area: RefObject<HTMLDivElement | null>
  clipped: (r: Rect, k: number) => CSSProperties
  field: Rect
  zoom: number
  from: RefObject<{ x: number; y: number } | null>
  at: (e: PointerEvent) => { x: number; y: number }
  drag: (e: PointerEvent) => void
  rect: Rect
}) {
  return (
    <div
      className="max-h-[380px] overflow-y-auto border border-grout"
      tabIndex={0}
      role="region"
      aria-label="Where it is taken from"
    >
      <div
        ref={area}
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
