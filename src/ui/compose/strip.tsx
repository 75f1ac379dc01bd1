import { memo, type HTMLAttributes, type Ref } from 'react'
import type { Band } from '@/core/email/schema'
import { cx, kb } from '../parts/controls'
import { percent } from '../parts/percent'

/** What a strip of the spine shows and does. */
export interface StripOf {
  band: Band
  /** px, as drawn */
  height: number
  strip: number
  /** bytes */
  weight: number
  toMend: number
  /** SSIM against its place in the design, 0 to 1, where that is known. */
  likeness?: number
  /** Open remarks of the client. */
  remarks: number
  selected: boolean
  /** @param how the one that is selected, one beside it, or all up to this one */
  onSelect: (id: string, how?: 'also' | 'to') => void
  onHover: (id: string | null) => void
}

interface Props extends StripOf {
  /** What makes it one that is dragged. */
  drag?: { ref: Ref<HTMLDivElement>; attributes: HTMLAttributes<HTMLDivElement>; dragged: boolean }
}

const remarked = (n: number): string => (n === 1 ? '1 remark' : `${n} remarks`)

/** A band in the spine: its place, its name, its weight and what is to mend there. */
export const Strip = memo(function Strip({
  band,
  height,
  strip,
  weight,
  toMend,
  likeness,
  remarks,
  selected,
  onSelect,
  onHover,
  drag,
}: Props) {
  return (
    <div
      ref={drag?.ref}
      role="button"
      tabIndex={0}
      {...drag?.attributes}
      data-strip={band.id}
      aria-pressed={selected}
      aria-label={`Band ${band.name}, ${kb(weight)}${likeness === undefined ? '' : `, ${percent(likeness)} like the design`}${toMend ? `, ${toMend} to mend` : ''}${remarks ? `, ${remarked(remarks)}` : ''}`}
      onClick={(e) => onSelect(band.id, e.shiftKey ? 'to' : e.ctrlKey || e.metaKey ? 'also' : undefined)}
      onKeyUp={(e) => {
        if (e.key === 'Tab') onSelect(band.id)
      }}
      onPointerEnter={() => onHover(band.id)}
      onPointerLeave={() => onHover(null)}
      className={cx(
        'relative flex cursor-grab items-center overflow-hidden pr-1 pl-3 text-[11px]',
        drag?.dragged && 'z-10 bg-wash opacity-90',
      )}
      style={{ ...drag?.attributes.style, height }}
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
          {likeness !== undefined && height >= 40 && (
            <span className="block font-mono text-[10.5px] text-soft">{percent(likeness)} like</span>
          )}
          {remarks > 0 && (
            <span className="block font-mono text-[10.5px] text-lapis">{remarked(remarks)}</span>
          )}
          {toMend > 0 && height >= 40 && (
            <span className="block font-mono text-[10.5px] text-terra">{toMend} to mend</span>
          )}
        </span>
      )}
      {toMend > 0 && height < 40 && <i aria-hidden className="ml-auto h-2 w-2 shrink-0 bg-terra" />}
    </div>
  )
})
