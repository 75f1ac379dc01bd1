import { cx } from '../parts/controls'

/** Which lenses stand beside each other: each is shown or hidden by a press. */
export function LensToggles<T extends string>({
  lenses,
  shown,
  onToggle,
}: {
  lenses: readonly { id: T; label: string; about?: string }[]
  shown: readonly T[]
  onToggle: (id: T) => void
}) {
  return lenses.map(({ id, label, about }) => (
    <button
      key={id}
      type="button"
      aria-pressed={shown.includes(id)}
      title={about}
      className={cx('min-h-6 px-2', shown.includes(id) ? 'bg-ink text-onink' : 'text-soft hover:bg-plaster')}
      onClick={() => onToggle(id)}
    >
      {label}
    </button>
  ))
}
