'use client'
import { useEffect, useRef, useState } from 'react'
import { toast } from 'sonner'
import type { CutWork } from './work/use-cut-work'

const SIDE = 11,
  PIXEL = 11

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
  const [at, setAt] = useState({
    x: Math.round(w.current ? w.current.x + 4 : design.width / 2),
    y: Math.round(w.current ? w.current.y + 4 : 40),
  })
  const [side, setSide] = useState<1 | 3 | 5>(1)
  const [color, setColor] = useState('#000000')
  const ground = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    ground.current?.focus()
  }, [])
  useEffect(() => {
    let late = false
    w.openCutter()
      .ask({ kind: 'pick', x: at.x, y: at.y, side })
      .then(
        (c) => {
          if (!late) setColor(c)
        },
        () => {},
      )
    return () => {
      late = true
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at.x, at.y, side])
  const take = () => {
    void navigator.clipboard?.writeText(color).catch(() => {})
    toast(`${color}${w.current ? ` is now the ground of the cut` : ''}; it is on the clipboard.`)
    onDone(color)
  }
  const move = (dx: number, dy: number) =>
    setAt((p) => ({
      x: Math.max(0, Math.min(design.width - 1, p.x + dx)),
      y: Math.max(0, Math.min(design.height - 1, p.y + dy)),
    }))
  const px = PIXEL * SIDE
  return (
    <button
      ref={ground}
      type="button"
      aria-label={`Pick a colour: ${color} at ${at.x}, ${at.y}. Arrow keys move, Enter takes it, Escape leaves.`}
      className="absolute inset-0 z-30 cursor-crosshair outline-none"
      onPointerMove={(e) => {
        const b = e.currentTarget.getBoundingClientRect()
        setAt({
          x: Math.max(0, Math.min(design.width - 1, Math.floor((e.clientX - b.left) / zoom))),
          y: Math.max(0, Math.min(design.height - 1, Math.floor((e.clientY - b.top) / zoom))),
        })
      }}
      onPointerDown={(e) => {
        e.stopPropagation()
        take()
      }}
      onKeyDown={(e) => {
        const step = e.shiftKey ? 10 : 1
        const by = {
          ArrowLeft: [-step, 0],
          ArrowRight: [step, 0],
          ArrowUp: [0, -step],
          ArrowDown: [0, step],
        }[e.key]
        if (by) {
          e.preventDefault()
          e.stopPropagation()
          move(by[0]!, by[1]!)
        } else if (e.key === 'Enter') {
          e.preventDefault()
          take()
        } else if (e.key === 'Escape') {
          e.stopPropagation()
          onDone(null)
        } else if (['1', '3', '5'].includes(e.key)) {
          e.preventDefault()
          e.stopPropagation()
          setSide(Number(e.key) as 1 | 3 | 5)
        }
      }}
    >
      <Glass at={at} zoom={zoom} design={design} px={px} side={side} color={color} />
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
