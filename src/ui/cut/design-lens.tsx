'use client'
import { Minus, Plus } from 'lucide-react'
import { useEffect, useRef, useState, type PointerEvent } from 'react'
import { LEAST, moveCut, moveEdge, moveSide, snap, setCut, type Side } from '@/core/cut/edits'
import type { Cut, CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { LensFrame, useWidth } from '../bench/lens'
import { cx, IconButton } from '../parts/controls'
import { kindNames, tints } from './kinds'
import { Loupe } from './loupe'
import type { CutWork } from './work/use-cut-work'

interface Props {
  work: CutWork
  /** A colour is being picked. */ picking: boolean
  onPicked: () => void
  onAdd: (drawn: Rect) => void
}

type Drag =
  | { kind: 'move'; id: string; from: { x: number; y: number }; plan: CutPlan }
  | { kind: 'side'; id: string; side: Side; alone: boolean; plan: CutPlan }
  | { kind: 'draw'; from: { x: number; y: number } }

const zooms = [0.25, 0.35, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8]
/** Height of a tag, and its width with a number alone, px of the screen. */
const TAG = { high: 16, wide: 21 }

/**
 * Where the tag of a cut stands: above it while it is looked at, else beside it, so that it hides no letter;
 * inside where there is no room.
 * @param x of the cut, px of the screen
 */
const tagPlace = (on: boolean, x: number, y: number): string =>
  cx(
    x >= TAG.wide && !on ? 'right-full' : 'left-0',
    y >= TAG.high && 'group-hover:top-auto group-hover:right-auto group-hover:bottom-full group-hover:left-0',
    on && y >= TAG.high ? 'bottom-full' : 'top-0',
  )
/** From this zoom on pixels are drawn as squares, px for each. */
const CRISP = 1.4
/** From this zoom on the pixel grid is shown, and cuts snap to it alone. */
const GRID = 6

/** The design with its cuts drawn on it: they are moved, resized and drawn here, by mouse and by keyboard. */
export function DesignLens({ work: w, picking, onPicked, onAdd }: Props) {
  const { plan, ties, order, selected, edges } = w
  const { design, before } = w.job
  const [former, setFormer] = useState(false)
  const [scroller, room] = useWidth<HTMLDivElement>()
  const [asked, setAsked] = useState<number | null>(null)
  const fit = room ? Math.min(1, (room - 28) / design.width) : 0.4
  const zoom = asked ?? fit
  const drag = useRef<Drag | null>(null)
  const [drawn, setDrawn] = useState<Rect | null>(null)
  const reach = Math.max(zoom >= GRID ? 0.5 : 2, 7 / zoom)

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

  const at = (e: PointerEvent) => {
    const box = (e.currentTarget as HTMLElement).closest('[data-design]')!.getBoundingClientRect()
    return { x: (e.clientX - box.left) / zoom, y: (e.clientY - box.top) / zoom }
  }
  const xEdges = (id?: string) => [
    0,
    design.width,
    ...edges.x,
    ...plan.cuts.filter((c) => c.id !== id).flatMap((c) => [c.x, c.x + c.w]),
  ]
  const yEdges = (id?: string) => [
    0,
    design.height,
    ...edges.y,
    ...plan.cuts.filter((c) => c.id !== id).flatMap((c) => [c.y, c.y + c.h]),
  ]

  const move = (e: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const here = at(e)
    if (d.kind === 'draw') {
      const x = snap(here.x, xEdges(), reach),
        y = snap(here.y, yEdges(), reach)
      setDrawn({
        x: Math.min(d.from.x, x),
        y: Math.min(d.from.y, y),
        w: Math.abs(x - d.from.x),
        h: Math.abs(y - d.from.y),
      })
    } else if (d.kind === 'side') {
      const vertical = d.side === 'top' || d.side === 'bottom'
      const to = vertical
        ? snap(
            here.y,
            [
              0,
              design.height,
              ...edges.y,
              ...d.plan.cuts
                .filter((c) => c.id !== d.id && c.y !== cutOf(d.plan, d.id)?.y)
                .flatMap((c) => [c.y, c.y + c.h]),
            ],
            reach,
          )
        : snap(here.x, xEdges(d.id), reach)
      w.change(
        'move an edge',
        () => (d.alone ? moveSide : moveEdge)(d.plan, d.id, d.side, to, design),
        `drag-${d.id}-${d.side}`,
      )
    } else {
      const cut = cutOf(d.plan, d.id)
      if (!cut) return
      const x = snap(
          cut.x + here.x - d.from.x,
          [...xEdges(d.id), ...xEdges(d.id).map((v) => v - cut.w)],
          reach,
        ),
        y = snap(cut.y + here.y - d.from.y, [...yEdges(d.id), ...yEdges(d.id).map((v) => v - cut.h)], reach)
      w.change('move a cut', () => moveCut(d.plan, d.id, x - cut.x, y - cut.y, design), `drag-${d.id}`)
    }
  }
  const end = () => {
    if (drag.current?.kind === 'draw' && drawn && drawn.w >= LEAST && drawn.h >= LEAST) onAdd(drawn)
    drag.current = null
    setDrawn(null)
  }
  const grab = (e: PointerEvent, d: Drag) => {
    if (e.button !== 0) return
    e.stopPropagation()
    drag.current = d
    ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  }

  const step = (dir: 1 | -1) =>
    setAsked(
      dir > 0
        ? (zooms.find((z) => z > zoom + 0.01) ?? 8)
        : ([...zooms].reverse().find((z) => z < zoom - 0.01) ?? 0.25),
    )
  const box = (r: Rect) => ({ left: r.x * zoom, top: r.y * zoom, width: r.w * zoom, height: r.h * zoom })
  return (
    <LensFrame
      name="Design"
      detail={`${design.width} x ${design.height}, ${Number(design.scale.toFixed(2))}x`}
      zoom={zoom}
      right={
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
          <button type="button" className="h-6 min-w-6 px-1 text-[11px]" onClick={() => setAsked(null)}>
            Fit
          </button>
          <IconButton label="Larger" className="h-6! text-[#17191a]!" onClick={() => step(1)}>
            <Plus size={13} />
          </IconButton>
        </span>
      }
    >
      <div
        ref={scroller}
        className="min-h-0 flex-1 overflow-auto"
        onScroll={() => ties.scrolled('Design')}
        tabIndex={0}
        role="region"
        aria-label="The design with its cuts"
      >
        <div
          data-design
          className="relative mx-auto my-3 cursor-crosshair touch-none select-none"
          style={{ width: design.width * zoom, height: design.height * zoom }}
          onPointerDown={(e) => {
            const here = at(e)
            w.select(null)
            grab(e, {
              kind: 'draw',
              from: { x: snap(here.x, xEdges(), reach), y: snap(here.y, yEdges(), reach) },
            })
          }}
          onPointerMove={move}
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
          {/* What differs from the former design shows bright, what is the same black. */}
          {former && before && (
            <img
              src={`/api/pictures/${before.id}`}
              alt="The former design, laid over the new one so that only what changed shows"
              draggable={false}
              className="pointer-events-none absolute top-0 left-0 w-full mix-blend-difference"
              style={{ height: before.height * (design.width / before.width) * zoom }}
            />
          )}
          {zoom >= GRID && (
            <div
              aria-hidden
              className="pointer-events-none absolute inset-0"
              style={{
                backgroundImage:
                  'linear-gradient(to right, rgb(128 128 128 / .35) 1px, transparent 1px), linear-gradient(to bottom, rgb(128 128 128 / .35) 1px, transparent 1px)',
                backgroundSize: `${zoom}px ${zoom}px`,
              }}
            />
          )}
          {plan.panels.map((r) => (
            <div
              key={`p${r.x}-${r.y}`}
              aria-hidden
              className="pointer-events-none absolute outline-1 outline-dotted outline-[#20272b]/60"
              style={box(r)}
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
              <div key={`${r.x}-${r.y}`} className="hatched pointer-events-none absolute" style={box(r)} />
            ))}
          {order.map((c, i) => {
            const on = selected.includes(c.id)
            return (
              <div
                key={c.id}
                role="button"
                tabIndex={0}
                aria-pressed={on}
                data-cut={c.id}
                aria-label={`Cut ${i + 1}, ${kindNames[c.kind]}, ${c.w} by ${c.h} at ${c.x}, ${c.y}`}
                className={cx(
                  'group absolute cursor-move',
                  on
                    ? 'z-10 outline-2 -outline-offset-1 outline-[#21508f]'
                    : 'outline-1 -outline-offset-1 outline-[#21508f]/70 outline-dashed hover:outline-2',
                )}
                style={{ ...box(c), background: on ? 'transparent' : tints[c.kind] }}
                onFocus={(e) => {
                  if (e.currentTarget.matches(':focus-visible') && !on) w.select(c.id)
                }}
                onPointerEnter={() => w.setHovered(c.id)}
                onPointerLeave={() => w.setHovered(null)}
                onPointerDown={(e) => {
                  w.select(c.id, e.shiftKey || e.ctrlKey || e.metaKey)
                  e.currentTarget.focus()
                  if (c.locked) e.stopPropagation()
                  else grab(e, { kind: 'move', id: c.id, from: at(e), plan })
                }}
                onPointerMove={move}
                onPointerUp={(e) => {
                  e.stopPropagation()
                  end()
                }}
              >
                {/* What is looked at says what it becomes, above itself where there is room; the others keep to their number, beside themselves. */}
                <span
                  className={cx(
                    'pointer-events-none absolute px-1 font-mono text-[10.5px] leading-4',
                    tagPlace(on, c.x * zoom, c.y * zoom),
                    on ? 'bg-[#21508f] text-white' : 'bg-[#fffdf8] text-[#20272b]',
                  )}
                >
                  {i + 1}
                  <span className={on ? '' : 'hidden group-hover:inline'}> {kindNames[c.kind]}</span>
                  {c.since && <b className="text-[#ffb39a]"> {c.since}</b>}
                </span>
                {on &&
                  !c.locked &&
                  (['top', 'right', 'bottom', 'left'] as const).map((side) => (
                    <span
                      key={side}
                      data-side={side}
                      aria-hidden
                      className={cx(
                        'absolute z-20',
                        side === 'top' || side === 'bottom'
                          ? 'right-0 left-0 h-2.5 cursor-ns-resize'
                          : 'top-0 bottom-0 w-2.5 cursor-ew-resize',
                      )}
                      style={{ [side]: -5 }}
                      onPointerDown={(e) => grab(e, { kind: 'side', id: c.id, side, alone: e.altKey, plan })}
                      onPointerMove={move}
                      onPointerUp={(e) => {
                        e.stopPropagation()
                        end()
                      }}
                    >
                      <i
                        className={cx(
                          'absolute bg-[#21508f]',
                          side === 'top' || side === 'bottom'
                            ? 'top-[3px] left-1/2 h-1 w-8 -translate-x-1/2'
                            : 'top-1/2 left-[3px] h-8 w-1 -translate-y-1/2',
                        )}
                      />
                    </span>
                  ))}
              </div>
            )
          })}
          {picking && (
            <Loupe
              work={w}
              zoom={zoom}
              onDone={(color) => {
                if (color && w.current)
                  w.change('pick a colour', (p) => setCut(p, w.current!.id, { ground: color }))
                onPicked()
              }}
            />
          )}
          {drawn && (
            <div
              className="pointer-events-none absolute z-20 border-2 border-[#21508f] bg-[#21508f]/15"
              style={box(drawn)}
            />
          )}
        </div>
      </div>
    </LensFrame>
  )
}

const cutOf = (plan: CutPlan, id: string): Cut | undefined => plan.cuts.find((c) => c.id === id)
