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
import {
  memo,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react'
import { useStore, type StoreApi } from 'zustand'
import type { Parts } from '@/core/compile'
import type { Band } from '@/core/email/schema'
import { cx, kb } from '../parts/controls'
import { useElsewhere } from '../bench/elsewhere'
import { firstOf, patch } from '../bench/live-frame'
import type { Stretch } from '../bench/ties'

/** Places of the bands in the wide lens, and how tall it is, px. */
export interface Measured {
  marks: ReadonlyMap<string, Stretch>
  height: number
}

interface Props {
  bands: readonly Band[]
  wide: StoreApi<Measured>
  width: number
  parts: Parts
  weights: ReadonlyMap<string, number>
  /** Findings to mend, by band. */
  toMend: ReadonlyMap<string, number>
  selected: string | null
  onSelect: (id: string) => void
  onMove: (id: string, to: number) => void
  onHover: (id: string | null) => void
}

const STRIP = 96

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

/** How long the small picture may lag behind the email, ms. */
const BEHIND = 120

/**
 * The scale drawing of all bands in true proportion: for moving around, and for bringing bands into another
 * order.
 */
export function Spine(p: Props) {
  const list = useRef<HTMLDivElement>(null)
  const { allowed } = useElsewhere()
  // Kept beside the stage, so that it is not drawn anew for what the spine alone shows.
  const places = useStore(p.wide, (s) => s.marks)
  const height = useStore(p.wide, (s) => s.height)
  const [room, setRoom] = useState(500)
  useLayoutEffect(() => {
    const el = list.current!
    const observer = new ResizeObserver(() => setRoom(el.clientHeight - 16))
    observer.observe(el)
    return () => observer.disconnect()
  }, [])
  // True proportion as long as it fits; a long email is drawn smaller as a whole.
  const scale = Math.min(STRIP / p.width, Math.max(0.035, room / Math.max(1, height)))
  return (
    <aside aria-label="Spine" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
      <div ref={list} className="min-h-0 flex-1 overflow-y-auto py-2">
        <div className="relative">
          <div
            aria-hidden
            className="absolute top-0 left-3 overflow-hidden border border-black/10 bg-white"
            style={{ width: p.width * scale, height: height * scale }}
          >
            <SmallEmail key={String(allowed)} parts={p.parts} width={p.width} height={height} scale={scale} />
          </div>
          <Sorting bands={p.bands} onMove={p.onMove}>
            {p.bands.map((b) => (
              <SpineBand
                key={b.id}
                band={b}
                height={(places.get(b.id)?.height ?? 20) * scale}
                strip={p.width * scale}
                weight={p.weights.get(b.id) ?? 0}
                toMend={p.toMend.get(b.id) ?? 0}
                selected={p.selected === b.id}
                onSelect={p.onSelect}
                onHover={p.onHover}
              />
            ))}
          </Sorting>
        </div>
      </div>
    </aside>
  )
}

/** Bands brought into another order, by pointer or by keys. */
function Sorting({
  bands,
  onMove,
  children,
}: {
  bands: readonly Band[]
  onMove: (id: string, to: number) => void
  children: ReactNode
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
        {children}
      </SortableContext>
    </DndContext>
  )
}

/** The email in small. It changes in place, as the lenses do, and so stays in step with the strips beside it. */
function SmallEmail(p: { parts: Parts; width: number; height: number; scale: number }) {
  const { parts, width, height, scale } = p
  const { allowed } = useElsewhere()
  const frame = useRef<HTMLIFrameElement>(null)
  const [first] = useState(() => firstOf(parts, allowed))
  const shown = useRef(parts)
  const follow = useCallback(() => {
    const doc = frame.current?.contentDocument
    if (!doc?.body?.childElementCount) return
    if (shown.current !== parts) patch(doc, shown.current, parts, allowed)
    shown.current = parts
    doc.scrollingElement?.scrollTo(0, 0)
  }, [parts, allowed])
  // Nobody edits here: it may follow when there is time.
  useEffect(() => {
    const wait = setTimeout(follow, BEHIND)
    return () => clearTimeout(wait)
  }, [follow])
  return (
    <iframe
      ref={frame}
      title="The email in small"
      sandbox="allow-same-origin"
      srcDoc={first}
      onLoad={follow}
      tabIndex={-1}
      scrolling="no"
      className="pointer-events-none border-0"
      style={{ width, height, transform: `scale(${scale})`, transformOrigin: '0 0' }}
    />
  )
}

const SpineBand = memo(function SpineBand({
  band,
  height,
  strip,
  weight,
  toMend,
  selected,
  onSelect,
  onHover,
}: {
  band: Band
  height: number
  strip: number
  weight: number
  toMend: number
  selected: boolean
  onSelect: (id: string) => void
  onHover: (id: string | null) => void
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: band.id,
  })
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-pressed={selected}
      aria-label={`Band ${band.name}, ${kb(weight)}${toMend ? `, ${toMend} to mend` : ''}`}
      onClick={() => onSelect(band.id)}
      onKeyUp={(e) => {
        if (e.key === 'Tab') onSelect(band.id)
      }}
      onPointerEnter={() => onHover(band.id)}
      onPointerLeave={() => onHover(null)}
      className={cx(
        'relative flex cursor-grab items-center overflow-hidden pr-1 pl-3 text-[11px]',
        isDragging && 'z-10 bg-wash opacity-90',
      )}
      style={{ height, transform: CSS.Translate.toString(transform), transition }}
    >
      {selected && <i aria-hidden className="absolute top-0 bottom-0 left-0 w-1 bg-lapis" />}
      <span
        aria-hidden
        className={cx(
          'h-full shrink-0 border-b',
          selected ? 'border-lapis outline-2 -outline-offset-2 outline-lapis' : 'border-grout',
        )}
        style={{ width: strip }}
      />
      {height >= 13 && (
        <span className="ml-2 min-w-0 leading-tight">
          <b className={cx('block truncate font-semibold', selected && 'text-lapis')}>{band.name}</b>
          {height >= 27 && <span className="block font-mono text-[10.5px] text-soft">{kb(weight)}</span>}
          {toMend > 0 && height >= 40 && (
            <span className="block font-mono text-[10.5px] text-terra">{toMend} to mend</span>
          )}
        </span>
      )}
      {toMend > 0 && height < 40 && <i aria-hidden className="ml-auto h-2 w-2 shrink-0 bg-terra" />}
    </div>
  )
})
