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
  /** The same against the narrow design, where there is one. */
  narrowLikeness?: number
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

/** Height of a line of a strip, px. */
const LINE = 13.5

interface LineOf {
  of: 'weight' | 'like' | 'narrow' | 'remarks' | 'mend'
  said: string
  look: string
}

/** The lines that a strip has room for beneath its name: what is to be done goes before what is so. @param height px */
function fitting(
  height: number,
  is: Pick<StripOf, 'weight' | 'likeness' | 'narrowLikeness' | 'remarks' | 'toMend'>,
): LineOf[] {
  const soft = 'text-soft'
  const shown: (LineOf | false)[] = [
    { of: 'weight', said: kb(is.weight), look: soft },
    is.likeness !== undefined && { of: 'like', said: `${percent(is.likeness)} like`, look: soft },
    is.narrowLikeness !== undefined && {
      of: 'narrow',
      said: `${percent(is.narrowLikeness)} narrow`,
      look: soft,
    },
    is.remarks > 0 && { of: 'remarks', said: remarked(is.remarks), look: 'text-lapis' },
    is.toMend > 0 && { of: 'mend', said: `${is.toMend} to mend`, look: 'text-terra' },
  ]
  const lines = shown.filter((l) => l !== false)
  const first: LineOf['of'][] = ['remarks', 'mend', 'like', 'weight', 'narrow']
  const room = Math.max(0, Math.floor(height / LINE) - 1)
  const kept = first.filter((of) => lines.some((l) => l.of === of)).slice(0, room)
  return lines.filter((l) => kept.includes(l.of))
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
  narrowLikeness,
  remarks,
  selected,
  onSelect,
  onHover,
  drag,
}: Props) {
  const lines = fitting(height, { weight, likeness, narrowLikeness, remarks, toMend })
  return (
    <div
      ref={drag?.ref}
      role="button"
      tabIndex={0}
      {...drag?.attributes}
      data-strip={band.id}
      aria-pressed={selected}
      aria-label={`Band ${band.name}, ${kb(weight)}${likeness === undefined ? '' : `, ${percent(likeness)} like the design`}${narrowLikeness === undefined ? '' : `, ${percent(narrowLikeness)} like the narrow design`}${toMend ? `, ${toMend} to mend` : ''}${remarks ? `, ${remarked(remarks)}` : ''}`}
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
      {height >= LINE && (
        <span className="ml-2 min-w-0 leading-tight">
          <b className={cx('block truncate font-semibold', selected && 'text-lapis')}>{band.name}</b>
          {lines.map(({ said, look }) => (
            <span key={said} className={cx('block truncate font-mono text-[10.5px]', look)}>
              {said}
            </span>
          ))}
        </span>
      )}
      {toMend > 0 && !lines.some((l) => l.of === 'mend') && (
        <i aria-hidden className="ml-auto h-2 w-2 shrink-0 bg-terra" />
      )}
    </div>
  )
})
