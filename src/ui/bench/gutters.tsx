'use client'
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { Row } from '@/core/email/schema'
import { cx } from '../parts/controls'
import type { Marks } from './measures'
import { guttersOf, type Gutter } from './slots'

/** Least width of a cell, px of the email. */
const LEAST = 24
/** Least width of what is taken hold of, screen px. */
const HANDLE = 10

/** The row whose cells' widths can be changed in the lens. */
export interface GutterWork {
  row: Pick<Row, 'cells'>
  onMove: (left: string, right: string, width: number) => void
}

/** What stands between the cells of a row: dragged, or moved by arrow keys, it shares their width anew. */
export function Gutters({ work, marks, zoom }: { work: GutterWork; marks: Marks; zoom: number }) {
  const all = guttersOf(work.row, marks)
  const whole = all.reduce((sum, g) => sum + g.at.width, 0) + widthsOf(all, marks)
  return all.map((g) => (
    <Handle
      key={`${g.left.id}-${g.right.id}`}
      gutter={g}
      marks={marks}
      zoom={zoom}
      whole={whole}
      onMove={work.onMove}
    />
  ))
}

/** What cells that stand beside gutters take together, px. */
const widthsOf = (all: readonly Gutter[], marks: Marks): number =>
  [...new Set(all.flatMap((g) => [g.left.id, g.right.id]))].reduce(
    (sum, id) => sum + (marks.get(id)?.width ?? 0),
    0,
  )

function Handle({
  gutter: { left, right, at },
  marks,
  zoom,
  whole,
  onMove,
}: {
  gutter: Gutter
  marks: Marks
  zoom: number
  /** Width of the row, px. */
  whole: number
  onMove: GutterWork['onMove']
}) {
  const [held, setHeld] = useState(false)
  const from = useRef<{ x: number; width: number } | null>(null)
  const width = marks.get(left.id)?.width ?? 0
  const most = width + (marks.get(right.id)?.width ?? 0) - LEAST
  const to = (w: number) => onMove(left.id, right.id, Math.round(Math.max(LEAST, Math.min(most, w))))
  const thick = Math.max(HANDLE, at.width * zoom)
  const end = () => {
    from.current = null
    setHeld(false)
  }
  const key = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
    if (!by) return
    e.preventDefault()
    e.stopPropagation()
    to(width + by * (e.shiftKey ? 10 : 1))
  }
  return (
    <div
      role="slider"
      aria-orientation="horizontal"
      aria-label="Width of the cell on the left, px"
      aria-valuenow={Math.round(width)}
      aria-valuemin={LEAST}
      aria-valuemax={Math.round(most)}
      tabIndex={0}
      className="group absolute z-10 flex cursor-col-resize touch-none justify-center"
      style={{
        top: at.top * zoom,
        height: at.height * zoom,
        left: (at.left + at.width / 2) * zoom - thick / 2,
        width: thick,
      }}
      onKeyDown={key}
      onPointerDown={(e: PointerEvent<HTMLElement>) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        from.current = { x: e.clientX, width }
        setHeld(true)
      }}
      onPointerMove={(e) => from.current && to(from.current.width + (e.clientX - from.current.x) / zoom)}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <span
        aria-hidden
        className={cx('h-full w-[3px] group-hover:bg-[#21508f]', held ? 'bg-[#21508f]' : 'bg-[#21508f]/35')}
      />
      {held && (
        <span className="absolute top-1 left-1/2 -translate-x-1/2 bg-[#21508f] px-1.5 py-0.5 font-mono text-[11px] whitespace-nowrap text-white">
          {Math.round(width)} px, {Math.round((width / whole) * 100)} %
        </span>
      )}
    </div>
  )
}
