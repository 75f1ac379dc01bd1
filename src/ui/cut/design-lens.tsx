'use client'
import { Minus, Plus } from 'lucide-react'
import { useEffect, useState } from 'react'
import { setCut } from '@/core/cut/edits'
import type { Rect } from '@/core/cut/raster'
import { LensFrame, useWidth } from '../bench/lens'
import { cx, IconButton } from '../parts/controls'
import { boxOf, CutMark } from './cut-mark'
import { Loupe } from './loupe'
import { useDrag } from './use-drag'
import type { CutWork } from './work/use-cut-work'

interface Props {
  work: CutWork
  /** A colour is being picked. */ picking: boolean
  onPicked: () => void
  onAdd: (drawn: Rect) => void
}

const zooms = [0.25, 0.35, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8]
/** From this zoom on pixels are drawn as squares, px for each. */
const CRISP = 1.4
/** From this zoom on the pixel grid is shown, and cuts snap to it alone. */
const GRID = 6

/** How large the design is shown: as it fits, or as was asked. */
function useZoom(room: number, width: number) {
  const [asked, setAsked] = useState<number | null>(null)
  const zoom = asked ?? (room ? Math.min(1, (room - 28) / width) : 0.4)
  const step = (dir: 1 | -1) =>
    setAsked(
      dir > 0
        ? (zooms.find((z) => z > zoom + 0.01) ?? 8)
        : ([...zooms].reverse().find((z) => z < zoom - 0.01) ?? 0.25),
    )
  return { zoom, step, fit: () => setAsked(null) }
}

/** The design with its cuts drawn on it: they are moved, resized and drawn here, by mouse and by keyboard. */
export function DesignLens(p: Props) {
  const { plan, ties, job } = p.work
  const { design, before } = job
  const [former, setFormer] = useState(false)
  const [scroller, room] = useWidth<HTMLDivElement>()
  const { zoom, step, fit } = useZoom(room, design.width)

  useEffect(() => {
    if (!scroller.current) return
    const bands = new Map(
      plan.cuts.map((c) => [`t-${c.id}`, { top: c.y, height: c.h, left: c.x, width: c.w }]),
    )
    ties.register('Design', {
      scroller: scroller.current,
      zoom,
      origin: { x: Math.max(14, (room - design.width * zoom) / 2), y: 12 },
      bands,
    })
  }, [plan, zoom, room, ties, scroller, design.width])
  useEffect(() => () => ties.remove('Design'), [ties])
  return (
    <LensFrame
      name="Design"
      detail={`${design.width} x ${design.height}, ${Number(design.scale.toFixed(2))}x`}
      zoom={zoom}
      right={<Zooming before={before} former={former} setFormer={setFormer} step={step} fit={fit} />}
    >
      <div
        ref={scroller}
        className="min-h-0 flex-1 overflow-auto"
        onScroll={() => ties.scrolled('Design')}
        tabIndex={0}
        role="region"
        aria-label="The design with its cuts"
      >
        <Sheet {...p} zoom={zoom} former={former} />
      </div>
    </LensFrame>
  )
}

/** The design's picture, and what is drawn over it. */
function Sheet({
  work: w,
  picking,
  onPicked,
  onAdd,
  zoom,
  former,
}: Props & { zoom: number; former: boolean }) {
  const { design, before } = w.job
  const dragging = useDrag(w, zoom, zoom >= GRID, onAdd)
  const { onMove, end, press, drawn, framed } = dragging
  const picked = (color: string | null) => {
    if (color && w.current) w.change('pick a colour', (p) => setCut(p, w.current!.id, { ground: color }))
    onPicked()
  }
  return (
    <div
      data-design
      className="relative mx-auto my-3 cursor-crosshair touch-none select-none"
      style={{ width: design.width * zoom, height: design.height * zoom }}
      onPointerDown={(e) => press(e, null)}
      onPointerMove={onMove}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <img
        src={`/api/pictures/${design.id}`}
        alt="The design"
        draggable={false}
        className="absolute inset-0 h-full w-full"
        style={{ imageRendering: zoom > CRISP ? 'pixelated' : 'auto' }}
      />
      {former && before && <FormerDesign before={before} design={design} zoom={zoom} />}
      {zoom >= GRID && <PixelGrid zoom={zoom} />}
      <PlanLayer w={w} zoom={zoom} />
      {w.order.map((c, i) => (
        <CutMark key={c.id} w={w} cut={c} number={i + 1} zoom={zoom} dragging={dragging} />
      ))}
      {picking && <Loupe work={w} zoom={zoom} onDone={picked} />}
      {drawn && (
        <div
          className={cx(
            'pointer-events-none absolute z-20 border-[#21508f]',
            framed ? 'border border-dashed' : 'border-2 bg-[#21508f]/15',
          )}
          style={boxOf(drawn, zoom)}
        />
      )}
    </div>
  )
}

const PixelGrid = ({ zoom }: { zoom: number }) => (
  <div
    aria-hidden
    className="pointer-events-none absolute inset-0"
    style={{
      backgroundImage:
        'linear-gradient(to right, rgb(128 128 128 / .35) 1px, transparent 1px), linear-gradient(to bottom, rgb(128 128 128 / .35) 1px, transparent 1px)',
      backgroundSize: `${zoom}px ${zoom}px`,
    }}
  />
)

/** What differs from the former design shows bright, what is the same black. */
const FormerDesign = ({
  before,
  design,
  zoom,
}: {
  before: NonNullable<CutWork['job']['before']>
  design: CutWork['job']['design']
  zoom: number
}) => (
  <img
    src={`/api/pictures/${before.id}`}
    alt="The former design, laid over the new one so that only what changed shows"
    draggable={false}
    className="pointer-events-none absolute top-0 left-0 w-full mix-blend-difference"
    style={{ height: before.height * (design.width / before.width) * zoom }}
  />
)

/** The former design laid over, and how large the lens shows. */
function Zooming({
  before,
  former,
  setFormer,
  step,
  fit,
}: {
  before: CutWork['job']['before']
  former: boolean
  setFormer: (v: boolean) => void
  step: (dir: 1 | -1) => void
  fit: () => void
}) {
  return (
    <span className="flex text-[#17191a]">
      {before && (
        <button
          type="button"
          aria-pressed={former}
          className={cx('h-6 px-1.5 text-[11px]', former && 'bg-[#21508f] text-white')}
          onClick={() => setFormer(!former)}
        >
          Former
        </button>
      )}
      <IconButton label="Smaller" className="h-6! text-[#17191a]!" onClick={() => step(-1)}>
        <Minus size={13} />
      </IconButton>
      <button type="button" className="h-6 min-w-6 px-1 text-[11px]" onClick={fit}>
        Fit
      </button>
      <IconButton label="Larger" className="h-6! text-[#17191a]!" onClick={() => step(1)}>
        <Plus size={13} />
      </IconButton>
    </span>
  )
}

/** Panels, the edges of bands, and what was left out. */
function PlanLayer({ w, zoom }: { w: CutWork; zoom: number }) {
  const { plan } = w
  return (
    <>
      {plan.panels.map((r) => (
        <div
          key={`p${r.x}-${r.y}`}
          aria-hidden
          className="pointer-events-none absolute outline-1 outline-dotted outline-[#20272b]/60"
          style={boxOf(r, zoom)}
        />
      ))}
      {plan.edges.map((y) => (
        <div
          key={`e${y}`}
          aria-hidden
          className="pointer-events-none absolute right-0 left-0 h-px bg-[#b44b2a]/70"
          style={{ top: y * zoom }}
        />
      ))}
      {plan.cuts.length > 0 &&
        w.left.map((r) => (
          <div
            key={`${r.x}-${r.y}`}
            className="hatched pointer-events-none absolute"
            style={boxOf(r, zoom)}
          />
        ))}
    </>
  )
}
