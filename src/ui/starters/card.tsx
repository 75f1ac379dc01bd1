import type { ComponentProps } from 'react'
import { hold, type DraggedIn } from '../bench/dragged-in'
import { cx } from '../parts/controls'
import { Miniature } from './miniature'

export interface CardDrag {
  what: DraggedIn
  onBegin: () => void
  /** @param placed whether it was let go where it can stand */
  onEnd: (placed: boolean) => void
}

/** Something to begin from, in small and with its name: pressed, it is chosen or added. @param note a line beneath the name */
export function Card({
  name,
  note,
  chosen,
  disabled,
  onPress,
  drag,
  ...shown
}: {
  name: string
  note?: string
  /** Left out where a press does it at once. */
  chosen?: boolean
  disabled?: boolean
  onPress: () => void
  /** What it is when it is dragged, and what is told as that begins and ends. */
  drag?: CardDrag
} & ComponentProps<typeof Miniature>) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      disabled={disabled}
      className={cx(
        'block border bg-white text-left disabled:opacity-50',
        chosen ? 'border-lapis outline-2 outline-lapis' : 'border-grout hover:outline-2 hover:outline-lapis',
      )}
      onClick={onPress}
      draggable={!!drag}
      onDragStart={(e) => {
        if (!drag) return
        hold(e, drag.what)
        // The browser draws what is dragged first.
        setTimeout(drag.onBegin)
      }}
      onDragEnd={(e) => drag?.onEnd(e.dataTransfer.dropEffect !== 'none')}
    >
      <Miniature {...shown} />
      <span className="block border-t border-grout bg-paper px-2 py-1 text-[12px] text-ink">
        {name}
        {note && <span className="block text-[11px] text-soft">{note}</span>}
      </span>
    </button>
  )
}
