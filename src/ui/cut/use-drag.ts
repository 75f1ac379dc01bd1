import { useRef, useState, type PointerEvent } from 'react'
import { LEAST, moveCut, moveEdge, moveSide, snap, type Side } from '@/core/cut/edits'
import type { Cut, CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import type { CutWork } from './work/use-cut-work'

type Drag =
  | { kind: 'move'; id: string; from: { x: number; y: number }; plan: CutPlan }
  | { kind: 'side'; id: string; side: Side; alone: boolean; plan: CutPlan }
  | { kind: 'draw'; from: { x: number; y: number } }

const cutOf = (plan: CutPlan, id: string): Cut | undefined => plan.cuts.find((c) => c.id === id)

/** Within so many px of the screen what is dragged snaps to an edge; where the pixel grid shows, to it alone. */
const REACH = 7

/** The uprights to snap to. @param but a cut whose own sides are no aim */
const across = ({ job, edges, plan }: CutWork, but?: string): number[] => [
  0,
  job.design.width,
  ...edges.x,
  ...plan.cuts.filter((c) => c.id !== but).flatMap((c) => [c.x, c.x + c.w]),
]

/** The levels to snap to. @param cuts those whose sides are aims */
const down = ({ job, edges }: CutWork, cuts: readonly Cut[]): number[] => [
  0,
  job.design.height,
  ...edges.y,
  ...cuts.flatMap((c) => [c.y, c.y + c.h]),
]

/**
 * Drawing, moving and resizing of cuts by the pointer. Whatever is dragged snaps to the edges of other cuts, of
 * bands and of what stands near; each drag is one step of undo.
 * @param zoom px of the screen for each of the design @param grid whether the pixel grid is shown
 * @param onAdd called with a rectangle that was drawn, design px
 */
export function useDrag(w: CutWork, zoom: number, grid: boolean, onAdd: (drawn: Rect) => void) {
  const { plan } = w
  const { design } = w.job
  const drag = useRef<Drag | null>(null)
  const [drawn, setDrawn] = useState<Rect | null>(null)
  const reach = Math.max(grid ? 0.5 : 2, REACH / zoom)
  const at = (e: PointerEvent) => {
    const box = (e.currentTarget as HTMLElement).closest('[data-design]')!.getBoundingClientRect()
    return { x: (e.clientX - box.left) / zoom, y: (e.clientY - box.top) / zoom }
  }
  const snapped = (p: { x: number; y: number }) => ({
    x: snap(p.x, across(w), reach),
    y: snap(p.y, down(w, plan.cuts), reach),
  })

  const draw = (d: Extract<Drag, { kind: 'draw' }>, e: PointerEvent) => {
    const { x, y } = snapped(at(e))
    setDrawn({
      x: Math.min(d.from.x, x),
      y: Math.min(d.from.y, y),
      w: Math.abs(x - d.from.x),
      h: Math.abs(y - d.from.y),
    })
  }
  const resize = (d: Extract<Drag, { kind: 'side' }>, e: PointerEvent) => {
    const own = cutOf(d.plan, d.id)
    const upright = d.side === 'left' || d.side === 'right'
    // Cuts that begin level with this one move along: their edges are no aim.
    const others = d.plan.cuts.filter((c) => c.id !== d.id && c.y !== own?.y)
    const to = upright ? snap(at(e).x, across(w, d.id), reach) : snap(at(e).y, down(w, others), reach)
    const edit = d.alone ? moveSide : moveEdge
    w.change('move an edge', () => edit(d.plan, d.id, d.side, to, design), `drag-${d.id}-${d.side}`)
  }
  const move = (d: Extract<Drag, { kind: 'move' }>, e: PointerEvent) => {
    const cut = cutOf(d.plan, d.id)
    if (!cut) return
    const here = at(e)
    const xs = across(w, d.id),
      ys = down(
        w,
        plan.cuts.filter((c) => c.id !== d.id),
      )
    const x = snap(cut.x + here.x - d.from.x, [...xs, ...xs.map((v) => v - cut.w)], reach),
      y = snap(cut.y + here.y - d.from.y, [...ys, ...ys.map((v) => v - cut.h)], reach)
    w.change('move a cut', () => moveCut(d.plan, d.id, x - cut.x, y - cut.y, design), `drag-${d.id}`)
  }

  const onMove = (e: PointerEvent) => {
    const d = drag.current
    if (d?.kind === 'draw') draw(d, e)
    else if (d?.kind === 'side') resize(d, e)
    else if (d) move(d, e)
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
  return { drawn, at, snapped, onMove, end, grab }
}
export type Dragging = ReturnType<typeof useDrag>
