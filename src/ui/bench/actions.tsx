'use client'
import { Command } from 'cmdk'
import { Dialog as Radix } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { Dialog } from '../parts/dialog'

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

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Listens for the shortcuts of the actions at hand. While words are being typed only Ctrl shortcuts count.
 */
function useShortcuts(actions: () => readonly Action[]): void {
  const current = useRef(actions)
  current.current = actions
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      if (e.defaultPrevented) return
      const keys = keysOf(e)
      if (typing(e.target) && !/^(Ctrl|Escape)/.test(keys)) return
      const role = e.target instanceof HTMLElement ? e.target.getAttribute('role') : null
      if (
        /^(Arrow|Enter|Home|End)/.test(keys) &&
        (role === 'radio' ||
          role === 'spinbutton' ||
          (e.target instanceof HTMLElement && e.target.tagName === 'BUTTON' && keys === 'Enter'))
      )
        return
      if (document.querySelector('[role=dialog]') && !keys.startsWith('Ctrl')) return
      const action = current.current().find((a) => !a.off && a.keys === keys)
      if (action) {
        e.preventDefault()
        action.run()
      }
    }
    addEventListener('keydown', on)
    return () => removeEventListener('keydown', on)
  }, [])
}

/** The finder: every action by name. */
export function Finder({
  open,
  onClose,
  actions,
}: {
  open: boolean
  onClose: () => void
  actions: readonly Action[]
}) {
  const groups = [...new Set(actions.map((a) => a.group))]
  return (
    <Radix.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Radix.Content
          aria-describedby=""
          className="fixed top-[14vh] left-1/2 z-50 w-[520px] max-w-[calc(100vw-32px)] -translate-x-1/2 border-t-4 border-lapis bg-paper"
        >
          <Radix.Title className="sr-only">Find an action</Radix.Title>
          <Command
            label="Find an action"
            filter={(value, search) =>
              search
                .toLowerCase()
                .split(/\s+/)
                .every((w) => value.toLowerCase().includes(w))
                ? 1
                : 0
            }
          >
            <Command.Input
              placeholder="What do you want to do?"
              className="w-full border-b border-grout bg-transparent px-4 py-3 text-[15px] outline-none placeholder:text-soft"
            />
            <Command.List className="max-h-[46vh] overflow-auto p-1.5">
              <Command.Empty className="p-3 text-soft">
                Nothing goes by that name. Try another word for it.
              </Command.Empty>
              {groups.map((g) => (
                <Command.Group
                  key={g}
                  heading={g}
                  className="[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-[11px] [&_[cmdk-group-heading]]:text-soft"
                >
                  {actions
                    .filter((a) => a.group === g && !a.off)
                    .map((a) => (
                      <Command.Item
                        key={a.id}
                        value={`${a.label} ${a.id}`}
                        onSelect={() => {
                          onClose()
                          a.run()
                        }}
                        className="flex items-center px-2.5 py-1.5 data-[selected=true]:bg-wash"
                      >
                        <span>{a.label}</span>
                        {a.keys && (
                          <kbd className="ml-auto font-mono text-[11px] text-soft">{shown(a.keys)}</kbd>
                        )}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}

const shown = (keys: string) =>
  keys.replace('ArrowUp', '↑').replace('ArrowDown', '↓').replace('ArrowLeft', '←').replace('ArrowRight', '→')

/** The sheet of all shortcuts. */
export function ShortcutSheet({
  open,
  onClose,
  actions,
}: {
  open: boolean
  onClose: () => void
  actions: readonly Action[]
}) {
  const groups = [...new Set(actions.filter((a) => a.keys).map((a) => a.group))]
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Shortcuts"
      about="Ctrl is Command on a Mac. Everything else is in the finder, Ctrl K."
      wide
    >
      <div className="columns-2 gap-8">
        {groups.map((g) => (
          <div key={g} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 text-sm">{g}</h3>
            <dl>
              {actions
                .filter((a) => a.group === g && a.keys)
                .map((a) => (
                  <div key={a.id} className="flex justify-between gap-3 border-t border-grout py-1">
                    <dt>{a.label}</dt>
                    <dd>
                      <kbd className="font-mono text-xs">{shown(a.keys!)}</kbd>
                    </dd>
                  </div>
                ))}
            </dl>
          </div>
        ))}
      </div>
    </Dialog>
  )
}

/**
 * Opens and closes the finder and the sheet.
 * @param actions asked when needed, so that a stage may hand over new ones at each drawing
 */
export function useFinder(actions: () => readonly Action[]) {
  const [open, setOpen] = useState<'finder' | 'sheet' | null>(null)
  const own: Action[] = [
    { id: 'finder', label: 'Find an action', group: 'App', keys: 'Ctrl K', run: () => setOpen('finder') },
    { id: 'sheet', label: 'Show all shortcuts', group: 'App', keys: '?', run: () => setOpen('sheet') },
  ]
  const all = () => [...actions(), ...own]
  useShortcuts(all)
  const close = () => setOpen(null)
  return {
    openFinder: () => setOpen('finder'),
    openSheet: () => setOpen('sheet'),
    finder: (
      <>
        <Finder open={open === 'finder'} onClose={close} actions={open ? all() : []} />
        <ShortcutSheet open={open === 'sheet'} onClose={close} actions={open ? all() : []} />
      </>
    ),
  }
}

/**
 * Hands the actions of the stage on display to the bench, after each drawing.
 * @param set keeps them without drawing anything anew
 */
export function useStageActions(set: (a: Action[]) => void, actions: Action[]): void {
  useEffect(() => set(actions))
}
