'use client'
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { Lock } from 'lucide-react'
import { isUnread, type Cut } from '@/core/cut/plan'
import type { Design } from '../bench/types'
import { cx, kb } from '../parts/controls'
import { kindNames } from './kinds'
import type { CutWork } from './work/use-cut-work'

/** What a cut still lacks, in a few words. */
function lacks(c: Cut): string | null {
  if (c.since) return c.since === 'moved' ? 'moved in the new design' : 'changed in the new design'
  if (c.kind === 'picture' && c.alt === null) return 'alt text'
  if (isUnread(c)) return 'words: built as a picture'
  return null
}

/**
 * The cuts in reading order; file names follow it. They are dragged, or moved by keyboard, into another
 * order.
 */
export function CutSpine({
  work: w,
  onReorder,
}: {
  work: CutWork
  onReorder: (id: string, to: number) => void
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: sortableKeyboardCoordinates,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space'] },
    }),
  )
  return (
    <aside
      aria-label="Cuts"
      className="flex min-h-0 flex-col overflow-y-auto border-r border-grout bg-plaster py-2"
    >
      {w.order.length === 0 && (
        <p className="px-3 text-soft">
          No cuts yet. Let Mosaicus find the parts, or draw a cut on the design.
        </p>
      )}
      <DndContext
        id="cuts"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          if (over && active.id !== over.id)
            onReorder(
              String(active.id),
              w.order.findIndex((c) => c.id === over.id),
            )
        }}
      >
        <SortableContext items={w.order.map((c) => c.id)} strategy={verticalListSortingStrategy}>
          <ol className="flex flex-col gap-[3px]">
            {w.order.map((c, i) => (
              <Entry key={c.id} cut={c} at={i} work={w} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </aside>
  )
}

function Entry({ cut: c, at, work: w }: { cut: Cut; at: number; work: CutWork }) {
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id: c.id })
  const on = w.selected.includes(c.id)
  const figure = w.figureOf(c)
  const heavy = figure && figure.picture.bytes > w.budget.each
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={cx(isDragging && 'relative z-10 opacity-70')}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-pressed={on}
        aria-roledescription="cut, can be reordered"
        onClick={(e) => (e.shiftKey ? w.selectTo(c.id) : w.select(c.id, e.ctrlKey || e.metaKey))}
        onMouseEnter={() => w.setHovered(c.id)}
        onMouseLeave={() => w.setHovered(null)}
        className={cx(
          'grid w-full grid-cols-[54px_1fr] items-center gap-2 border-l-4 py-px pr-1.5 pl-2 text-left text-[11.5px]',
          on ? 'border-lapis' : 'border-transparent',
        )}
      >
        <CutThumb design={w.job.design} cut={c} />
        <span className="min-w-0 leading-tight">
          <b className={cx('flex items-center gap-1 font-semibold', on && 'text-lapis')}>
            <span className="truncate">
              {at + 1} {kindNames[c.kind]}
            </span>
            {c.locked && <Lock size={10} aria-label="locked" />}
          </b>
          <span className={cx('block truncate font-mono text-[10.5px]', heavy ? 'text-terra' : 'text-soft')}>
            {c.kind === 'picture' ? (figure ? kb(figure.picture.bytes) : '…') : (c.ground ?? '')}
          </span>
          {w.proposals.has(c.id) ? (
            <span className="block text-[10.5px] text-verdigris">words read</span>
          ) : (
            lacks(c) && <span className="block text-[10.5px] text-terra">{lacks(c)}</span>
          )}
        </span>
      </button>
    </li>
  )
}

/** A cut as it stands in the design. @param most px wide */
export function CutThumb({ design, cut, most = 54 }: { design: Design; cut: Cut; most?: number }) {
  const scale = most / Math.max(cut.w, design.width * 0.35)
  return (
    <span
      aria-hidden
      className="relative block overflow-hidden border border-black/15"
      style={{ height: Math.max(6, Math.min(64, cut.h * scale)), width: Math.max(6, cut.w * scale) }}
    >
      <span
        className="absolute inset-0"
        style={{
          backgroundImage: `url(/api/pictures/${design.id}?width=400)`,
          backgroundSize: `${design.width * scale}px auto`,
          backgroundPosition: `-${cut.x * scale}px -${cut.y * scale}px`,
        }}
      />
    </span>
  )
}
