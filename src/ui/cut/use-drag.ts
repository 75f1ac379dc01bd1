import { useRef, useState, type PointerEvent } from 'react'
import { LEAST, moveCut, moveEdge, moveSide, snap, type Side } from '@/core/cut/edits'
import type { Cut, CutPlan } from '@/core/cut/plan'
import { overlap, type Rect } from '@/core/cut/raster'
import type { CutWork } from './work/use-cut-work'

interface Point {
  x: number
  y: number
}
type Drag =
  /** Pressed, on a cut or beside all: what it becomes is told by what is moved from there. */
  | { kind: 'press'; id: string | null; from: Point; more: boolean; frame: boolean }
  | { kind: 'move'; id: string; from: Point; plan: CutPlan }
  | { kind: 'side'; id: string; side: Side; alone: boolean; plan: CutPlan }
  | { kind: 'draw'; from: Point }
  | { kind: 'frame'; from: Point }

const cutOf = (plan: CutPlan, id: string): Cut | undefined => plan.cuts.find((c) => c.id === id)

/** A press that goes no further is none that drags, px of the screen. */
const STILL = 4

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

/** Moving and resizing of cuts. @param reach of what is snapped to, design px @param at where a pointer is, design px */
function placingBy(w: CutWork, reach: number, at: (e: PointerEvent) => Point) {
  const { plan } = w
  const { design } = w.job
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

  return { resize, move }
}

/**
 * Choosing, drawing, moving and resizing of cuts by the pointer. A press chooses; only a chosen cut is moved by a drag, any other
 * drag draws, and with Shift it draws a frame that chooses what it meets. Whatever is dragged snaps to the edges of other cuts, of
 * bands and of what stands near; each drag is one step of undo.
 * @param zoom px of the screen for each of the design @param grid whether the pixel grid is shown
 * @param onAdd called with a rectangle that was drawn, design px
 */
export function useDrag(w: CutWork, zoom: number, grid: boolean, onAdd: (drawn: Rect) => void) {
  const { plan } = w
  const drag = useRef<Drag | null>(null)
  const [drawn, setDrawn] = useState<Rect | null>(null)
  const reach = Math.max(grid ? 0.5 : 2, REACH / zoom)
  const at = (e: PointerEvent) => {
    const box = (e.currentTarget as HTMLElement).closest('[data-design]')!.getBoundingClientRect()
    return { x: (e.clientX - box.left) / zoom, y: (e.clientY - box.top) / zoom }
  }
  const snapped = (p: Point) => ({
    x: snap(p.x, across(w), reach),
    y: snap(p.y, down(w, plan.cuts), reach),
  })

  const [framed, setFramed] = useState(false)
  const draw = (d: Extract<Drag, { kind: 'draw' | 'frame' }>, e: PointerEvent) => {
    const { x, y } = d.kind === 'frame' ? at(e) : snapped(at(e))
    setFramed(d.kind === 'frame')
    setDrawn({
      x: Math.min(d.from.x, x),
      y: Math.min(d.from.y, y),
      w: Math.abs(x - d.from.x),
      h: Math.abs(y - d.from.y),
    })
  }
  const { resize, move } = placingBy(w, reach, at)
  const begun = ({ id, from, frame }: Extract<Drag, { kind: 'press' }>): Drag | null => {
    if (frame) return { kind: 'frame', from }
    const chosen = id && w.selected.includes(id) ? cutOf(plan, id) : undefined
    if (!chosen) return { kind: 'draw', from: snapped(from) }
    return chosen.locked ? null : { kind: 'move', id: chosen.id, from, plan }
  }
  const onMove = (e: PointerEvent) => {
    const d = drag.current
    if (d?.kind === 'press') {
      const here = at(e)
      if (Math.hypot(here.x - d.from.x, here.y - d.from.y) * zoom < STILL) return
      drag.current = begun(d)
    }
    const now = drag.current
    if (now?.kind === 'draw' || now?.kind === 'frame') draw(now, e)
    else if (now?.kind === 'side') resize(now, e)
    else if (now?.kind === 'move') move(now, e)
  }
  const end = () => {
    const d = drag.current
    if (d?.kind === 'press') w.select(d.id, d.more, 'Design')
    else if (d?.kind === 'frame' && drawn) {
      const met = w.order.filter((c) => overlap(c, drawn)).map((c) => c.id)
      w.setSelected([...w.selected.filter((id) => !met.includes(id)), ...met])
    } else if (d?.kind === 'draw' && drawn && drawn.w >= LEAST && drawn.h >= LEAST) onAdd(drawn)
    drag.current = null
    setDrawn(null)
  }
  const grab = (e: PointerEvent, d: Drag) => {
    if (e.button !== 0) return
    e.stopPropagation()
    drag.current = d
    ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  }
  /** @param id of the cut that is pressed; null: none */
  const press = (e: PointerEvent, id: string | null) =>
    grab(e, {
      kind: 'press',
      id,
      from: at(e),
      more: e.shiftKey || e.ctrlKey || e.metaKey,
      frame: e.shiftKey,
    })
  /** Whether a pointer holds something. */
  const held = () => drag.current !== null
  return { drawn, framed, onMove, end, grab, press, held }
}
export type Dragging = ReturnType<typeof useDrag>
