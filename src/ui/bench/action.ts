/** Something a person can do: reached from the finder, and by its shortcut where it has one. */
export interface Action {
  id: string
  label: string
  group: string
  /** As shown, such as `Ctrl Z`, `Alt ArrowUp`, `Delete`. */
  keys?: string
  run: () => void
  off?: boolean
}

/** The event as written in `keys`. Ctrl stands for Command too. */
export function keysOf(e: KeyboardEvent): string {
  const key = e.key.length === 1 ? e.key.toUpperCase() : e.key
  return [
    e.ctrlKey || e.metaKey ? 'Ctrl' : '',
    e.altKey ? 'Alt' : '',
    e.shiftKey && (e.key.length > 1 || /[a-z]/i.test(e.key)) ? 'Shift' : '',
    key,
  ]
    .filter(Boolean)
    .join(' ')
}

/** Shortcuts as a person reads them. */
export const shownKeys = (keys: string) =>
  keys.replace('ArrowUp', '↑').replace('ArrowDown', '↓').replace('ArrowLeft', '←').replace('ArrowRight', '→')
