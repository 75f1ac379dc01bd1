'use client'
import { useEffect, useRef, useState, type DragEvent, type PointerEvent, type RefObject } from 'react'
import { heldIn, type DraggedIn } from './dragged-in'
import type { Marks } from './measures'
import type { Slot } from './slots'
import type { Stretch } from './ties'

/** How far a press moves before it drags, screen px. */
const BEGINS = 6
/** How near to the edge of the lens it scrolls, and how much at a time, screen px. */
const EDGE = 36
const SCROLL = 9

/** What of an email is dragged in its lens. */
export interface DragWork {
  /** What a press on these marks takes hold of. */
  holds: (ids: string[]) => string | null
  slotAt: (marks: Marks, id: string, x: number, y: number) => Slot | null
  onDrop: (id: string, slot: Slot) => void
  /** Where something new would stand, and what puts it there. */
  newSlotAt: (what: DraggedIn, marks: Marks, x: number, y: number) => { line: Stretch } | null
  onNew: (what: DraggedIn, marks: Marks, x: number, y: number) => void
}

export interface Dragged {
  id: string
  slot: Slot | null
}

interface Press {
  ids: string[]
  x: number
  y: number
  id: string | null
}

/** While something is dragged the lens scrolls at its edges, and Escape ends it. */
function useWhileDragging(
  dragging: boolean,
  surface: RefObject<HTMLElement | null>,
  pointer: RefObject<{ y: number }>,
  look: RefObject<() => void>,
  end: RefObject<() => void>,
): void {
  useEffect(() => {
    if (!dragging) return
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'Escape') return
      e.stopPropagation()
      end.current()
    }
    let frame = requestAnimationFrame(function scroll() {
      const scroller = surface.current?.closest<HTMLElement>('.overflow-y-auto')
      const view = scroller?.getBoundingClientRect()
      if (scroller && view) {
        const { y } = pointer.current
        const by = y < view.top + EDGE ? -SCROLL : y > view.bottom - EDGE ? SCROLL : 0
        if (by) {
          scroller.scrollTop += by
          look.current()
        }
      }
      frame = requestAnimationFrame(scroll)
    })
    addEventListener('keydown', onKey, true)
    return () => {
      cancelAnimationFrame(frame)
      removeEventListener('keydown', onKey, true)
    }
  }, [dragging, surface, pointer, look, end])
}

/**
 * Dragging within a lens: a press that moves takes hold of what lies under it, a line shows where it would stand, the
 * lens scrolls at its edges, Escape lets it stay. The same is done by keyboard with the keys that move.
 */
export function useLensDrag(
  work: DragWork | undefined,
  marks: Marks,
  zoom: number,
  under: (e: PointerEvent<HTMLElement>) => string[],
) {
  const [dragged, setDragged] = useState<Dragged | null>(null)
  const press = useRef<Press | null>(null)
  const held = useRef<Dragged | null>(null)
  const pointer = useRef({ x: 0, y: 0 })
  const surface = useRef<HTMLElement | null>(null)
  const latest = useRef({ work, marks, zoom })
  latest.current = { work, marks, zoom }
  const swallow = useRef(false)

  const show = (now: Dragged | null) => {
    held.current = now
    setDragged(now)
  }
  /** Looks up the place under the pointer anew. */
  const look = () => {
    const { work: w, marks: m, zoom: z } = latest.current
    const box = surface.current?.getBoundingClientRect()
    if (!held.current || !box || !w) return
    const x = (pointer.current.x - box.left) / z
    const y = (pointer.current.y - box.top) / z
    const slot = w.slotAt(m, held.current.id, x, y)
    const before = held.current.slot
    if (before?.line.top !== slot?.line.top || before?.line.left !== slot?.line.left || !before !== !slot)
      show({ id: held.current.id, slot })
  }
  const lookNow = useRef(look)
  lookNow.current = look
  const end = () => {
    press.current = null
    show(null)
  }
  const endNow = useRef(end)
  endNow.current = end

  useWhileDragging(dragged !== null, surface, pointer, lookNow, endNow)

  const handlers = {
    onPointerDown(e: PointerEvent<HTMLElement>) {
      swallow.current = false
      if (!work || e.button !== 0 || e.ctrlKey || e.metaKey || e.shiftKey) return
      surface.current = e.currentTarget
      press.current = { ids: under(e), x: e.clientX, y: e.clientY, id: null }
    },
    onPointerMove(e: PointerEvent<HTMLElement>) {
      const p = press.current
      if (!p || !work) return
      pointer.current = { x: e.clientX, y: e.clientY }
      if (!held.current) {
        if (Math.hypot(e.clientX - p.x, e.clientY - p.y) < BEGINS) return
        const id = work.holds(p.ids)
        if (!id) return endNow.current()
        e.currentTarget.setPointerCapture(e.pointerId)
        swallow.current = true
        show({ id, slot: null })
      }
      look()
    },
    onPointerUp() {
      const now = held.current
      end()
      if (now?.slot) work?.onDrop(now.id, now.slot)
    },
    onPointerCancel: end,
  }
  /** Whether a click is the end of a drag, and so no press. */
  const ended = () => swallow.current
  return { dragged, handlers, ended }
}

/** Something new that is dragged over the lens: the line where it would stand, and what to listen to. */
export function useComing(work: DragWork | undefined, marks: Marks, zoom: number) {
  const [line, setLine] = useState<Stretch | null>(null)
  const placeOf = (e: DragEvent<HTMLElement>): [Marks, number, number] => {
    const box = e.currentTarget.getBoundingClientRect()
    return [marks, (e.clientX - box.left) / zoom, (e.clientY - box.top) / zoom]
  }
  const handlers = {
    onDragOver(e: DragEvent<HTMLElement>) {
      const what = heldIn(e)
      if (!work || !what) return
      e.preventDefault()
      e.dataTransfer.dropEffect = 'copy'
      const next = work.newSlotAt(what, ...placeOf(e))?.line ?? null
      setLine((now) => (now && next && now.top === next.top && now.left === next.left ? now : next))
    },
    onDragLeave: () => setLine(null),
    onDrop(e: DragEvent<HTMLElement>) {
      setLine(null)
      const what = heldIn(e)
      if (!work || !what) return
      e.preventDefault()
      e.stopPropagation()
      work.onNew(what, ...placeOf(e))
    },
  }
  return { line, handlers }
}
