'use client'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { toast } from '../parts/toast'
import type { CutWork } from './work/use-cut-work'

const SIDE = 11,
  PIXEL = 11

type Place = { x: number; y: number }
type Side = 1 | 3 | 5

/** The colour of the design at a place: of one pixel, or the mean of some around it. */
function usePicked({ openCutter }: CutWork, { x, y }: Place, side: Side): string {
  const [color, setColor] = useState('#000000')
  useEffect(() => {
    let late = false
    openCutter()
      .ask({ kind: 'pick', x, y, side })
      .then(
        (c) => {
          if (!late) setColor(c)
        },
        () => {},
      )
    return () => {
      late = true
    }
  }, [openCutter, x, y, side])
  return color
}

const arrows: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/**
 * Picks a colour off the design: a magnifier follows the pointer and shows the exact pixel, or the mean of 3
 * x 3 or 5 x 5. Arrow keys move it by a pixel.
 */
export function Loupe({
  work: w,
  zoom,
  onDone,
}: {
  work: CutWork
  zoom: number
  onDone: (color: string | null) => void
}) {
  const { design } = w.job
  const [at, setAt] = useState<Place>({
    x: Math.round(w.current ? w.current.x + 4 : design.width / 2),
    y: Math.round(w.current ? w.current.y + 4 : 40),
  })
  const [side, setSide] = useState<Side>(1)
  const color = usePicked(w, at, side)
  const ground = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    ground.current?.focus()
  }, [])
  const take = () => {
    void navigator.clipboard?.writeText(color).catch(() => {})
    toast(`${color}${w.current ? ` is now the ground of the cut` : ''}; it is on the clipboard.`)
    onDone(color)
  }
  const goTo = (x: number, y: number) =>
    setAt({ x: Math.max(0, Math.min(design.width - 1, x)), y: Math.max(0, Math.min(design.height - 1, y)) })
  const onKey = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1
    const by = arrows[e.key]
    if (by) goTo(at.x + by[0] * step, at.y + by[1] * step)
    else if (e.key === 'Enter') take()
    else if (e.key === 'Escape') onDone(null)
    else if (['1', '3', '5'].includes(e.key)) setSide(Number(e.key) as Side)
    else return
    e.preventDefault()
    e.stopPropagation()
  }
  return (
    <button
      ref={ground}
      type="button"
      aria-label={`Pick a colour: ${color} at ${at.x}, ${at.y}. Arrow keys move, Enter takes it, Escape leaves.`}
      className="absolute inset-0 z-30 cursor-crosshair outline-none"
      onPointerMove={(e) => {
        const b = e.currentTarget.getBoundingClientRect()
        goTo(Math.floor((e.clientX - b.left) / zoom), Math.floor((e.clientY - b.top) / zoom))
      }}
      onPointerDown={(e) => {
        e.stopPropagation()
        take()
      }}
      onKeyDown={onKey}
    >
      <Glass at={at} zoom={zoom} design={design} px={PIXEL * SIDE} side={side} color={color} />
      <span className="sr-only" aria-live="polite">
        {color}
      </span>
    </button>
  )
}

/** The magnifier beside the pointer. */
function Glass({
  at,
  zoom,
  design,
  px,
  side,
  color,
}: {
  at: { x: number; y: number }
  zoom: number
  design: { id: string; width: number; height: number }
  px: number
  side: 1 | 3 | 5
  color: string
}) {
  return (
    <div
      className="pointer-events-none absolute border-2 border-[#20272b] bg-white"
      style={{
        left: Math.min(at.x * zoom + 18, design.width * zoom - px - 6),
        top: Math.max(0, at.y * zoom - px - 44),
      }}
    >
      <div className="relative overflow-hidden" style={{ width: px, height: px }}>
        <div
          className="absolute inset-0"
          style={{
            backgroundImage: `url(/api/pictures/${design.id})`,
            backgroundSize: `${design.width * PIXEL}px ${design.height * PIXEL}px`,
            backgroundPosition: `${-(at.x - (SIDE >> 1)) * PIXEL}px ${-(at.y - (SIDE >> 1)) * PIXEL}px`,
            imageRendering: 'pixelated',
          }}
        />
        <div
          className="absolute border-2 border-white outline-1 outline-black"
          style={{
            left: ((SIDE >> 1) - (side >> 1)) * PIXEL,
            top: ((SIDE >> 1) - (side >> 1)) * PIXEL,
            width: side * PIXEL,
            height: side * PIXEL,
          }}
        />
      </div>
      <div className="flex items-center gap-1.5 bg-[#fffdf8] px-1.5 py-1 font-mono text-[11px] text-[#20272b]">
        <i className="h-4 w-4 border border-black/30" style={{ background: color }} />
        {color}
        <span className="ml-auto">
          {side} x {side}
        </span>
      </div>
    </div>
  )
}
