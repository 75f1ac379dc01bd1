import type { Cut, CutPlan } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import { cx } from '../parts/controls'
import { kindNames, tints } from './kinds'
import type { Dragging } from './use-drag'
import type { CutWork } from './work/use-cut-work'

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

/** A place of the design on the screen, px. */
export const boxOf = (r: Rect, zoom: number) => ({
  left: r.x * zoom,
  top: r.y * zoom,
  width: r.w * zoom,
  height: r.h * zoom,
})

/** A cut drawn on the design: selected and moved by it, with its number and, where it is looked at, its kind. */
export function CutMark({
  w,
  cut,
  number,
  zoom,
  dragging,
}: {
  w: CutWork
  cut: Cut
  number: number
  zoom: number
  dragging: Dragging
}) {
  const { onMove, end, press, held } = dragging
  const on = w.selected.includes(cut.id)
  return (
    <div
      role="button"
      tabIndex={0}
      aria-pressed={on}
      data-cut={cut.id}
      aria-label={`Cut ${number}, ${kindNames[cut.kind]}, ${cut.w} by ${cut.h} at ${cut.x}, ${cut.y}`}
      className={cx(
        'group absolute',
        on
          ? 'z-10 cursor-move outline-2 -outline-offset-1 outline-[#21508f]'
          : 'outline-1 -outline-offset-1 outline-[#21508f]/70 outline-dashed hover:outline-2',
      )}
      style={{ ...boxOf(cut, zoom), background: on ? 'transparent' : tints[cut.kind] }}
      onFocus={(e) => {
        if (e.currentTarget.matches(':focus-visible') && !on && !held()) w.select(cut.id)
      }}
      onPointerEnter={() => w.setHovered(cut.id)}
      onPointerLeave={() => w.setHovered(null)}
      onPointerDown={(e) => {
        press(e, cut.id)
        // Focus alone would scroll the lens.
        e.currentTarget.focus({ preventScroll: true })
      }}
      onPointerMove={onMove}
      onPointerUp={(e) => {
        e.stopPropagation()
        end()
      }}
    >
      {/* What is looked at says what it becomes, above itself where there is room; the others keep to their number, beside themselves. */}
      <span
        className={cx(
          'pointer-events-none absolute px-1 font-mono text-[10.5px] leading-4',
          tagPlace(on, cut.x * zoom, cut.y * zoom),
          on ? 'bg-[#21508f] text-white' : 'bg-[#fffdf8] text-[#20272b]',
        )}
      >
        {number}
        <span className={on ? '' : 'hidden group-hover:inline'}> {kindNames[cut.kind]}</span>
        {cut.since && <b className="text-[#ffb39a]"> {cut.since}</b>}
      </span>
      {on && !cut.locked && <Sides id={cut.id} plan={w.plan} dragging={dragging} />}
    </div>
  )
}

/** The sides of a selected cut, each to be dragged. */
function Sides({ id, plan, dragging }: { id: string; plan: CutPlan; dragging: Dragging }) {
  const { onMove, end, grab } = dragging
  return (
    <>
      {(['top', 'right', 'bottom', 'left'] as const).map((side) => (
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
          onPointerDown={(e) => grab(e, { kind: 'side', id: id, side, alone: e.altKey, plan })}
          onPointerMove={onMove}
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
    </>
  )
}
