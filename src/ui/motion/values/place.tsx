'use client'
import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import type { Drift } from '@/core/motion/made'

type Place = Drift['at']

/** Width at which the picture is shown, px. */
const LOOK = 168
/** A piece is no smaller than this part of the slot. */
const LEAST = 0.02

const within = (v: number, least: number, most: number): number => Math.max(least, Math.min(most, v))

/** A place that is moved, or sized from its lower right corner, by parts of the slot. */
const moved = (at: Place, x: number, y: number): Place => ({
  ...at,
  x: within(at.x + x, -at.w / 2, 1 - at.w / 2),
  y: within(at.y + y, -at.h / 2, 1 - at.h / 2),
})
const sized = (at: Place, w: number, h: number): Place => ({
  ...at,
  w: within(at.w + w, LEAST, 2),
  h: within(at.h + h, LEAST, 2),
})

const ways: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Where the piece stands in its slot: dragged over the picture, sized at its corner, or both by keys. */
export function PlaceOf({
  picture,
  slot,
  at,
  own,
  onChange,
}: {
  /** Id of the picture that stays. */
  picture: string
  slot: { width: number; height: number }
  at: Place
  /** Whether the piece is that part of the picture itself. */
  own: boolean
  onChange: (at: Place) => void
}) {
  const height = Math.round((LOOK * slot.height) / slot.width)
  const drag = useRef<{ x: number; y: number; at: Place; by: typeof moved } | null>(null)
  const begin = (by: typeof moved) => (e: PointerEvent<HTMLElement>) => {
    e.stopPropagation()
    e.currentTarget.setPointerCapture(e.pointerId)
    drag.current = { x: e.clientX, y: e.clientY, at, by }
  }
  const go = (e: PointerEvent<HTMLElement>) => {
    const d = drag.current
    if (!d || !e.currentTarget.hasPointerCapture(e.pointerId)) return
    onChange(d.by(d.at, (e.clientX - d.x) / LOOK, (e.clientY - d.y) / height))
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const way = ways[e.key]
    if (!way) return
    e.preventDefault()
    const [x, y] = [way[0] / slot.width, way[1] / slot.height]
    onChange(e.shiftKey ? sized(at, 4 * x, 4 * y) : moved(at, x, y))
  }
  const px = (part: number, side: number) => Math.round(part * side)
  return (
    <div className="relative shrink-0 self-start overflow-hidden bg-ground" style={{ width: LOOK, height }}>
      <img src={`/api/pictures/${picture}?width=${2 * LOOK}`} alt="" className="h-full w-full object-cover" />
      <button
        type="button"
        aria-label={`${own ? 'The part that moves' : 'Place of the piece'}: ${px(at.w, slot.width)} by ${px(at.h, slot.height)} px, from ${px(at.x, slot.width)}, ${px(at.y, slot.height)}. Arrows move it, with Shift they size it.`}
        className="absolute cursor-move border-2 border-[#fff] shadow-[0_0_0_999px_rgba(20,24,27,0.55)]"
        style={{ left: at.x * LOOK, top: at.y * height, width: at.w * LOOK, height: at.h * height }}
        onKeyDown={onKeyDown}
        onPointerDown={begin(moved)}
        onPointerMove={go}
      >
        <span
          aria-hidden
          className="absolute -right-1.5 -bottom-1.5 h-3 w-3 cursor-nwse-resize border border-[#14181b] bg-[#fff]"
          onPointerDown={begin(sized)}
          onPointerMove={go}
        />
      </button>
    </div>
  )
}
