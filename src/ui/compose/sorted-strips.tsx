'use client'
import {
  closestCenter,
  DndContext,
  KeyboardCode,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { memo, useLayoutEffect, useMemo, useRef, type RefObject } from 'react'
import type { Band } from '@/core/email/schema'
import { Strip, type StripOf } from './strip'

// The same each time: sensors that change have every strip drawn anew.
const byPointer = { activationConstraint: { distance: 5 } }
const byKeys = {
  coordinateGetter: sortableKeyboardCoordinates,
  // Enter opens words, here as everywhere.
  keyboardCodes: {
    start: [KeyboardCode.Space],
    cancel: [KeyboardCode.Esc],
    end: [KeyboardCode.Space, KeyboardCode.Enter, KeyboardCode.Tab],
  },
}

/** Bands brought into another order, by pointer or by keys. @param refocus the strip that had the focus before it could be dragged */
export function SortedStrips({
  bands,
  onMove,
  strips,
  refocus,
}: {
  bands: readonly Band[]
  onMove: (id: string, to: number) => void
  strips: readonly StripOf[]
  refocus: RefObject<string | null>
}) {
  const sensors = useSensors(useSensor(PointerSensor, byPointer), useSensor(KeyboardSensor, byKeys))
  // The same list as long as the order is, so that no strip is drawn anew for a key.
  const joined = bands.map((b) => b.id).join('\n')
  const ids = useMemo(() => joined.split('\n'), [joined])
  const end = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      onMove(
        String(active.id),
        bands.findIndex((b) => b.id === over.id),
      )
  }
  const name = (id: string | number) => bands.find((b) => b.id === id)?.name ?? 'band'
  return (
    <DndContext
      id="spine"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `${name(active.id)} lifted`,
          onDragOver: ({ active, over }) =>
            over ? `${name(active.id)} is over ${name(over.id)}` : undefined,
          onDragEnd: ({ active }) => `${name(active.id)} put down`,
          onDragCancel: ({ active }) => `${name(active.id)} back in its place`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {strips.map((of) => (
          <SortedStrip key={of.band.id} {...of} refocus={refocus} />
        ))}
      </SortableContext>
    </DndContext>
  )
}

const SortedStrip = memo(function SortedStrip({
  refocus,
  ...of
}: StripOf & { refocus: RefObject<string | null> }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: of.band.id,
  })
  const element = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    if (refocus.current !== of.band.id) return
    refocus.current = null
    element.current?.focus()
  }, [refocus, of.band.id])
  const ref = (e: HTMLDivElement | null) => {
    element.current = e
    setNodeRef(e)
  }
  const style = { transform: CSS.Translate.toString(transform), transition }
  return (
    <Strip {...of} drag={{ ref, attributes: { ...attributes, ...listeners, style }, dragged: isDragging }} />
  )
})
